'use client';

import { Button } from 'antd';
import { useDeferredValue, useMemo } from 'react';
import { deviceOf } from '@/core/design/design';
import type { Analysis } from '@/core/analysis/types';
import { remediesFor } from '@/core/advice/remedies';
import { soundRemedies } from '@/core/advice/soundRemedies';
import type { Finding } from '@/core/analysis/finding';
import { whyNoCircuit } from '@/core/switching/ownCircuit';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import styles from './FindingsDrawer.module.css';

/** What puts a finding right, a click each. Each is tried before it is offered, a moment after the rest of the page is drawn. */
export function RemedyButtons({ finding, main = false }: { finding: Finding; main?: boolean }) {
  const store = useDesignStore();
  const analysis = useDeferredValue(useDesign((state) => state.analysis));
  const about = useDeferredValue(finding);
  const remedies = useMemo(() => soundRemedies(analysis, about), [analysis, about]);
  const why = useMemo(() => (remedies.length > 0 ? null : whyNone(analysis, about)), [analysis, about, remedies.length]);
  if (why !== null) return <span className={styles.noRemedy}>{why}</span>;
  return remedies.map(({ label, change }) => (
    <Button key={label} size="small" type={main ? 'primary' : 'default'} onClick={() => store.commit(label, () => change)}>
      {label}
    </Button>
  ));
}

/** Why a finding that has remedies as a rule is offered none here; null where only a person can decide anyway. */
function whyNone(analysis: Analysis, finding: Finding): string | null {
  const load = finding.rule === 'load.noCircuit' ? deviceOf(analysis.design, finding.subjects[0] ?? '', 'load') : undefined;
  const why = load && whyNoCircuit(analysis.design, load);
  if (why) return `No circuit of its own: ${why}.`;
  return remediesFor(analysis, finding).length > 0
    ? 'No single step mends this without breaking another rule: look at the circuit as a whole.'
    : null;
}
