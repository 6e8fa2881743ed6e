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
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">From the battery outwards</th>
              <th scope="col">Rating</th>
              <th scope="col" title="Greatest prospective short-circuit current right at it, against what it is made to break">
                <Prose text="Short-circuit current of breaking capacity" />
              </th>
              <th scope="col" title="Least prospective short-circuit current at the far end of what it guards, as a multiple of its rating">
                Far-end short
              </th>
              <th scope="col" title="Up to which current it is certain to open before the one ahead">
                <Prose text="Selective with the one ahead" />
              </th>
            </tr>
          </thead>
          <tbody>
            {tree.map(({ entry, depth }) => (
              <tr key={entry.id} data-chosen={entry.id === chosen || undefined}>
                <td style={{ paddingLeft: 4 + depth * 16 }}>
                  <button type="button" aria-pressed={entry.id === chosen} onClick={() => choose(entry.id)}>
                    {name(entry)}
                  </button>
                </td>
                <td className="reading">{formatRating(entry.fuse.ratingA)}</td>
                <td className="reading" data-over={entry.atA > entry.breaksA || undefined}>
                  {kiloamps(entry.atA)} of {kiloamps(entry.breaksA)} kA
                </td>
                <td className="reading">
                  {entry.endA === null
                    ? MISSING
                    : `${formatNumber(entry.endA / entry.fuse.ratingA, 1)} x${END_WORDS[endVerdict(entry.fuse, entry.endA)]}`}
                </td>
                <td className="reading">
                  {entry.selectiveToA === null
                    ? MISSING
                    : entry.selectiveToA >= entry.atA
                      ? 'fully'
                      : `to ${kiloamps(entry.selectiveToA)} kA`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
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
