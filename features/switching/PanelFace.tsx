'use client';

import { memo, useMemo } from 'react';
import type { DeviceHandle } from '@/core/bench/handles';
import { nameOf } from '@/core/design/names';
import type { Device, Panel, PanelPart } from '@/core/design/schema';
import { positionsOf } from '@/core/switching/panels';
import { answerWord, deviceStates, handleName } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { LoadShape } from './LoadShape';
import type { BenchShown } from './useBench';
import { Fader, Push, Rocker } from './PanelControls';
import { workedBy, type WorkedProps } from './worked';
import styles from './Panels.module.css';

interface PanelFaceProps {
  panel: Panel;
  handles: readonly DeviceHandle[];
  shown: BenchShown;
  onArrange(): void;
}

/** A panel as one stands before it: what sits in each position is worked and answers there. */
export function PanelFace({ panel, handles, shown, onArrange }: PanelFaceProps) {
  const design = useDesign((state) => state.design);
  const positions = useMemo(() => positionsOf(design, panel), [design, panel]);
  return (
    <section aria-label={panel.name} className={styles.panel}>
      <div className={styles.head}>
        <h3>{panel.name}</h3>
        {panel.placeId !== null && nameOf(design, panel.placeId) !== panel.name && <span>{nameOf(design, panel.placeId)}</span>}
        <button type="button" className={styles.arrange} aria-label={`Arrange ${panel.name}`} onClick={onArrange}>
          arrange
        </button>
      </div>
      <div className={styles.scroll}>
        <ol
          className={`${styles.face} ${styles[panel.use]}`}
          style={{ gridTemplateColumns: `repeat(${panel.columns}, minmax(58px, 1fr))` }}
        >
          {positions.map((part, at) => (
            <li key={at} className={styles.seat}>
              <span className={`reading ${styles.number}`}>{at + 1}</span>
              {part ? <Seated part={part} handles={handles} shown={shown} /> : <span className={styles.blank} title="Nothing in it" />}
            </li>
          ))}
        </ol>
      </div>
    </section>
  );
}

function Seated({ part, handles, shown }: { part: PanelPart; handles: readonly DeviceHandle[]; shown: BenchShown }) {
  const device = useDesign(({ analysis }) => analysis.index.devices.get(part.deviceId));
  if (!device) return <span className={styles.blank} title="Not in the vehicle" />;
  const handle = handles.find(
    ({ deviceId, control }) => deviceId === part.deviceId && (part.control === undefined || control === part.control),
  );
  const legend = part.legend ?? (part.control === undefined ? device.name : handleName(device, part.control));
  return (
    <>
      {handle && device.kind !== 'load' ? (
        <Worked device={device} handle={handle} at={shown.bench.position(handle.deviceId, handle.control)} act={shown.act} />
      ) : (
        <Stands device={device} shown={shown} />
      )}
      {device.kind === 'switch' && device.pilot === true && <Pilot deviceId={device.id} shown={shown} />}
      <span className={styles.legend} title={legend}>
        {legend}
      </span>
    </>
  );
}

const Worked = memo(function Worked(props: WorkedProps) {
  const { name, choices, move, press } = workedBy(props);
  const { device, handle, at } = props;
  if (handle.springs) return <Push name={name} round pressed={at === handle.positions[1]} onPress={press} />;
  const Shape = device.kind === 'dimmer' ? Fader : Rocker;
  return <Shape name={name} positions={choices} at={at} onMove={move} />;
});

/** What is not worked by hand: a relay in its socket, a socket or gauge in the wall. */
function Stands({ device, shown: { answer } }: { device: Device; shown: BenchShown }) {
  const design = useDesign((state) => state.design);
  const load = answer.loads.find(({ id }) => id === device.id);
  if (device.kind === 'load' && load) {
    return (
      <span className={styles.stands}>
        <LoadShape load={device} answer={load} size={16} />
        <b>{answerWord(load)}</b>
      </span>
    );
  }
  const state = deviceStates(design, answer).find(({ id }) => id === device.id)?.state;
  return (
    <span className={styles.stands}>
      <span className={`${styles.coil} ${state === 'pulled in' ? styles.pulled : ''}`} aria-hidden />
      <b>{state ?? 'in place'}</b>
    </span>
  );
}

/** A switch's own lamp, lit by what is across its terminals. */
function Pilot({ deviceId, shown: { bench } }: { deviceId: string; shown: BenchShown }) {
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const volts = bench.volts({ deviceId, terminal: 'lampPlus' }, { deviceId, terminal: 'lampMinus' }) ?? 0;
  const isLit = volts > nominalV / 2;
  return <span role="img" aria-label={`Pilot lamp ${isLit ? 'lit' : 'dark'}`} className={`${styles.pilot} ${isLit ? styles.lit : ''}`} />;
}
