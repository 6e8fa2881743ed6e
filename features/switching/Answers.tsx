import { Route } from 'lucide-react';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Answer, Bench, LoadAnswer } from '@/core/bench/bench';
import type { Load } from '@/core/design/schema';
import { nameOf } from '@/core/design/names';
import { formatAmps, formatVolts } from '@/core/units/quantity';
import { answerWord } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { inChunks } from './chunks';
import { LitRig } from './LitRig';
import { litOf, type Lit } from './lit';
import { LoadShape } from './LoadShape';
import { Table, type Column, type RowGroup } from '@/ui/Table';
import { laterOver } from '@/ui/later';
import styles from './Switching.module.css';

const WaysDrawer = laterOver(() => import('./WaysDrawer').then(({ WaysDrawer: drawer }) => drawer));
const TruthDrawer = laterOver(() => import('./TruthDrawer').then(({ TruthDrawer: drawer }) => drawer));

/** What is asked of a load. */
export const ASKED_LATER = [WaysDrawer, TruthDrawer];

interface AnswersProps {
  bench: Bench;
  /** What is lit now, and the figures, that may come a moment later. */
  answer: Answer;
  figures: Answer;
  /** The load whose switching is looked at. */
  wiring: string | null;
  onWire(loadId: string | null): void;
}

/** Every load by its zone: lit or not, how bright, at what volts and amperes. */
export function Answers({ bench, answer, figures, wiring, onWire }: AnswersProps) {
  const [opened, setOpened] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const open = useCallback((loadId: string) => setOpened((now) => (now === loadId ? null : loadId)), []);
  // Its row is brought into sight once its run is written under it.
  const [picked, setPicked] = useState<string | null>(null);
  const pick = useCallback(
    (loadId: string) => {
      open(loadId);
      setPicked(loadId);
    },
    [open],
  );
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (picked !== null) list.current?.querySelector(`[data-load="${CSS.escape(picked)}"]`)?.scrollIntoView({ block: 'center' });
  }, [picked]);
  return (
    <div className={styles.answers}>
      <LitRig bench={bench} answer={answer} figures={figures} openedId={opened} onOpen={pick} />
      <div ref={list} className={styles.list} role="region" aria-label="What answers" tabIndex={0}>
        <Figures bench={bench} answer={figures} opened={opened} onRun={open} onAsk={setAsked} onWire={onWire} />
      </div>
      {wiring !== null && <WaysDrawer loadId={wiring} onClose={() => onWire(null)} />}
      {asked !== null && <TruthDrawer loadId={asked} onClose={() => setAsked(null)} />}
    </div>
  );
}

/** What is asked of a load: the run it comes by, when it is lit, how it should come on. */
interface Asking {
  onRun(loadId: string): void;
  onAsk(loadId: string): void;
  onWire(loadId: string): void;
}

interface FiguresProps extends Asking {
  bench: Bench;
  answer: Answer;
  /** The load whose run is shown. */
  opened: string | null;
}

const Figures = memo(function Figures({ bench, answer, opened, onRun, onAsk, onWire }: FiguresProps) {
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  const columns = useMemo(() => columnsOf({ onRun, onAsk, onWire }), [onRun, onAsk, onWire]);
  const byId = useMemo(() => new Map(loads.map((load) => [load.id, load])), [loads]);
  const zones = useMemo(() => {
    const byZone = new Map<string | null, LoadAnswer[]>();
    for (const one of answer.loads) {
      const zoneId = byId.get(one.id)?.zoneId ?? null;
      const list = byZone.get(zoneId);
      if (list) list.push(one);
      else byZone.set(zoneId, [one]);
    }
    return Array.from(byZone);
  }, [answer, byId]);
  return (
    <Table
      columns={columns}
      groups={zones.flatMap(([zoneId, list]): RowGroup<Shown>[] => {
        const name = zoneId === null ? 'No zone' : nameOf(design, zoneId);
        return inChunks(list).map((chunk, at) => ({
          key: `${zoneId ?? ''} ${at}`,
          label: name,
          head: at === 0 ? name : undefined,
          heightPx: (chunk.length + 1) * 35,
          rows: chunk.flatMap((one): Shown[] => {
            // Figures that come a moment later may be of a load that has just gone.
            const load = byId.get(one.id);
            const isOpened = opened === one.id;
            return load ? [{ load, ...shownOf(one), isOpened, run: isOpened ? bench.run(one.id) : null }] : [];
          }),
        }));
      })}
      keyOf={({ load }) => load.id}
      isSame={saysTheSame}
      marksOf={loadMark}
      lookOf={lookOf}
      beneath={runOf}
      groupLook={styles.zone}
      beneathLook={styles.run}
    />
  );
});

/** What a row says of a load and how it is lit. */
interface Shown extends Lit {
  load: Load;
  does: string;
  volts: string;
  amps: string;
  isOpened: boolean;
  /** The run its current comes by, where it is shown. */
  run: ReturnType<Bench['run']> | null;
}

function shownOf(one: LoadAnswer): Omit<Shown, 'load' | 'isOpened' | 'run'> {
  const isOn = one.state !== 'off';
  return { ...litOf(one), does: answerWord(one), volts: isOn ? formatVolts(one.volts) : '–', amps: isOn ? formatAmps(one.amps) : '–' };
}

/** Drawn anew only where it says or shows something else: every flick moves all volts a little. */
const saysTheSame = (a: Shown, b: Shown) => (Object.keys(b) as (keyof Shown)[]).every((name) => Object.is(a[name], b[name]));

const isOn = ({ state }: Lit) => state !== 'off';
const loadMark = ({ load }: Shown) => ({ 'data-load': load.id });
const lookOf = (one: Shown) => [isOn(one) && styles.on, one.isOpened && styles.picked].filter(Boolean).join(' ');
const runOf = (one: Shown) => one.run !== null && isOn(one) && <Run run={one.run} name={one.load.name} />;

function columnsOf({ onRun, onAsk, onWire }: Asking): Column<Shown>[] {
  return [
    {
      head: 'Load',
      as: 'name',
      cell: (one) => (
        <span className={styles.load}>
          <LoadShape load={one.load} answer={one} />
          <button type="button" className={styles.ask} title="When is it lit, or has it power?" onClick={() => onAsk(one.load.id)}>
            {one.load.name}
          </button>
        </span>
      ),
    },
    { head: 'Does', cell: ({ does }) => does },
    { head: 'Volts', as: 'figure', cell: ({ volts }) => volts },
    {
      head: 'Amperes',
      as: 'figure',
      cell: (one) =>
        isOn(one) ? (
          <button
            type="button"
            className={styles.ask}
            aria-expanded={one.run !== null}
            title="The run it comes by"
            onClick={() => onRun(one.load.id)}
          >
            {one.amps}
          </button>
        ) : (
          one.amps
        ),
    },
    {
      head: 'Way',
      cell: ({ load }) => (
        <button
          type="button"
          className={styles.way}
          aria-label={`How should ${load.name} come on?`}
          title="How should it come on?"
          onClick={() => onWire(load.id)}
        >
          <Route size={14} aria-hidden />
        </button>
      ),
    },
  ];
}

/** The run with its current flowing: every part and what goes on from it. */
function Run({ run, name }: { run: ReturnType<Bench['run']>; name: string }) {
  const design = useDesign((state) => state.design);
  return (
    <ol aria-label={`Run of ${name}`}>
      {run.map(({ deviceId, amps }, at) => (
        <li key={at}>
          {nameOf(design, deviceId)} <span className="reading">{formatAmps(amps)}</span>
        </li>
      ))}
      <li>{name}</li>
    </ol>
  );
}
