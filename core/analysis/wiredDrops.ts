import type { ControlState } from '../network/controlState';
import { isReturnJunction } from '../network/flow';
import type { LiveDesign } from '../network/settle';
import { terminalKey } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import type { TerminalRef } from '../design/schema';
import { isOver } from '../units/compare';
import type { Analysis } from './types';

/** What a circuit's worst running load loses as it is wired, counted as the drop is: from the battery, or from the circuit's fuse. */
export interface WiredDrop {
  loadId: string;
  dropV: number;
  /** Of the nominal voltage. */
  dropPercent: number;
}

/** Share of the nominal voltage under which nothing reaches a load: what wire loses is never that much without worse being found. */
const DARK_SHARE = 0.05;

/** Of each circuit with a running load; none without a battery. */
export function wiredDrops({ circuits, index, loads, wiring }: Analysis, live: LiveDesign, state: ControlState): Map<string, WiredDrop> {
  const drops = new Map<string, WiredDrop>();
  const { battery, settings } = index;
  if (!battery) return drops;
  const between = (one: TerminalRef, other: TerminalRef) => (live.voltage(one) ?? 0) - (live.voltage(other) ?? 0);
  const fromBattery = between({ deviceId: battery.id, terminal: 'plus' }, { deviceId: battery.id, terminal: 'minus' });
  for (const { id: circuitId, loadIds, protectionId, fed } of circuits) {
    if (!fed) continue;
    for (const loadId of loadIds) {
      if (state.controls[loadId]?.on !== true || !loads.get(loadId)!.returned) continue;
      const across = between({ deviceId: loadId, terminal: 'plus' }, { deviceId: loadId, terminal: 'minus' });
      // One that this state leaves dark, behind a relay at rest say, loses nothing on its way: it is not on.
      if (across < DARK_SHARE * settings.nominalV) continue;
      const sourceV =
        settings.dropFrom === 'battery' ? fromBattery : between({ deviceId: protectionId, terminal: 'out' }, homeOf(wiring, index, loadId));
      const dropV = sourceV - across;
      if (dropV <= (drops.get(circuitId)?.dropV ?? 0)) continue;
      drops.set(circuitId, { loadId, dropV, dropPercent: (dropV / settings.nominalV) * 100 });
    }
  }
  return drops;
}

/** Where a load's return meets those of others, the last point before the battery that its own drop is counted from. */
function homeOf({ return: tree }: Analysis['wiring'], { devices }: DesignIndex, loadId: string): TerminalRef {
  for (let at = tree.at.get(terminalKey(loadId, 'minus')) ?? -1; at >= 0; at = tree.nodes[at]!.parent) {
    const { deviceId, terminal, parent } = tree.nodes[at]!;
    if (parent < 0 || isReturnJunction(deviceId, devices.get(deviceId)?.kind)) return { deviceId, terminal };
  }
  return { deviceId: loadId, terminal: 'minus' };
}

/**
 * Circuits that lose more than their target as they are wired, everything on, each with what it loses, V. None where the network gives no
 * answer.
 */
export function overAsWired(analysis: Analysis, drops: ReadonlyMap<string, WiredDrop>): Map<string, number> {
  return new Map(
    analysis.circuits.flatMap(({ id, targetPercent }): [string, number][] => {
      const drop = drops.get(id);
      return drop && isOver(drop.dropPercent, targetPercent, 1) ? [[id, drop.dropV]] : [];
    }),
  );
}

/** The drop that takes most of its circuit's target; percent of the nominal voltage. */
export interface WorstDrop {
  /** As wired, null where the network gave no answer. */
  wiredPercent: number | null;
  /** Of the cables, by formula. */
  cablePercent: number;
  targetPercent: number;
  /** The larger of the two: the one that counts. */
  percent: number;
}

/** The worst of a design, null without a circuit that has a load. */
export function worstDrop({ circuits }: Analysis, drops: ReadonlyMap<string, WiredDrop> | null): WorstDrop | null {
  let worst: WorstDrop | null = null;
  for (const { id, dropPercent: cablePercent, targetPercent, worstLoadId } of circuits) {
    if (worstLoadId === null) continue;
    const wiredPercent = drops?.get(id)?.dropPercent ?? null;
    const percent = Math.max(wiredPercent ?? 0, cablePercent);
    if (worst && percent / targetPercent <= worst.percent / worst.targetPercent) continue;
    worst = { wiredPercent, cablePercent, targetPercent, percent };
  }
  return worst;
}
