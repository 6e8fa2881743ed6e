import { Route } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type Ref } from 'react';
import type { Answer, Bench, LoadAnswer } from '@/core/bench/bench';
import type { Load } from '@/core/design/schema';
import { nameOf } from '@/core/design/names';
import { formatAmps, formatVolts } from '@/core/units/quantity';
import { answerWord } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { LitRig } from './LitRig';
import { LoadShape } from './LoadShape';
import { later } from '@/ui/later';
import styles from './Switching.module.css';

const WaysDrawer = later(() => import('./WaysDrawer').then(({ WaysDrawer: drawer }) => drawer));
const TruthDrawer = later(() => import('./TruthDrawer').then(({ TruthDrawer: drawer }) => drawer));

/** What is asked of a load. */
export const ASKED_LATER = [WaysDrawer, TruthDrawer];

interface AnswersProps {
  bench: Bench;
  answer: Answer;
  /** The load whose switching is looked at. */
  wiring: string | null;
  onWire(loadId: string | null): void;
}

/** Every load by its zone: lit or not, how bright, at what volts and amperes. */
export function Answers({ bench, answer, wiring, onWire }: AnswersProps) {
  const [opened, setOpened] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  const zones = useMemo(() => {
    const byZone = new Map<string | null, LoadAnswer[]>();
    for (const one of answer.loads) {
      const zoneId = loads.find(({ id }) => id === one.id)?.zoneId ?? null;
      byZone.set(zoneId, [...(byZone.get(zoneId) ?? []), one]);
    }
    return Array.from(byZone);
  }, [answer, loads]);
  const open = (loadId: string) => setOpened(opened === loadId ? null : loadId);
  const rows = useRef(new Map<string, HTMLTableRowElement | null>());
  // Its row is brought into sight once its run is written under it.
  const [picked, setPicked] = useState<string | null>(null);
  const pick = (loadId: string) => {
    open(loadId);
    setPicked(loadId);
  };
  useEffect(() => {
    if (picked !== null) rows.current.get(picked)?.scrollIntoView({ block: 'center' });
  }, [picked]);
  return (
    <div className={styles.answers}>
      <LitRig bench={bench} answer={answer} openedId={opened} onOpen={pick} />
      <div className={styles.list} role="region" aria-label="What answers" tabIndex={0}>
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
          {zones.map(([zoneId, list]) => (
            <tbody key={zoneId ?? ''}>
              <tr className={styles.zone}>
                <th scope="rowgroup" colSpan={5}>
                  {zoneId === null ? 'No zone' : nameOf(design, zoneId)}
                </th>
              </tr>
              {list.map((one) => (
                <Row
                  key={one.id}
                  ref={(row) => void rows.current.set(one.id, row)}
                  one={one}
                  isOpened={opened === one.id}
                  name={nameOf(design, one.id)}
                  load={loads.find(({ id }) => id === one.id)}
                  run={opened === one.id ? bench.run(one.id) : null}
                  onRun={() => open(one.id)}
                  onAsk={() => setAsked(one.id)}
                  onWire={() => onWire(one.id)}
                />
              ))}
            </tbody>
          ))}
        </table>
      </div>
      {wiring !== null && <WaysDrawer loadId={wiring} onClose={() => onWire(null)} />}
      {asked !== null && <TruthDrawer loadId={asked} onClose={() => setAsked(null)} />}
    </div>
  );
}

interface RowProps {
  ref: Ref<HTMLTableRowElement>;
  one: LoadAnswer;
  isOpened: boolean;
  name: string;
  load: Load | undefined;
  /** The run its current comes by, where it is shown. */
  run: ReturnType<Bench['run']> | null;
  onRun(): void;
  onAsk(): void;
  onWire(): void;
}

function Row({ ref, one, isOpened, name, load, run, onRun, onAsk, onWire }: RowProps) {
  const isOn = one.state !== 'off';
  return (
    <>
      <tr ref={ref} className={[isOn && styles.on, isOpened && styles.picked].filter(Boolean).join(' ')}>
        <th scope="row">
          <span className={styles.load}>
            <LoadShape load={load} answer={one} />
            <button type="button" className={styles.ask} title="When is it lit, or has it power?" onClick={onAsk}>
              {name}
            </button>
          </span>
        </th>
        <td>{answerWord(one)}</td>
        <td className="reading">{isOn ? formatVolts(one.volts) : '–'}</td>
        <td className="reading">
          {isOn ? (
            <button type="button" className={styles.ask} aria-expanded={run !== null} title="The run it comes by" onClick={onRun}>
              {formatAmps(one.amps)}
            </button>
          ) : (
            '–'
          )}
        </td>
        <td>
          <button
            type="button"
            className={styles.way}
            aria-label={`How should ${name} come on?`}
            title="How should it come on?"
            onClick={onWire}
          >
            <Route size={14} aria-hidden />
          </button>
        </td>
      </tr>
      {run !== null && isOn && <RunRow run={run} name={name} />}
    </>
  );
}

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
