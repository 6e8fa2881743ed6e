'use client';

import { useMemo } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { jointsOf } from '@/core/analysis/joints';
import { formatConductor, formatNumber } from '@/core/units/quantity';
import { adviceWords } from '@/core/wording/traitWords';
import { useDesign } from '@/features/design/DesignProvider';

/** What has to be ended and joined in a circuit, in a sentence or two. */
export function JointsNote({ circuit }: { circuit: CircuitAnalysis }) {
  const analysis = useDesign((state) => state.analysis);
  const { ends, rowJoints, asking } = useMemo(() => jointsOf(analysis, circuit), [analysis, circuit]);
  if (ends.length === 0) return null;
  return (
    <p>
      {ends.map(({ conductor, count, terminal, pullN }) => (
        <span key={conductor}>
          {count} ends of {formatConductor(conductor)}:{' '}
          {terminal === 'none' ? (
            <b>between blue and yellow, no insulated terminal fits</b>
          ) : terminal === 'lug' ? (
            'lugs with a die of their own'
          ) : (
            `${terminal} terminals`
          )}
          {pullN !== null && `, to stand ${formatNumber(pullN, 0)} N`}.{' '}
        </span>
      ))}
      {rowJoints > 0 && `${rowJoints} three-way joints in its rows. `}
      {asking.length > 0 && `Where it passes: ${adviceWords(asking)}. `}
    </p>
  );
}
