'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { touchedIds } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import { choiceApart, doneApart, dropApart, keepApart } from '@/core/design/options';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import styles from './NowNote.module.css';

/** Says that one option is being worked on by itself, so that what is edited is not in the others. */
export function ApartNote() {
  const design = useDesign((state) => state.whole);
  const { commit, refusal } = useRefusal();
  const choice = useMemo(() => choiceApart(design), [design]);
  const count = useMemo(() => (choice ? touchedIds(doneApart(design, choice)).length : 0), [design, choice]);
  if (!choice) return null;
  const name = nameOf(design, choice.standingId);
  return (
    <div role="note" className={styles.note}>
      <span>
        <strong>‘{name}’ alone.</strong> What you change now is this option’s; the others of ‘{choice.name}’ stay as they are. Changed so
        far: {count === 1 ? 'one thing' : count === 0 ? 'nothing' : `${count} things`}.{refusal}
      </span>
      <span className={styles.buttons}>
        <Button size="small" onClick={() => commit(`Put back ${name}`, (now) => dropApart(now, choice.id))}>
          Put it back
        </Button>
        <Button
          size="small"
          type="primary"
          onClick={() =>
            commit(`Keep ${name}`, (now) => {
              const edit = new Edit(now);
              keepApart(edit, choice.id);
              return edit.change;
            })
          }
        >
          It is done
        </Button>
      </span>
    </div>
  );
}
