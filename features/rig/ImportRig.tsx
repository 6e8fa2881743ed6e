'use client';

import { useCallback } from 'react';
import { readRigCsv } from '@/core/formats/rigCsv';
import { inWords } from '@/core/formats/faultWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { CsvImport } from '@/ui/CsvImport';

/** Places or routes from CSV. */
export function ImportRig({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const read = useCallback((text: string) => inWords(readRigCsv(text, design)), [design]);
  return (
    <CsvImport
      title="Take places or routes from CSV"
      noun="row"
      help={
        <p>
          Places: <code>place, zone, from front, from left, height, free behind, behind</code>. Routes:{' '}
          <code>route, from, to, kind, measured, inside</code>. Bare numbers are millimetres; 3.4 m or 11 ft 2 in may be written too. One of
          a name that is there already is changed.
        </p>
      }
      read={read}
      columns={[
        { head: 'Name', cell: ({ name }) => name },
        { head: 'Where', cell: ({ says }) => says },
      ]}
      onTake={(change, what) => store.commit(`Take ${what} from CSV`, () => change)}
      onClose={onClose}
    />
  );
}
