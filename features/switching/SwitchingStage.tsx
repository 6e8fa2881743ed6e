'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react';
import type { BenchAct, Device } from '@/core/design/schema';
import { deviceHandles, vehicleHandles, type DeviceHandle } from '@/core/bench/handles';
import { VEHICLE_CONTROLS } from '@/core/catalog/vocabulary';
import { recordsOf, type Design } from '@/core/design/design';
import { bankOf, hoursAt } from '@/core/energy/bank';
import { NetworkError } from '@/core/network/networkError';
import { formatAmps, formatClock, formatHours } from '@/core/units/quantity';
import { deviceStates, VEHICLE_WORDS } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { EmptyStage } from '@/ui/EmptyStage';
import { COME, WISH } from '@/features/workspace/targets';
import { usePreload } from '@/ui/usePreload';
import frame from '@/ui/Stage.module.css';
import { Answers, ASKED_LATER } from './Answers';
import { inChunks } from './chunks';
import { Clock } from './Clock';
import { Faults } from './Faults';
import { Meter } from './Meter';
import { PanelFace } from './PanelFace';
import { NamedPush, Positions } from './Positions';
import { useLinkedActs } from './useLinkedActs';
import type { Done } from './keptBench';
import { useBench, type BenchShown } from './useBench';
import { workedBy, type WorkedProps } from './worked';
import { later, laterOver } from '@/ui/later';
import styles from './Switching.module.css';

const StripChart = later(() => import('./StripChart').then(({ StripChart: chart }) => chart));
const PanelsDrawer = laterOver(() => import('./PanelsDrawer').then(({ PanelsDrawer: drawer }) => drawer));
const HubDrawer = laterOver(() => import('./HubDrawer').then(({ HubDrawer: drawer }) => drawer));
const TriggersDrawer = laterOver(() => import('./TriggersDrawer').then(({ TriggersDrawer: drawer }) => drawer));
const WishesDrawer = laterOver(() => import('./WishesDrawer').then(({ WishesDrawer: drawer }) => drawer));

/** What is opened from the bench: there when the connection is not. */
const OPENED_LATER = [HubDrawer, PanelsDrawer, StripChart, TriggersDrawer, WishesDrawer, ...ASKED_LATER];

/** Where things are worked, in the order they are shown. */
const PANELS: { where: DeviceHandle['where']; title: string }[] = [
  { where: 'panel', title: 'Switches and dimmers' },
  { where: 'fob', title: 'Radio' },
  { where: 'moving', title: 'Doors, rollers and what moves' },
  { where: 'supply', title: 'Battery' },
];

/** What is moved more seldom, folded away. */
const ASIDE: typeof PANELS = [
  { where: 'fuse', title: 'Fuses in and out' },
  { where: 'load', title: 'Loads’ own switches' },
];

/** Stage Switching: everything one can flick on one side, what answers on the other. */
export function SwitchingStage() {
  const designId = useDesign((state) => state.id);
  const index = useDesign(({ analysis }) => analysis.index);
  const handles = useMemo(() => deviceHandles(index), [index]);
  const design = useDesign((state) => state.design);
  const panels = useMemo(() => recordsOf(design, 'panel'), [design]);
  const loose = useMemo(() => handles.filter((handle) => !sitsOnPanel(design, handle)), [design, handles]);
  const shown = useBench();
  // What is lit is drawn at once, in how many volts a moment later.
  const now = useDeferredValue(shown);
  const figures = now instanceof NetworkError ? null : now;
  const [isArranging, setArranging] = useState(false);
  const [isLooking, setLooking] = useState(false);
  const [wiring, setWiring] = useState<string | null>(null);
  const arrange = useCallback(() => setArranging(true), []);
  const look = useCallback(() => setLooking(true), []);
  usePreload(OPENED_LATER);
  if (index.loads.length === 0 || !index.battery) {
    return (
      <EmptyStage
        title="Flick it and see"
        text="With a battery and loads on circuits, every switch, fob, door and key is worked here, and every lamp answers as wired."
      >
        <Link href={`/d/${designId}/${index.battery ? 'loads' : 'supply'}`}>
          {index.battery ? 'List what draws current' : 'Put in a battery'}
        </Link>
      </EmptyStage>
    );
  }
  if (shown instanceof NetworkError) {
    return (
      <EmptyStage title="The wiring has no answer" text={shown.message}>
        <Link href={`/d/${designId}/circuits`}>Look at it in Circuits</Link>
      </EmptyStage>
    );
  }
  return (
    <div className={`${frame.stage} ${styles.stage}`}>
      <div className={styles.top}>
        <Toolbar act={shown?.act ?? null} timeS={shown?.answer.timeS ?? 0} onArrange={arrange} onLook={look} onWire={setWiring} />
        <div className={styles.second}>
          <p className={styles.said} role="status" aria-label="What changed">
            {shown?.acts[0] ? <Said act={shown.acts[0]} /> : 'Flick a switch: what changes is said here.'}
          </p>
          {shown && <Drain amps={shown.answer.batteryA} />}
        </div>
      </div>
      <div className={styles.bench}>
        <div className={styles.controls} role="region" aria-label="Controls" tabIndex={0}>
          {shown && <Vehicle shown={shown} />}
          {shown && panels.map((panel) => <PanelFace key={panel.id} panel={panel} handles={handles} shown={shown} onArrange={arrange} />)}
          {shown &&
            PANELS.map(({ where, title }) => (
              <Panel key={where} title={title} handles={loose.filter((one) => one.where === where)} shown={shown} />
            ))}
          {shown &&
            ASIDE.map(({ where, title }) => (
              <details key={where} className={styles.more}>
                <summary>{title}</summary>
                <Panel title={title} isTitled handles={loose.filter((one) => one.where === where)} shown={shown} />
              </details>
            ))}
        </div>
        {shown ? (
          <Answers bench={shown.bench} answer={shown.answer} figures={(figures ?? shown).answer} wiring={wiring} onWire={setWiring} />
        ) : (
          <p className={styles.soft}>Wiring it up…</p>
        )}
        {figures && <Parts shown={figures} />}
      </div>
      {isLooking && shown && <StripChart acts={shown.acts} onAct={shown.act} onClose={() => setLooking(false)} />}
      {isArranging && <PanelsDrawer onClose={() => setArranging(false)} />}
    </div>
  );
}

/** Whether a control is worked on a panel, and so not in the lists. */
function sitsOnPanel(design: Design, { deviceId, control }: DeviceHandle): boolean {
  return recordsOf(design, 'panelPart').some((part) => part.deviceId === deviceId && (part.control ?? control) === control);
}

interface ToolbarProps {
  /** Null until the design is on the bench. */
  act: BenchShown['act'] | null;
  timeS: number;
  onArrange(): void;
  onLook(): void;
  onWire(loadId: string): void;
}

const Toolbar = memo(function Toolbar({ act, timeS, onArrange, onLook, onWire }: ToolbarProps) {
  const broken = useDesign(({ findings }) => findings.filter(({ rule }) => rule === 'wish.broken').length);
  const [isWishing, setWishing] = useState(false);
  const [wishOf, setWishOf] = useState<string | null>(null);
  const [isMetering, setMetering] = useState(false);
  const devices = useDesign(({ analysis }) => analysis.index.devices);
  const has = (kind: Device['kind']) => Array.from(devices.values()).some((device) => device.kind === kind);
  const [isRuling, setRuling] = useState(false);
  const play = useCallback((acts: readonly BenchAct[]) => [{ kind: 'rest' } as const, ...acts].forEach((one) => act?.(one)), [act]);
  const follow = useCallback(
    (target: string) => {
      if (target.startsWith(COME)) return onWire(target.slice(COME.length));
      setWishOf(target.startsWith(WISH) ? target.slice(WISH.length) : null);
      setWishing(true);
    },
    [onWire],
  );
  useLinkedActs(act ? play : null, follow);
  return (
    <>
      <div className={frame.toolbar}>
        <h2>Switching</h2>
        <Button size="small" disabled={!act} onClick={() => act?.({ kind: 'rest' })}>
          All at rest
        </Button>
        <Clock timeS={timeS} onAct={act} />
        <Button size="small" onClick={() => setWishing(true)}>
          Wishes{broken > 0 && `: ${broken} broken`}
        </Button>
        <Button size="small" onClick={onArrange}>
          Panels
        </Button>
        <Button size="small" onClick={() => setMetering(true)}>
          Which wire is it?
        </Button>
        {(has('ruleHub') || has('receiver')) && (
          <Button size="small" onClick={() => setRuling(true)}>
            {has('ruleHub') ? 'Hubs' : 'Radios'}
          </Button>
        )}
        <Button size="small" disabled={!act} onClick={onLook}>
          Strip chart
        </Button>
      </div>
      {isRuling && <HubDrawer onClose={() => setRuling(false)} />}
      {isMetering && <TriggersDrawer onClose={() => setMetering(false)} />}
      {isWishing && <WishesDrawer key={wishOf} firstOf={wishOf} onPlay={play} onClose={() => (setWishing(false), setWishOf(null))} />}
    </>
  );
});

/** What the battery gives now, and how long it could. */
function Drain({ amps }: { amps: number }) {
  const battery = useDesign(({ analysis }) => analysis.index.battery);
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const hours = battery && hoursAt(bankOf(battery, nominalV), amps);
  return (
    <span className={styles.drain}>
      <span className="reading">{formatAmps(Math.max(0, amps))}</span> from the battery
      {hours !== null && (
        <>
          ; full, it lasts <span className="reading">{formatHours(hours)}</span> so
        </>
      )}
    </span>
  );
}

function Said({ act: { what, changed } }: { act: Done }) {
  return (
    <>
      <strong>{what}.</strong> {changed.length === 0 ? 'Nothing else changed.' : `${changed.join('. ')}.`}
    </>
  );
}

function Vehicle({ shown: { bench, act } }: { shown: BenchShown }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const design = useDesign((state) => state.design);
  const controls = useMemo(() => vehicleHandles(index, recordsOf(design, 'wish')), [index, design]);
  if (controls.length === 0) return null;
  return (
    <section aria-label="The vehicle">
      <h3>The vehicle</h3>
      {controls.map((control) => (
        <Positions
          key={control}
          name={VEHICLE_WORDS[control]}
          positions={VEHICLE_CONTROLS[control].map((value) => ({ value, word: value }))}
          at={bench.side[control]}
          onMove={(value) => act({ kind: 'move', mover: { kind: 'vehicle', control }, position: value })}
        />
      ))}
    </section>
  );
}

interface PanelProps {
  title: string;
  /** The title stands above it already. */
  isTitled?: boolean;
  handles: readonly DeviceHandle[];
  shown: BenchShown;
}

function Panel({ title, isTitled = false, handles, shown: { bench, act } }: PanelProps) {
  const devices = useDesign(({ analysis }) => analysis.index.devices);
  if (handles.length === 0) return null;
  const worked = handles.flatMap((handle): WorkedProps[] => {
    const device = devices.get(handle.deviceId);
    return device ? [{ device, handle, at: bench.position(handle.deviceId, handle.control), act }] : [];
  });
  return (
    <section aria-label={title}>
      {!isTitled && <h3>{title}</h3>}
      {inChunks(worked).map((chunk, at) => (
        <Handles key={at} worked={chunk} />
      ))}
    </section>
  );
}

/** A few controls; drawn anew only where one of them was moved. */
const Handles = memo(
  function Handles({ worked }: { worked: readonly WorkedProps[] }) {
    return (
      <div className={styles.few} style={{ containIntrinsicSize: `auto ${worked.length * 39}px` }}>
        {worked.map((one) => (
          <Handle key={`${one.handle.deviceId} ${one.handle.control}`} {...one} />
        ))}
      </div>
    );
  },
  ({ worked: before }, { worked: after }) => before.length === after.length && before.every((one, at) => isWorkedAlike(one, after[at]!)),
);

function isWorkedAlike(one: WorkedProps, other: WorkedProps): boolean {
  return one.device === other.device && one.handle === other.handle && one.at === other.at && one.act === other.act;
}

const Handle = memo(function Handle(props: WorkedProps) {
  const { name, choices, move, press } = workedBy(props);
  const { handle, at } = props;
  if (handle.springs) return <NamedPush name={name} pressed={at === handle.positions[1]} onPress={press} />;
  return <Positions name={name} positions={choices} at={at} onMove={move} />;
});

const DoneRow = memo(function DoneRow({ act }: { act: Done }) {
  return (
    <li>
      <span className="reading">{formatClock(act.timeS)}</span>
      <span>
        <Said act={act} />
      </span>
    </li>
  );
});

/** What relays, radios and sensors do at the moment, and the acts so far. */
const Parts = memo(function Parts({ shown: { bench, answer, acts, act } }: { shown: BenchShown }) {
  const design = useDesign((state) => state.design);
  const states = useMemo(() => deviceStates(design, answer), [design, answer]);
  return (
    <div className={styles.parts} role="region" aria-label="Relays and acts" tabIndex={0}>
      <Meter bench={bench} />
      <Faults faults={bench.faults} onAct={act} />
      {answer.outcome === 'oscillating' && (
        <p className={styles.wrong}>It never comes to rest: what breaks its own feed goes on buzzing.</p>
      )}
      {states.length > 0 && (
        <>
          <h3>Relays, radios, sensors, open fuses</h3>
          <ul>
            {states.map(({ id, name, state }) => (
              <li key={id}>
                {name}: <b>{state}</b>
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>What was done</h3>
      <ol className={styles.acts}>
        {acts.map((act) => (
          <DoneRow key={act.key} act={act} />
        ))}
      </ol>
    </div>
  );
});
