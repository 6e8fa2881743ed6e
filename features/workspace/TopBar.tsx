'use client';

import { Button, Tooltip } from 'antd';
import { CircleHelp, Moon, Redo2, Search, Sun, Undo2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { updateRecords } from '@/core/design/change';
import { SETTINGS_ID, type UnitSystem } from '@/core/catalog/vocabulary';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import type { SaveState } from '@/features/design/sending';
import { FindingsButton } from '@/features/findings/FindingsButton';
import { useTheme } from '@/ui/ThemeProvider';
import { laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';
import { useShortcut } from '@/ui/useShortcut';
import { DesignName } from './DesignName';
import { useViewQuery } from '@/features/design/useViewQuery';
import { FittedButton } from './FittedButton';
import { STAGES } from './stages';
import { focusStage } from './useKeptFocus';
import styles from './TopBar.module.css';

const FindDialog = laterOver(() => import('@/features/find/FindDialog').then(({ FindDialog: dialog }) => dialog));
const ShortcutsDialog = laterOver(() => import('./ShortcutsDialog').then(({ ShortcutsDialog: dialog }) => dialog));

const OPENED_LATER = [FindDialog, ShortcutsDialog];

/** The design's name and state, undo, units, theme, find, shortcuts and findings. */
export function TopBar() {
  const store = useDesignStore();
  const router = useRouter();
  const id = useDesign((state) => state.id);
  const { theme, setTheme } = useTheme();
  const viewQuery = useViewQuery();
  const [dialog, setDialog] = useState<'find' | 'shortcuts' | null>(null);
  usePreload(OPENED_LATER);

  useHotkeys('mod+z', () => void store.step('undo'), { preventDefault: true, enableOnFormTags: false, useKey: true });
  useHotkeys('mod+shift+z, mod+y', () => void store.step('redo'), { preventDefault: true, useKey: true });
  // Either may need Shift, by the keyboard's layout.
  useShortcut('/, shift+/', () => setDialog('find'), { preventDefault: true });
  useShortcut('?, shift+?', () => setDialog('shortcuts'), { preventDefault: true });
  for (const stage of STAGES) {
    // eslint-disable-next-line react-hooks/rules-of-hooks -- the list of stages is fixed, so the order of hooks is too
    useShortcut(`g>${stage.key}`, () => router.push(`/d/${id}/${stage.id}`));
  }
  useShortcut('g>t', focusStage, { preventDefault: true });
  useShortcut('g>p', () => router.push(`/d/${id}/report${viewQuery}`));
  useShortcut('g>h', () => router.push('/'));

  return (
    <header className={styles.bar}>
      <DesignName />
      <SaveNote />
      <span className={styles.tools}>
        <UndoRedo />
        <Tooltip title="Find anything (/)">
          <Button type="text" aria-label="Find" icon={<Search size={18} />} onClick={() => setDialog('find')} />
        </Tooltip>
        <UnitSwitch />
        <Tooltip title={theme === 'night' ? 'Daylight' : 'Night, for a dark vehicle'}>
          <Button
            type="text"
            aria-label={theme === 'night' ? 'Light theme' : 'Night theme'}
            icon={theme === 'night' ? <Sun size={18} /> : <Moon size={18} />}
            onClick={() => setTheme(theme === 'night' ? 'light' : 'night')}
          />
        </Tooltip>
        <Tooltip title="Keyboard shortcuts (?)">
          <Button
            type="text"
            className={styles.keys}
            aria-label="Keyboard shortcuts"
            icon={<CircleHelp size={18} />}
            onClick={() => setDialog('shortcuts')}
          />
        </Tooltip>
        <FittedButton />
        <FindingsButton />
      </span>
      {dialog === 'find' && <FindDialog onClose={() => setDialog(null)} />}
      {dialog === 'shortcuts' && <ShortcutsDialog onClose={() => setDialog(null)} />}
    </header>
  );
}

/** Reads only the words, so that a run of like edits draws nothing again. */
function UndoRedo() {
  const store = useDesignStore();
  const undo = useDesign(({ history }) => history.undo?.label);
  const redo = useDesign(({ history }) => history.redo?.label);

  return (
    <>
      <Tooltip rootClassName={styles.tip} title={undo === undefined ? 'Nothing to undo' : `Undo: ${undo}`}>
        <Button
          type="text"
          aria-label="Undo"
          icon={<Undo2 size={18} />}
          disabled={undo === undefined}
          onClick={() => void store.step('undo')}
        />
      </Tooltip>
      <Tooltip rootClassName={styles.tip} title={redo === undefined ? 'Nothing to redo' : `Redo: ${redo}`}>
        <Button
          type="text"
          aria-label="Redo"
          icon={<Redo2 size={18} />}
          disabled={redo === undefined}
          onClick={() => void store.step('redo')}
        />
      </Tooltip>
    </>
  );
}

function UnitSwitch() {
  const store = useDesignStore();
  const units = useUnits();
  const setUnits = (next: UnitSystem) =>
    store.commit(`Show ${next === 'metric' ? 'metric' : 'US'} units`, (design) =>
      updateRecords(design, [{ id: SETTINGS_ID, set: { units: next } }]),
    );
  return (
    <span className={styles.units} role="group" aria-label="Units">
      {(['metric', 'us'] as const).map((system) => (
        <button key={system} type="button" aria-pressed={units === system} onClick={() => setUnits(system)}>
          {system === 'metric' ? 'm' : 'ft'}
        </button>
      ))}
    </span>
  );
}

const SAVE_WORDS: Record<SaveState, ReactNode> = {
  saved: 'Saved',
  saving: 'Saving…',
  unreachable: 'Server not reached: edits are kept here and sent when it answers',
  busy: 'The store is busy or its disk is full: edits are kept here and sent again',
  failed: 'The server failed on an edit: it is kept here and tried again',
  locked: (
    <>
      The server asks for the password: edits are kept here.{' '}
      <a href="/enter" target="_blank">
        Give it
      </a>
    </>
  ),
  behind: 'The server’s copy is older than this page: edits are kept here. Reload to go on from it',
};

function SaveNote() {
  const saveState = useDesign((state) => state.saveState);
  const isKept = saveState !== 'saved' && saveState !== 'saving';
  return (
    <span className={`${styles.save} ${isKept ? styles.unsent : ''}`} role="status" data-save={saveState}>
      {SAVE_WORDS[saveState]}
    </span>
  );
}
