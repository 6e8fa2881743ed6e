'use client';

import { Button, Checkbox } from 'antd';
import { Trash2 } from 'lucide-react';
import { LIMITS } from '@/core/catalog/vocabulary';
import type { Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import { nameOf } from '@/core/design/names';
import type { LogEvent, ReadingRecord } from '@/core/design/schema';
import type { Diagnosis } from '@/core/diagnosis/diagnose';
import { unitOf } from '@/core/diagnosis/readings';
import { sameRepair, subjectsOf, type Flaw } from '@/core/diagnosis/flaws';
import { today } from '@/core/units/days';
import { formatNumber } from '@/core/units/quantity';
import { flawWords, measurementWords, type WireNumbers } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { Causes } from './Causes';
import { NOTHING_FOUND, type FindNotes } from './useFindNotes';
import styles from './Test.module.css';

interface SuspectsProps {
  diagnosis: Diagnosis;
  numbers: WireNumbers;
  notes: FindNotes;
  onNotes(notes: FindNotes): void;
  taken: readonly ReadingRecord[];
}

/** What is likely wrong: to be mended, or looked at and found sound. */
export function Suspects({ diagnosis: { ranked, isOutside }, numbers, notes, onNotes, taken }: SuspectsProps) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const mended = (flaw: Flaw) => {
    const { fault, where, cure, proof } = flawWords(design, flaw, numbers);
    const read = taken.map(({ what, value }) => `${formatNumber(value, 2)} ${unitOf(what)} ${measurementWords(design, what, numbers)}`);
    const refused = commit('Mended', (now) => {
      const edit = new Edit(now);
      edit.add(repairOf(design, flaw, [`${fault}: ${where}.`, cure, ...(read.length > 0 ? [`Read: ${read.join('; ')}.`] : [])]));
      taken.forEach(({ id }) => edit.remove(id));
      return edit.change;
    });
    if (refused === null) onNotes({ ...NOTHING_FOUND, should: notes.should, mended: proof });
  };
  const found = (flaw: Flaw, isSound: boolean) => {
    const key = sameRepair(flaw);
    onNotes({ ...notes, sound: isSound ? [...notes.sound, key] : notes.sound.filter((one) => one !== key) });
  };
  return (
    <section aria-label="What is likely wrong">
      <h3>What is likely wrong</h3>
      {isOutside && (
        <p role="alert">
          Nothing in the plan explains all of this. Look for what the plan does not have: another feed, a part wired otherwise, a meter on
          the wrong range.
        </p>
      )}
      {refusal}
      <Causes
        causes={ranked.map(({ flaw, probability }, at) => {
          const words = flawWords(design, flaw, numbers);
          const isSound = notes.sound.includes(sameRepair(flaw));
          return {
            probability,
            words,
            subject: subjectsOf(flaw)[0] ?? null,
            buttons: flaw.kind !== 'none' && (
              <span className={styles.said}>
                {at === 0 && probability > 0.5 && (
                  <Button size="small" aria-label={`Mended: ${words.fault}, ${words.where}`} onClick={() => mended(flaw)}>
                    Mended
                  </Button>
                )}
                <Checkbox
                  aria-label={`Looked at and sound: ${words.fault}, ${words.where}`}
                  checked={isSound}
                  onChange={({ target }) => found(flaw, target.checked)}
                >
                  looked at, sound
                </Checkbox>
              </span>
            ),
          };
        })}
      />
      <Sound
        flaws={ranked.map(({ flaw }) => flaw).filter((flaw) => notes.sound.includes(sameRepair(flaw)))}
        numbers={numbers}
        onTakeBack={(flaw) => found(flaw, false)}
      />
    </section>
  );
}

interface SoundProps {
  flaws: readonly Flaw[];
  numbers: WireNumbers;
  onTakeBack(flaw: Flaw): void;
}

/** What was looked at and found sound, however far down the list it is by now; each to be taken back. */
function Sound({ flaws, numbers, onTakeBack }: SoundProps) {
  const design = useDesign((state) => state.design);
  if (flaws.length === 0) return null;
  return (
    <ul aria-label="Looked at and sound" className={styles.sound}>
      {flaws.map((flaw) => {
        const { fault, where } = flawWords(design, flaw, numbers);
        return (
          <li key={sameRepair(flaw)}>
            not {fault}: {where}
            <Button
              size="small"
              aria-label={`Not looked at: ${fault}, ${where}`}
              icon={<Trash2 size={14} />}
              onClick={() => onTakeBack(flaw)}
            />
          </li>
        );
      })}
    </ul>
  );
}

/** The line a repair is kept by, with what it is about. */
function repairOf(design: Design, flaw: Flaw, text: readonly string[]): LogEvent {
  return {
    ...{ id: newId('event'), type: 'event', kind: 'repair', on: today(), text: text.join(' ').slice(0, LIMITS.noteLength) },
    about: subjectsOf(flaw).map((id) => ({ id, name: nameOf(design, id).slice(0, LIMITS.nameLength) })),
  };
}
