'use client';

import { useMemo, useState } from 'react';
import { Bench, type Answer } from '@/core/bench/bench';
import { deviceHandles } from '@/core/bench/handles';
import type { Input } from '@/core/bench/inputs';
import type { Design } from '@/core/design/design';
import { indexDesign } from '@/core/rig/designIndex';
import { answerWord } from '@/core/wording/benchWords';
import { moverName, movedWord } from '@/core/wording/wishWords';
import { formatAmps, formatVolts } from '@/core/units/quantity';
import { NamedPush, Positions } from './Positions';
import { LoadShape } from './LoadShape';
import styles from './Ways.module.css';

/** A small bench for one load: what it depends on is flicked, and it answers. */
export function TryBench({ design, loadId, inputs }: { design: Design; loadId: string; inputs: readonly Input[] }) {
  const index = useMemo(() => indexDesign(design), [design]);
  const bench = useMemo(() => new Bench(index), [index]);
  const [answer, setAnswer] = useState<Answer>(bench.answer);
  const [of, setOf] = useState(bench);
  if (of !== bench) {
    setOf(bench);
    setAnswer(bench.answer);
  }
  const load = answer.loads.find(({ id }) => id === loadId);
  const dimmers = deviceHandles(index).filter(({ deviceId, control }) => control === 'levelPercent' && isNear(design, deviceId, loadId));
  const all: Input[] = [
    ...inputs,
    ...dimmers.map(({ deviceId, control, positions }): Input => ({ kind: 'device', deviceId, control, positions })),
  ];
  const springs = new Set(deviceHandles(index).flatMap((handle) => (handle.springs ? [`${handle.deviceId} ${handle.control}`] : [])));
  const move = (input: Input, position: Input['positions'][number]) =>
    setAnswer((input.kind === 'device' ? bench.set(input.deviceId, input.control, position) : bench.drive(input.control, position)).answer);
  const isOn = load !== undefined && load.state !== 'off';
  return (
    <section aria-label="Try it" className={styles.try}>
      <p className={styles.lamp} role="status" aria-label="What it does">
        <LoadShape load={index.loads.find(({ id }) => id === loadId)} answer={load} size={22} />
        <strong>{load ? answerWord(load) : 'off'}</strong>
        {isOn && (
          <span className="reading">
            {formatVolts(load.volts)} · {formatAmps(load.amps)}
          </span>
        )}
        {answer.outcome === 'oscillating' && 'It never comes to rest.'}
      </p>
      {all.length === 0 && <p>Nothing one moves changes it.</p>}
      {all.map((input) => {
        const name = moverName(design, input);
        const at = input.kind === 'vehicle' ? bench.side[input.control] : bench.position(input.deviceId, input.control);
        if (input.kind === 'device' && springs.has(`${input.deviceId} ${input.control}`))
          return <NamedPush key={name} name={name} pressed={at === input.positions[1]} onPress={(down) => move(input, input.positions[down ? 1 : 0]!)} />; // prettier-ignore
        return (
          <Positions
            key={name}
            name={name}
            positions={input.positions.map((value) => ({ value, word: movedWord(design, input, value) }))}
            at={at}
            onMove={(value) => move(input, value)}
          />
        );
      })}
    </section>
  );
}

/** Whether a dimmer is wired to the load or to what leads to it: by its name it is one of the way's own parts. */
function isNear(design: Design, deviceId: string, loadId: string): boolean {
  const wires = Array.from(design.records.values()).flatMap((record) => (record.type === 'wire' ? [record] : []));
  return wires.some(({ from, to }) => [from.deviceId, to.deviceId].includes(deviceId) && [from.deviceId, to.deviceId].includes(loadId));
}
