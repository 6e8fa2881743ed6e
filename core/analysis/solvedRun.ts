import type { TerminalRef } from '../design/schema';
import type { LiveDesign } from '../network/settle';
import type { SolvedDesign } from './solved';
import type { CircuitAnalysis, RunStep } from './types';

/** A circuit's run with the solved voltages in place of the formula's, fuses, switches and joints counted. */
export function solvedRun(circuit: CircuitAnalysis, { live }: SolvedDesign): CircuitAnalysis {
  const battery = live.compiled.index.battery;
  if (!battery) return circuit;
  const from = (terminal: string, run: readonly RunStep[]) => withSolvedDrops(run, live, { deviceId: battery.id, terminal });
  return { ...circuit, supplyRun: from('plus', circuit.supplyRun), returnRun: from('minus', circuit.returnRun) };
}

/** Walks a run from the battery on: each wire loses what its ends differ by, and what lies between two wires is a joint. */
function withSolvedDrops(run: readonly RunStep[], live: LiveDesign, start: TerminalRef): RunStep[] {
  let volts = live.voltage(start) ?? 0;
  let passed = new Set([start.deviceId]);
  const { wires } = live.compiled;
  return run.flatMap((step): RunStep[] => {
    if (step.kind === 'joint') return [];
    if (step.kind === 'device') {
      passed.add(step.deviceId);
      return [step];
    }
    const wire = wires.get(step.wireId);
    // A wire added since the network was solved keeps its formula drop until the next solution.
    if (!wire) return [step];
    const { from, to } = wire;
    const [near, far] = passed.has(from.deviceId) ? [from, to] : [to, from];
    const nearV = live.voltage(near) ?? volts;
    const farV = live.voltage(far) ?? nearV;
    const joint = Math.abs(volts - nearV);
    volts = farV;
    passed = new Set([far.deviceId]);
    return [
      { kind: 'joint', dropV: joint, shared: step.shared },
      { ...step, dropV: Math.abs(nearV - farV) },
    ];
  });
}
