'use client';

import { useCallback } from 'react';
import { takeHarnessCsv } from '@/core/formats/harnessCsvIn';
import { inWords } from '@/core/formats/faultWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { CsvImport } from '@/ui/CsvImport';

/** A wire schedule or a parts list changed in a spreadsheet, taken in again. */
export function ImportHarness({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const read = useCallback(
    (text: string) => {
      const taken = takeHarnessCsv(analysis, text);
      return { ...inWords(taken), notes: taken.same > 0 ? [sameWords(taken.same)] : [] };
    },
    [analysis],
  );
  return (
    <CsvImport
      title="Wires or parts from CSV"
      noun="line"
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
      onTake={(change, what) => store.commit(`Take ${what} from CSV`, () => change)}
      onClose={onClose}
    />
  );
}

function sameWords(lines: number): string {
  return lines === 1 ? 'One line says what is there already.' : `${lines} lines say what is there already.`;
}
