'use client';

import { Button, Select } from 'antd';
import { useMemo } from 'react';
import { circuitSaid } from '@/core/analysis/circuitSaid';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { sameRecord } from '@/core/design/change';
import { deviceOf } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import { DARK_SHARE, LAMP_W, partedAt, type BlowCause, type BlowsWhen, type LampTest, type NextTest } from '@/core/diagnosis/blows';
import type { Moved } from '@/core/diagnosis/foresee';
import { movesFor } from '@/core/diagnosis/moves';
import { formatNumber } from '@/core/units/quantity';
import { movesWords } from '@/core/wording/benchWords';
import { blowWords, partingWords } from '@/core/wording/blowWords';
import { worthWords } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';
import { Causes } from './Causes';
import { useDiagnosis } from './useDiagnosis';
import { NOTHING_SEEN, useLampTests } from './useLampTests';
import { useWireNumbers } from './useWireNumbers';
import shared from '../harness/Harness.module.css';
import styles from './Test.module.css';

interface BlowsViewProps {
  circuit: CircuitAnalysis;
  /** What lights all of the circuit. */
  moved: readonly Moved[];
}

const WHEN: { value: BlowsWhen; label: string }[] = [
  { value: 'atOnce', label: 'at once' },
  { value: 'switchedOn', label: 'as something is switched on' },
  { value: 'later', label: 'after a while' },
  { value: 'moving', label: 'on the road' },
];

/** Places to take apart that are offered. */
const MOST_OFFERED = 3;
/** Of the nominal voltage, up to which a lamp but glows. Common practice. */
const GLOWS_SHARE = 0.6;

/** A fuse that blows: when it does, and what a lamp in its place shows as the circuit is taken apart, lead to the place. */
export function BlowsView({ circuit, moved: allOn }: BlowsViewProps) {
  const designId = useDesign((state) => state.id);
  const design = useDesign((state) => state.design);
  const analysis = useDesign((state) => state.analysis);
  const { index, wiring } = analysis;
  const fuse = deviceOf(design, circuit.protectionId, 'protection');
  const said = useMemo(() => fuse && circuitSaid(analysis, fuse), [analysis, fuse]);
  const numbers = useWireNumbers();
  const [notes, setNotes] = useLampTests(designId, circuit.protectionId);
  const { when } = notes;
  const loadId = notes.loadId !== null && circuit.loadIds.includes(notes.loadId) ? notes.loadId : (circuit.loadIds[0] ?? null);
  const moved = useMemo(() => {
    if (when === 'atOnce') return [];
    return when === 'switchedOn' && loadId !== null ? movesFor(index, wiring, [loadId]) : allOn;
  }, [index, wiring, when, loadId, allOn]);
  // What was lifted and is not there any more tells nothing.
  const tests = notes.tests.filter(({ parting }) => !parting || index.wires.some(({ id }) => id === parting.wireId));
  const { answer, isNew } = useDiagnosis(
    when && said && moved && { ask: 'blows', fuseId: circuit.protectionId, moved, said, observed: { when, tests } },
  );
  const blown = when && moved && answer && 'blown' in answer ? answer.blown : null;
  // Looked at again, it is what was seen last.
  const take = (test: LampTest) =>
    setNotes({ ...notes, tests: [...tests.filter(({ parting }) => !sameRecord(parting, test.parting)), test] });
  return (
    <div className={shared.view} role="region" aria-label="Why the fuse blows" tabIndex={0}>
      <div className={styles.seen}>
        <span className={styles.load}>
          It goes
          <Select<BlowsWhen>
            aria-label="When the fuse goes"
            placeholder="when does it go?"
            value={when}
            style={{ width: 230 }}
            options={WHEN}
            onChange={(value) => setNotes({ ...NOTHING_SEEN, loadId, when: value })}
          />
        </span>
        {when === 'switchedOn' && (
          <Select
            aria-label="What is switched on"
            value={loadId}
            style={{ minWidth: 220 }}
            options={circuit.loadIds.map((id) => ({ value: id, label: nameOf(design, id) }))}
            onChange={(id) => setNotes({ when, loadId: id, tests: [] })}
          />
        )}
      </div>
      <p className={shared.soft}>
        Isolate. The fuse out, a lamp of {LAMP_W} W across its two contacts, then the battery on: the lamp lets no more flow than it takes
        itself, and is bright only while there is a short; flickering counts as bright. Off again before a wire is lifted; each is joined
        again before the next. It gets hot. A larger fuse to try is how wires burn.
      </p>
      {when === null && <p>Say when it goes, and the likeliest causes stand here.</p>}
      {moved === null && loadId !== null && (
        <p>No way to light {nameOf(design, loadId)} was found, so nothing can be said of it switched on. Switching shows why.</p>
      )}
      {when !== null && moved && !blown && !(answer && 'problem' in answer) && <p role="status">Trying every place it may touch …</p>}
      {answer && 'problem' in answer && <p role="alert">{answer.problem}</p>}
      {blown && moved && (
        <>
          <p className={styles.do}>
            Do this: <b>{movesWords(design, moved)}</b>.{' '}
            {isNew && (
              <>
                With nothing wrong the lamp then has about <b className="reading">{formatNumber(blown.soundV, 1)} V</b> over it:{' '}
                {glowWords(blown.soundV / index.settings.nominalV)}.
              </>
            )}
          </p>
          <div className={styles.answer} data-new={isNew}>
            <section aria-label="What is likely wrong">
              <h3>What is likely wrong</h3>
              <Causes
                causes={blown.ranked.map(({ cause, probability }) => ({
                  probability,
                  words: blowWords(design, cause, circuit.protectionId, numbers),
                  subject: subjectOf(cause, circuit.protectionId),
                }))}
              />
            </section>
            <section aria-label="Look at the lamp next">
              <h3>Look at the lamp next</h3>
              {blown.next.length === 0 && <p>Taking apart tells no more. Mend what is likeliest and prove it.</p>}
              <ol className={styles.measures}>
                {/* Each stays where it is, and what has focus with it, while what it asks changes. */}
                {blown.next.slice(0, MOST_OFFERED).map((next, at) => (
                  <Next key={at} next={next} words={partingWords(design, next, numbers)} isNew={isNew} onSeen={take} />
                ))}
              </ol>
            </section>
          </div>
        </>
      )}
      {tests.length > 0 && (
        <section aria-label="What the lamp did" className={styles.taken}>
          <h3>
            What the lamp did{' '}
            <Button size="small" onClick={() => setNotes(NOTHING_SEEN)}>
              Mended: begin anew
            </Button>
          </h3>
          <ul>
            {tests.map((test, at) => (
              <li key={at}>
                <b>{test.bright ? 'bright' : 'dark'}</b> {testWords(test)}
                <Button size="small" onClick={() => setNotes({ ...notes, tests: tests.filter((one) => one !== test) })}>
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );

  function testWords({ parting }: LampTest): string {
    if (!parting) return partingWords(design, { parting, at: null }, numbers);
    const wire = index.wires.find(({ id }) => id === parting.wireId)!;
    return partingWords(design, { parting, at: partedAt(wiring, wire, parting.end) }, numbers);
  }
}

function subjectOf(cause: BlowCause, fuseId: string): string {
  return cause.kind === 'wire' ? cause.wireId : cause.kind === 'part' ? cause.deviceId : fuseId;
}

function glowWords(share: number): string {
  if (share < DARK_SHARE) return 'dark';
  return share < GLOWS_SHARE ? 'it glows' : 'nearly bright; unplug what takes most first';
}

interface NextProps {
  next: NextTest;
  words: string;
  /** Whether it is asked with all that was said so far. */
  isNew: boolean;
  onSeen(test: LampTest): void;
}

function Next({ next: { parting, bits, minutes }, words, isNew, onSeen }: NextProps) {
  return (
    <li>
      <span className={styles.where}>{words}</span>
      <span className={styles.lamp} role="group" aria-label={`The lamp with ${words}`}>
        <Button aria-disabled={!isNew} onClick={() => isNew && onSeen({ parting, bright: true })}>
          bright
        </Button>
        <Button aria-disabled={!isNew} onClick={() => isNew && onSeen({ parting, bright: false })}>
          dark
        </Button>
      </span>
      <small>
        {worthWords(bits)}, about {minutes} min
      </small>
    </li>
  );
}
