import { Select } from 'antd';
import { updateRecords } from '@/core/design/change';
import { SETTINGS_ID } from '@/core/catalog/vocabulary';
import { CURRENCIES, type Prices } from '@/core/advice/prices';
import { useDesignStore } from '@/features/design/DesignProvider';
import { usePrices } from '@/features/design/usePrices';
import { QuantityField } from '@/ui/QuantityField';

const CABLE = [
  ['perM', 'a metre costs', 'Price of a metre of cable'],
  ['perMm2M', 'and for each mm²', 'Price of a metre for each mm²'],
] as const;
const PARTS = [
  ['perBlock', 'a fuse block', 'Price of a fuse block'],
  ['perFuse', 'a fuse', 'Price of a fuse'],
] as const;

/** Fields for the prices of cable, and of blocks and fuses where those are weighed too. */
export function PriceFields({ parts = false }: { parts?: boolean }) {
  const store = useDesignStore();
  const prices = usePrices();
  const set = (fields: Partial<Prices>) =>
    store.commit('Change a price', (design) => updateRecords(design, [{ id: SETTINGS_ID, set: { prices: { ...prices, ...fields } } }]));
  return (
    <>
      <Select
        size="small"
        aria-label="Currency"
        value={prices.currency}
        style={{ width: 76 }}
        onChange={(currency) => set({ currency })}
        options={CURRENCIES.map((value) => ({ value, label: value }))}
      />
      {[...CABLE, ...(parts ? PARTS : [])].map(([field, words, label]) => (
        <label key={field}>
          {words}
          <QuantityField
            label={label}
            value={prices[field]}
            unit={prices.currency}
            decimals={2}
            least={0}
            most={1000}
            width={86}
            onCommit={(value) => void set({ [field]: value })}
          />
        </label>
      ))}
    </>
  );
}
