'use client';

import { useCallback } from 'react';
import { readLoadsCsv } from '@/core/formats/loadsCsv';
import { inWords } from '@/core/formats/faultWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { CsvImport } from '@/ui/CsvImport';

/** Loads from CSV. */
export function ImportLoads({ pasted = '', onClose }: { pasted?: string; onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const read = useCallback(
    (text: string) => {
      const reading = readLoadsCsv(text, design);
      const notes = [
        reading.guessed !== null &&
          `No headings, so by what stands in them: ${reading.guessed}. Put a heading line above if that is wrong.`,
        reading.ignored.length > 0 && `Left out, not understood: ${reading.ignored.join(', ')}.`,
        reading.newZones.length > 0 && `New zones: ${reading.newZones.join(', ')}.`,
      ];
      return { ...inWords(reading), notes: notes.filter((note) => note !== false) };
    },
    [design],
  );
  return (
    <CsvImport
      title="Take loads from a list"
      noun="load"
      pasted={pasted}
      help={
        <p>
          A heading line, then a load a line: <code>name, zone, quantity, rated, volts, measured, when, hours, share, lasting, kind</code>.
          Headings in other words are recognised, and so are lines with none, as “Reading light 3 W” or “Heater 200 W 30 % 12 h”. Only a
          name is needed.
        </p>
      }
      read={read}
      columns={[
        { head: 'Load', cell: ({ name }) => name },
        { head: 'Zone', cell: ({ zone }) => zone },
        { head: 'Pcs', as: 'figure', cell: ({ quantity }) => quantity },
        { head: 'Rated, each', as: 'figure', cell: ({ rated }) => rated },
        { head: 'h a day', as: 'figure', cell: ({ hours }) => hours },
        { head: 'Taken for', cell: ({ kind }) => kind },
      ]}
      onTake={(change, what) => store.commit(`Take ${what} from CSV`, () => change)}
      onClose={onClose}
    />
  );
}
