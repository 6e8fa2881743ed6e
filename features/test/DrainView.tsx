'use client';

import { Button } from 'antd';
import { deviceOf } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import type { Drain, FuseDrain } from '@/core/diagnosis/drain';
import { formatNumber } from '@/core/units/quantity';
import { drainSubject, drainWords, flatWords, smallAmps } from '@/core/wording/drainWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useJump } from '@/features/workspace/useJump';
import { FigureField } from '@/ui/FigureField';
import { Table } from '@/ui/Table';
import { NOTHING_READ, useDrainNotes } from './useDrainNotes';
import { useDiagnosis } from './useDiagnosis';
import { useWireNumbers } from './useWireNumbers';
import shared from '../harness/Harness.module.css';
import styles from './Test.module.css';

/** No meter on a millivolt range shows more. */
const MOST_MV = 2000;
const MOST_A = 500;

const VERDICTS: Record<FuseDrain['verdict'], string> = { unread: '', asItShould: 'as it should', more: 'more', less: 'less' };

/** Where the current goes while everything is off: millivolts across fuses that stay in, and what on the plan would draw as much. */
export function DrainView() {
  const designId = useDesign((state) => state.id);
  const design = useDesign((state) => state.design);
  const [notes, setNotes] = useDrainNotes(designId);
  const readings = notes.readings.filter(({ fuseId }) => design.records.has(fuseId));
  const { answer, isNew } = useDiagnosis({ ask: 'drain', readings, batteryA: notes.batteryA });
  const drain = answer && 'drain' in answer ? answer.drain : null;
  const read = (fuseId: string, millivolts: number | undefined) => {
    const others = readings.filter((one) => one.fuseId !== fuseId);
    setNotes({ ...notes, readings: millivolts === undefined ? others : [...others, { fuseId, millivolts }] });
    return null;
  };
  const ratingOf = (fuseId: string) => {
    const fuse = deviceOf(design, fuseId, 'protection');
    return fuse && `${fuse.fittedA ?? fuse.ratingA} A`;
  };
  return (
    <div className={shared.view} role="region" aria-label="Where the current goes" tabIndex={0}>
      <p className={shared.soft}>
        Everything off, doors shut or their latches closed by hand, the key out. Wait until what sleeps is asleep: ten to thirty minutes.
        Then the meter on millivolts across the two test points of each fuse, the fuse staying in: pulled, it would wake or hide what draws.
        A field left empty is not read, and never nought.
      </p>
      <div className={styles.seen}>
        <span className={styles.load}>
          Clamp round the battery’s minus lead
          <FigureField
            label="Amperes out of the battery with everything off"
            unit="A"
            value={notes.batteryA ?? undefined}
            least={0}
            most={MOST_A}
            placeholder="not read"
            onCommit={(amps) => {
              setNotes({ ...notes, batteryA: amps ?? null });
              return null;
            }}
          />
        </span>
        {(readings.length > 0 || notes.batteryA !== null) && (
          <Button size="small" onClick={() => setNotes(NOTHING_READ)}>
            Mended: begin anew
          </Button>
        )}
      </div>
      {answer && 'problem' in answer && <p role="alert">{answer.problem}</p>}
      {!drain && !(answer && 'problem' in answer) && <p role="status">Working out what should flow …</p>}
      {drain && <Summary drain={drain} isNew={isNew} />}
      {drain && (
        <Table
          className={styles.drain}
          label="Millivolts across fuses"
          columns={[
            { head: 'Fuse', as: 'name', cell: ({ fuseId }) => nameOf(design, fuseId) },
            { head: 'Rating', as: 'figure', cell: ({ fuseId }) => ratingOf(fuseId) },
            { head: 'Should flow', as: 'figure', cell: ({ expectedA }) => smallAmps(expectedA) },
            { head: 'Should read', as: 'figure', cell: ({ expectedMv }) => `${formatNumber(expectedMv, 1)} mV` },
            {
              head: 'Read',
              cell: ({ fuseId }) => (
                <FigureField
                  label={`Millivolts across ${nameOf(design, fuseId)}`}
                  unit="mV"
                  value={readings.find((one) => one.fuseId === fuseId)?.millivolts}
                  least={-MOST_MV}
                  most={MOST_MV}
                  placeholder="not read"
                  onCommit={(millivolts) => read(fuseId, millivolts)}
                />
              ),
            },
            { head: 'That is', as: 'figure', cell: (row) => row.read && `${smallAmps(row.read.lowA)} to ${smallAmps(row.read.highA)}` },
            { head: 'Verdict', cell: ({ verdict }) => VERDICTS[verdict] },
          ]}
          rows={drain.fuses}
          keyOf={({ fuseId }) => fuseId}
          marksOf={({ verdict }) => ({ 'data-verdict': verdict })}
          beneath={(row) => row.verdict === 'more' && <Explained row={row} />}
          beneathLook={styles.causes}
        />
      )}
    </div>
  );
}

function Summary({ drain: { expectedA, batteryA, elsewhereA, days }, isNew }: { drain: Drain; isNew: boolean }) {
  return (
    <p className={styles.do} data-new={isNew}>
      By the plan <b className="reading">{smallAmps(expectedA)}</b> flow while everything is off
      {batteryA !== null && (
        <>
          ; read were <b className="reading">{smallAmps(batteryA)}</b>
        </>
      )}
      {days !== null && <>: {flatWords(days)}</>}.
      {elsewhereA !== null && elsewhereA > 0 && (
        <strong> {smallAmps(elsewhereA)} of it pass no circuit’s fuse: something is joined ahead of the fuses, or leaks there.</strong>
      )}
      {elsewhereA !== null && elsewhereA < 0 && <strong> The fuses carry more than the clamp saw: read one of them again.</strong>}
    </p>
  );
}

/** What on the plan would make a fuse carry what it does. */
function Explained({ row: { causes } }: { row: FuseDrain }) {
  const design = useDesign((state) => state.design);
  const numbers = useWireNumbers();
  const jump = useJump();
  if (causes.length === 0)
    return <>Nothing on the plan alone draws that. Unplug part after part behind it: a part that does not sleep, damp in a plug, a wire that leaks, or two things together.</>; // prettier-ignore
  return (
    <ul>
      {causes.map(({ cause, amps }, at) => {
        const subject = drainSubject(design, cause);
        const words = drainWords(design, cause, numbers);
        return (
          <li key={at}>
            {subject ? (
              <button type="button" className={styles.go} onClick={() => jump(subject)}>
                {words}
              </button>
            ) : (
              words
            )}{' '}
            would make it <b className="reading">{smallAmps(amps)}</b>
          </li>
        );
      })}
    </ul>
  );
}
