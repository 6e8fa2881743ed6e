'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { Finding, Severity } from '@/core/analysis/finding';
import { useDesign } from '@/features/design/DesignProvider';
import { Verdict } from '@/ui/Verdict';
import { laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';
import { useShortcut } from '@/ui/useShortcut';
import styles from './FindingsButton.module.css';

const FindingsDrawer = laterOver(() => import('./FindingsDrawer').then(({ FindingsDrawer: drawer }) => drawer));

const OPENED_LATER = [FindingsDrawer];

/** Shows how many faults and cautions are open and opens the list of them. */
export function FindingsButton() {
  const faults = useDesign(({ findings }) => countOf(findings, 'fault'));
  const cautions = useDesign(({ findings }) => countOf(findings, 'caution'));
  const isWhollyJudged = useDesign((state) => state.isWhollyJudged);
  // Where there is nothing yet, nothing is well either.
  const isEmpty = useDesign(({ analysis }) => analysis.index.devices.size === 0);
  const [open, setOpen] = useState(false);
  usePreload(OPENED_LATER);
  useShortcut('f', () => setOpen((now) => !now));
  return (
    <>
      <Button
        aria-label={`Findings: ${faults} ${faults === 1 ? 'fault' : 'faults'}, ${cautions} ${cautions === 1 ? 'caution' : 'cautions'}${isWhollyJudged ? '' : ' so far'}`}
        onClick={() => setOpen(true)}
      >
        {faults + cautions === 0 ? (
          !isEmpty && isWhollyJudged && <Verdict severity="ok" />
        ) : (
          <>
            {faults > 0 && <Verdict severity="fault" count={faults} />}
            {cautions > 0 && <Verdict severity="caution" count={cautions} />}
          </>
        )}
        <span>
          Findings
          {!isWhollyJudged && <span className={styles.soFar}> so far</span>}
        </span>
      </Button>
      {open && <FindingsDrawer onClose={() => setOpen(false)} />}
    </>
  );
}

function countOf(findings: readonly Finding[], severity: Severity): number {
  return findings.reduce((count, finding) => (finding.severity === severity ? count + 1 : count), 0);
}
