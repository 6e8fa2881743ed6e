'use client';

import { useMemo, useState } from 'react';
import type { ProtectionAnalysis } from '@/core/analysis/types';
import { chainOf, protectionTree } from '@/core/analysis/protectionChain';
import { familyWords } from '@/core/catalog/fuses';
import { nameOf } from '@/core/design/names';
import { wordFinding } from '@/core/wording/wording';
import { endVerdict } from '@/core/sizing/coordination';
import { formatNumber, formatRating, MISSING } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { Prose } from '@/ui/Prose';
import { Verdict } from '@/ui/Verdict';
import { Table } from '@/ui/Table';
import { TimeCurrentChart } from './TimeCurrentChart';
import styles from './ProtectionView.module.css';

/** What is said beside the multiple where it is not well. */
const END_WORDS = { good: '', acceptable: '', slow: ', slow', never: ', never?' };

/** Every fuse and breaker from the battery outwards, and the opening times of the chosen one with those ahead of it. */
export function ProtectionView() {
  const analysis = useDesign((state) => state.analysis);
  const tree = useMemo(() => protectionTree(analysis), [analysis]);
  const [wanted, choose] = useState<string | null>(null);
  const chosen = analysis.protections.has(wanted ?? '') ? wanted! : (tree.find(({ depth }) => depth > 0) ?? tree[0])?.entry.id;
  const chain = chosen ? chainOf(analysis, chosen) : null;
  if (!chain)
    return <p className={styles.nothing}>With a battery and a main fuse, this shows what every fuse must break and which opens first.</p>;
  const name = ({ id, circuitId }: ProtectionAnalysis) => nameOf(analysis.design, circuitId ?? id);
  return (
    <div className={styles.body}>
      <section className={styles.card} aria-label="Fuses and breakers">
        <Table
          columns={[
            {
              head: 'From the battery outwards',
              cell: ({ entry, depth }) => (
                <button
                  type="button"
                  aria-pressed={entry.id === chosen}
                  style={{ marginLeft: 4 + depth * 16 }}
                  onClick={() => choose(entry.id)}
                >
                  {name(entry)}
                </button>
              ),
            },
            { head: 'Rating', as: 'figure', cell: ({ entry }) => formatRating(entry.fuse.ratingA) },
            {
              head: <Prose text="Short-circuit current of breaking capacity" />,
              title: 'Greatest prospective short-circuit current right at it, against what it is made to break',
              as: 'figure',
              look: ({ entry }) => (entry.atA > entry.breaksA ? styles.over : undefined),
              cell: ({ entry }) => `${kiloamps(entry.atA)} of ${kiloamps(entry.breaksA)} kA`,
            },
            {
              head: 'Far-end short',
              title: 'Least prospective short-circuit current at the far end of what it guards, as a multiple of its rating',
              as: 'figure',
              cell: ({ entry: { fuse, endA } }) =>
                endA === null ? MISSING : `${formatNumber(endA / fuse.ratingA, 1)} x${END_WORDS[endVerdict(fuse, endA)]}`,
            },
            {
              head: <Prose text="Selective with the one ahead" />,
              title: 'Up to which current it is certain to open before the one ahead',
              as: 'figure',
              cell: ({ entry: { selectiveToA, atA } }) =>
                selectiveToA === null ? MISSING : selectiveToA >= atA ? 'fully' : `to ${kiloamps(selectiveToA)} kA`,
            },
          ]}
          rows={tree}
          keyOf={({ entry }) => entry.id}
          lookOf={({ entry }) => (entry.id === chosen ? styles.chosen : undefined)}
          className={styles.table}
        />
      </section>
      <section className={styles.card} aria-label="Opening times">
        <h3>
          {name(chain.links[0]!)}
          <small>
            {' '}
            {formatRating(chain.links[0]!.fuse.ratingA)} {familyWords(chain.links[0]!.fuse.family)}
          </small>
        </h3>
        <TimeCurrentChart chain={chain} nameOf={(id) => nameOf(analysis.design, id)} />
        <ChainFindings protectionId={chosen!} blockId={chain.links[0]!.fuse.mount?.blockId ?? null} />
      </section>
    </div>
  );
}

function kiloamps(amps: number): string {
  return formatNumber(amps / 1000, 1);
}

/** What the rules found about the chosen one, in words. */
function ChainFindings({ protectionId, blockId }: { protectionId: string; blockId: string | null }) {
  const units = useUnits();
  const design = useDesign((state) => state.design);
  const findings = useDesign((state) => state.findings);
  const about = findings.filter(({ subjects: [first] }) => first === protectionId || (blockId !== null && first === blockId));
  if (about.length === 0)
    return (
      <p className={styles.well}>
        Its breaking capacity suffices, it clears a short at the far end before the wire overheats, and it is selective with the one ahead.
      </p>
    );
  return (
    <ul className={styles.findings}>
      {about.map((finding) => {
        const { title, message, why } = wordFinding(finding, design, units);
        return (
          <li key={finding.rule}>
            <Verdict severity={finding.severity} /> <b>{title}.</b> {message} <span className={styles.why}>{why}</span>
          </li>
        );
      })}
    </ul>
  );
}
