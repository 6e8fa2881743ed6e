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
import { later } from '@/ui/later';
import styles from './Switching.module.css';

const WaysDrawer = later(() => import('./WaysDrawer').then(({ WaysDrawer: drawer }) => drawer));
const TruthDrawer = later(() => import('./TruthDrawer').then(({ TruthDrawer: drawer }) => drawer));

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

interface FiguresProps extends Pick<RowProps, 'onRun' | 'onAsk' | 'onWire'> {
  bench: Bench;
  answer: Answer;
  /** The load whose run is shown. */
  opened: string | null;
}

const Figures = memo(function Figures({ bench, answer, opened, onRun, onAsk, onWire }: FiguresProps) {
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.index.loads);
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
    <table>
      <thead>
        <tr>
          <th scope="col">Load</th>
          <th scope="col">Does</th>
          <th scope="col">Volts</th>
          <th scope="col">Amperes</th>
          <th scope="col">Way</th>
        </tr>
      </thead>
      {zones.map(([zoneId, list]) => {
        const name = zoneId === null ? 'No zone' : nameOf(design, zoneId);
        return inChunks(list).map((chunk, at) => (
          <tbody key={`${zoneId ?? ''} ${at}`} aria-label={name} style={{ containIntrinsicSize: `auto ${(chunk.length + 1) * 35}px` }}>
            {at === 0 && (
              <tr className={styles.zone}>
                <th scope="rowgroup" colSpan={5}>
                  {name}
                </th>
              </tr>
            )}
            {chunk.map((one) => {
              // Figures that come a moment later may be of a load that has just gone.
              const load = byId.get(one.id);
              const run = opened === one.id ? bench.run(one.id) : null;
              return (
                load && (
                  <Row
                    key={one.id}
                    load={load}
                    {...shownOf(one)}
                    run={run}
                    onRun={onRun}
                    onAsk={onAsk}
                    onWire={onWire}
                    isOpened={opened === one.id}
                  />
                )
              );
            })}
          </tbody>
        ));
      })}
    </table>
  );
});

interface RowProps extends Lit {
  load: Load;
  does: string;
  volts: string;
  amps: string;
  isOpened: boolean;
  /** The run its current comes by, where it is shown. */
  run: ReturnType<Bench['run']> | null;
  onRun(loadId: string): void;
  onAsk(loadId: string): void;
  onWire(loadId: string): void;
}

/** What a row says of a load and how it is lit. */
function shownOf(one: LoadAnswer): Lit & Pick<RowProps, 'does' | 'volts' | 'amps'> {
  const isOn = one.state !== 'off';
  return { ...litOf(one), does: answerWord(one), volts: isOn ? formatVolts(one.volts) : '–', amps: isOn ? formatAmps(one.amps) : '–' };
}

/** Drawn anew only where it says or shows something else: every flick moves all volts a little. */
const Row = memo(function Row(props: RowProps) {
  const { load, state, level, blinks, does, volts, amps, isOpened, run, onRun, onAsk, onWire } = props;
  const isOn = state !== 'off';
  const { id, name } = load;
  return (
    <>
      <tr data-load={id} className={[isOn && styles.on, isOpened && styles.picked].filter(Boolean).join(' ')}>
        <th scope="row">
          <span className={styles.load}>
            <LoadShape load={load} answer={{ state, level, blinks }} />
            <button type="button" className={styles.ask} title="When is it lit, or has it power?" onClick={() => onAsk(id)}>
              {name}
            </button>
          </span>
        </th>
        <td>{does}</td>
        <td className="reading">{volts}</td>
        <td className="reading">
          {isOn ? (
            <button type="button" className={styles.ask} aria-expanded={run !== null} title="The run it comes by" onClick={() => onRun(id)}>
              {amps}
            </button>
          ) : (
            amps
          )}
        </td>
        <td>
          <button
            type="button"
            className={styles.way}
            aria-label={`How should ${name} come on?`}
            title="How should it come on?"
            onClick={() => onWire(id)}
          >
            <Route size={14} aria-hidden />
          </button>
        </td>
      </tr>
      {run !== null && isOn && <RunRow run={run} name={name} />}
    </>
  );
});

/** The run with its current flowing: every part and what goes on from it. */
function RunRow({ run, name }: { run: ReturnType<Bench['run']>; name: string }) {
  const design = useDesign((state) => state.design);
  return (
    <tr>
      <td colSpan={5} className={styles.run}>
        <ol aria-label={`Run of ${name}`}>
          {run.map(({ deviceId, amps }, at) => (
            <li key={at}>
              {nameOf(design, deviceId)} <span className="reading">{formatAmps(amps)}</span>
            </li>
          ))}
          <li>{name}</li>
        </ol>
      </td>
    </tr>
  );
}
