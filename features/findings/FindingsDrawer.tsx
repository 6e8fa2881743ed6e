'use client';

import { Button, Drawer } from 'antd';
import Link from 'next/link';
import { findingKey, type Finding } from '@/core/analysis/finding';
import { wordFinding } from '@/core/wording/wording';
import { handbookPageOf } from '@/core/handbook/pages';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { stageOf } from '@/features/workspace/stages';
import { useJump } from '@/features/workspace/useJump';
import { Verdict } from '@/ui/Verdict';
import { RemedyButtons } from './RemedyButtons';
import { Prose } from '@/ui/Prose';
import drawer from '@/ui/Drawer.module.css';
import styles from './FindingsDrawer.module.css';

/** Every finding, the worst first: what, why, where, and a change that puts it right. */
export function FindingsDrawer({ onClose }: { onClose(): void }) {
  const findings = useDesign((state) => state.findings);
  const isWhollyJudged = useDesign((state) => state.isWhollyJudged);
  const isEmpty = useDesign(({ analysis }) => analysis.index.devices.size === 0);
  return (
    <Drawer
      open
      title="Findings"
      placement="right"
      size={470}
      onClose={onClose}
      mask={false}
      rootClassName={drawer.root}
      classNames={{ body: styles.body }}
    >
      {!isWhollyJudged && !isEmpty && (
        <p className={styles.none} role="status">
          Still being judged: the network as solved, the days, what shall switch how, the harness and what was read.
        </p>
      )}
      {findings.length === 0 ? (
        <p className={styles.none} hidden={!isWhollyJudged && !isEmpty}>
          {isEmpty
            ? 'Nothing is there to be judged yet.'
            : 'Nothing found. Every wire is guarded, every fuse fits its load, every drop is within its target.'}
        </p>
      ) : (
        <ul className={styles.list}>
          {findings.map((finding) => (
            <FindingCard key={findingKey(finding)} finding={finding} />
          ))}
        </ul>
      )}
    </Drawer>
  );
}

function FindingCard({ finding }: { finding: Finding }) {
  const units = useUnits();
  const design = useDesign((state) => state.design);
  const jump = useJump();
  const { title, message, why } = wordFinding(finding, design, units);
  const stage = stageOf(finding);
  const page = handbookPageOf(finding.rule);
  return (
    <li className={`${styles.card} ${styles[finding.severity]}`}>
      <div className={styles.head}>
        <Verdict severity={finding.severity} />
        <h3>{title}</h3>
      </div>
      <p>{message}</p>
      <p className={styles.why}>
        <Prose text={why} /> {page && <Link href={`/handbook/${page.id}`}>{page.title}</Link>}
      </p>
      <div className={styles.actions}>
        <RemedyButtons finding={finding} main />
        <Button
          size="small"
          onClick={() => jump(stage === 'circuits' && finding.circuitId ? finding.circuitId : finding.subjects[0]!, stage)}
        >
          Show it
        </Button>
      </div>
    </li>
  );
}
