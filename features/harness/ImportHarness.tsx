'use client';

import { useCallback } from 'react';
import { takeHarnessCsv, type CsvLine } from '@/core/formats/harnessCsvIn';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { CsvImport } from '@/ui/CsvImport';

/** A wire schedule or a parts list changed in a spreadsheet, taken in again. */
export function ImportHarness({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const read = useCallback((text: string) => takeHarnessCsv(analysis, text), [analysis]);
  return (
    <CsvImport<CsvLine>
      title="Wires or parts from CSV"
      noun="lines"
      help={
        <p>
          The files saved here, changed in a spreadsheet: wires are found by their number, parts by the column part. Empty cells of wires
          are left as they are; an empty cell of a part takes away what was there. Nothing is added: wires are drawn in Circuits.
        </p>
      }
      read={read}
      columns={[
        { head: 'Which', cell: ({ name }) => name },
        { head: 'Sets', cell: ({ sets }) => sets },
      ]}
      onTake={(change, count) => store.commit(count === 1 ? 'A line from CSV' : `${count} lines from CSV`, () => change)}
      onClose={onClose}
    />
  );
}
