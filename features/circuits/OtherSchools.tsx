'use client';

import { useMemo, useState } from 'react';
import { otherSchools } from '@/core/analysis/otherSchools';
import { formatAmps, formatConductor, formatPercent, formatRating, formatVolts, MISSING } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import { PRACTICE_WORDS } from '@/features/supply/practice';
import { Verdict } from '@/ui/Verdict';
import { Term } from '@/ui/Prose';
import styles from './StripDetail.module.css';

/** The same circuit by every school of conductors, side by side, once it is asked for. */
export function OtherSchools({ circuitId }: { circuitId: string }) {
  const [open, setOpen] = useState(false);
  return (
    <details className={styles.schools} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>What would the other schools say?</summary>
      {open && <SchoolTable circuitId={circuitId} />}
    </details>
  );
}

function SchoolTable({ circuitId }: { circuitId: string }) {
  const analysis = useDesign((state) => state.analysis);
  const schools = useMemo(() => otherSchools(analysis, circuitId), [analysis, circuitId]);
  return (
    <table aria-label="The schools side by side">
      <thead>
        <tr>
          <th scope="col">School</th>
          <th scope="col">
            <Term of="Ampacity" text="Carries" />
          </th>
          <th scope="col">of the table</th>
          <th scope="col">
            <Term of="Voltage drop" text="Drop" />
          </th>
          <th scope="col">by formula</th>
          <th scope="col">real cable</th>
          <th scope="col">Would fit</th>
          <th scope="col">As it is</th>
        </tr>
      </thead>
      <tbody>
        {schools.map(({ standard, ampacity, dropPercent, formulaDropV, cableDropV, choice, findings }, at) => (
          <tr key={standard}>
            <th scope="row">
              {PRACTICE_WORDS.standard[standard]}
              {at === 0 && ', this design’s'}
            </th>
            <td className="reading">{formatAmps(ampacity?.amps ?? null)}</td>
            <td className="reading">{formatAmps(ampacity?.baseA ?? null)}</td>
            <td className="reading">{formatPercent(dropPercent)}</td>
            <td className="reading">{formulaDropV === null ? 'has none' : formatVolts(formulaDropV)}</td>
            <td className="reading">{formatVolts(cableDropV)}</td>
            <td className="reading">{choice ? `${formatConductor(choice.conductor)}, ${formatRating(choice.fuseA)}` : MISSING}</td>
            <td>
              <Verdict severity={findings} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
