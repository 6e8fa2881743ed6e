'use client';

import { useMemo, useState } from 'react';
import { otherSchools } from '@/core/analysis/otherSchools';
import { formatAmps, formatConductor, formatPercent, formatRating, formatVolts, MISSING } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import { PRACTICE_WORDS } from '@/features/supply/practice';
import { Verdict } from '@/ui/Verdict';
import { Term } from '@/ui/Prose';
import { Table } from '@/ui/Table';
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
    <Table
      label="The schools side by side"
      columns={[
        {
          head: 'School',
          as: 'name',
          cell: ({ standard }, at) => `${PRACTICE_WORDS.standard[standard]}${at === 0 ? ', this design’s' : ''}`,
        },
        { head: <Term of="Ampacity" text="Carries" />, as: 'figure', cell: ({ ampacity }) => formatAmps(ampacity?.amps ?? null) },
        { head: 'of the table', as: 'figure', cell: ({ ampacity }) => formatAmps(ampacity?.baseA ?? null) },
        { head: <Term of="Voltage drop" text="Drop" />, as: 'figure', cell: ({ dropPercent }) => formatPercent(dropPercent) },
        { head: 'by formula', as: 'figure', cell: ({ formulaDropV }) => (formulaDropV === null ? 'has none' : formatVolts(formulaDropV)) },
        { head: 'real cable', as: 'figure', cell: ({ cableDropV }) => formatVolts(cableDropV) },
        {
          head: 'Would fit',
          as: 'figure',
          cell: ({ choice }) => (choice ? `${formatConductor(choice.conductor)}, ${formatRating(choice.fuseA)}` : MISSING),
        },
        { head: 'As it is', cell: ({ findings }) => <Verdict severity={findings} /> },
      ]}
      rows={schools}
      keyOf={({ standard }) => standard}
      isNarrow
    />
  );
}
