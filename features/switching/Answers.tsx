import { Route } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Answer, LoadAnswer } from '@/core/bench/bench';
import { nameOf } from '@/core/design/names';
import { isLamp } from '@/core/devices/load';
import { formatAmps, formatVolts } from '@/core/units/quantity';
import { answerWord } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { LoadShape } from './LoadShape';
import { later } from '@/ui/later';
import styles from './Switching.module.css';

const WaysDrawer = later(() => import('./WaysDrawer').then(({ WaysDrawer: drawer }) => drawer));
const TruthDrawer = later(() => import('./TruthDrawer').then(({ TruthDrawer: drawer }) => drawer));

/** What is asked of a load. */
export const ASKED_LATER = [WaysDrawer, TruthDrawer];

interface AnswersProps {
  answer: Answer;
  /** The load whose switching is looked at. */
  wiring: string | null;
  onWire(loadId: string | null): void;
}

/** Every load by its zone: lit or not, how bright, at what volts and amperes. */
export function Answers({ answer, wiring, onWire }: AnswersProps) {
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
  return (
    <div className={styles.answers} role="region" aria-label="What answers" tabIndex={0}>
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
                one={one}
                name={nameOf(design, one.id)}
                lamp={loads.some((load) => load.id === one.id && isLamp(load))}
                onAsk={() => setAsked(one.id)}
                onWire={() => onWire(one.id)}
              />
            ))}
          </tbody>
        ))}
      </table>
      {wiring !== null && <WaysDrawer loadId={wiring} onClose={() => onWire(null)} />}
      {asked !== null && <TruthDrawer loadId={asked} onClose={() => setAsked(null)} />}
    </div>
  );
}

function Row({ one, name, lamp, onAsk, onWire }: { one: LoadAnswer; name: string; lamp: boolean; onAsk(): void; onWire(): void }) {
  const isOn = one.state !== 'off';
  return (
    <tr className={isOn ? styles.on : undefined}>
      <th scope="row">
        <span className={styles.load}>
          <LoadShape lamp={lamp} lit={isOn ? one.level : null} blinks={one.blinks} />
          <button type="button" className={styles.ask} title="When is it lit, or has it power?" onClick={onAsk}>
            {name}
          </button>
        </span>
      </th>
      <td>{answerWord(one)}</td>
      <td className="reading">{isOn ? formatVolts(one.volts) : '–'}</td>
      <td className="reading">{isOn ? formatAmps(one.amps) : '–'}</td>
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
  );
}
