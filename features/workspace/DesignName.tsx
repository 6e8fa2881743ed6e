'use client';

import { useState } from 'react';
import { updateRecords } from '@/core/design/change';
import { SETTINGS_ID } from '@/core/catalog/vocabulary';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { nameProblem } from '@/ui/nameProblem';
import { WindowTitle } from '@/ui/WindowTitle';
import { useStage } from './useStage';
import styles from './TopBar.module.css';

/** The design's name, edited where it stands; the window has it too, behind the stage it shows. */
export function DesignName() {
  const store = useDesignStore();
  const name = useDesign(({ analysis }) => analysis.index.settings.name);
  const [draft, setDraft] = useState<string | null>(null);
  const stage = useStage();

  const problem = draft === null ? null : nameProblem(draft);

  const finish = () => {
    const wanted = draft?.trim();
    if (wanted !== undefined && nameProblem(wanted) !== null) return;
    setDraft(null);
    if (wanted && wanted !== name)
      store.commit(`Rename to ${wanted}`, (design) => updateRecords(design, [{ id: SETTINGS_ID, set: { name: wanted } }]));
  };
  return (
    <h1 style={{ font: 'inherit' }}>
      <WindowTitle says={stage ? [stage.name, name] : [name]} />
      <input
        className={styles.name}
        aria-label="Name of the design"
        value={draft ?? name}
        aria-invalid={problem !== null}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') setDraft(null);
        }}
      />
      {problem && (
        <small role="alert" className={styles.nameProblem}>
          {problem}
        </small>
      )}
    </h1>
  );
}
