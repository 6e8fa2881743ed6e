import type { Margin } from '@/core/analysis/margins';
import { formatAmps, formatNumber, formatPercent } from '@/core/units/quantity';
import { Table } from '@/ui/Table';
import styles from './Margins.module.css';

const WORDS: Record<Margin['limit'], string> = {
  ampacity: 'Current against the wire',
  fuseByWire: 'Fuse against the wire',
  continuous: '125 % of continuous load against the fuse',
  drop: 'Drop against its target',
  endClearing: 'Times the rating in a short at the far end',
  breaking: 'Dead short against what its chain breaks',
};

/** How much of each limit is used up, as bars: full is at the limit. */
export function Margins({ margins }: { margins: readonly Margin[] }) {
  return (
    <Table
      label="Margins"
      columns={[
        { as: 'name', cell: ({ limit }) => WORDS[limit] },
        {
          look: styles.cell,
          cell: ({ share }) => (
            <span className={styles.bar} aria-hidden>
              <span data-over={share > 1 + 1e-9 || undefined} style={{ width: `${Math.min(100, share * 100)}%` }} />
            </span>
          ),
        },
        {
          as: 'figure',
          cell: ({ limit, used, of, unit }) =>
            limit === 'endClearing' ? `${inUnit(of, unit)}, needs ${inUnit(used, unit)}` : `${inUnit(used, unit)} of ${inUnit(of, unit)}`,
        },
      ]}
      rows={margins}
      keyOf={({ limit }) => limit}
      className={styles.margins}
    />
  );
}

function inUnit(value: number, unit: Margin['unit']): string {
  if (unit === 'A') return formatAmps(value);
  return unit === '%' ? formatPercent(value) : `${formatNumber(value, 1)} x`;
}
