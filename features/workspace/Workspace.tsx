'use client';

import { useEffect, type ReactNode } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { SendPhotos } from '@/features/test/SendPhotos';
import { ApartNote } from './ApartNote';
import { KeepOffline } from './KeepOffline';
import { MeterBar } from './MeterBar';
import { Notices } from './Notices';
import { NowNote } from './NowNote';
import { Stem } from './Stem';
import { TopBar } from './TopBar';
import { focusStage, useKeptFocus } from './useKeptFocus';
import { useNetworkFindings } from './useNetworkFindings';
import styles from './Workspace.module.css';

/** The frame of an open design: the stem, the top bar, the stage, the meter bar. */
export function Workspace({ designId, children }: { designId: string; children: ReactNode }) {
  const unsent = useDesign(({ saveState }) => saveState !== 'saved' && saveState !== 'saving');
  useEffect(() => {
    if (!unsent) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [unsent]);
  useKeptFocus();
  return (
    <div className={styles.frame}>
      <button type="button" className={styles.skip} onClick={focusStage}>
        Skip to the work
      </button>
      <Stem designId={designId} />
      <TopBar />
      <div className={styles.notes}>
        <NowNote />
        <ApartNote />
      </div>
      <main className={styles.stage} tabIndex={-1}>
        {children}
      </main>
      <MeterBar />
      <Notices />
      <NetworkWatch />
      <KeepOffline designId={designId} />
      <SendPhotos />
    </div>
  );
}

/** Apart from the frame, which would else be drawn again at every change. */
function NetworkWatch(): null {
  useNetworkFindings();
  return null;
}
