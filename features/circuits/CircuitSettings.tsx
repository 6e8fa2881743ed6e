import { Button, Popconfirm, Segmented, Select } from 'antd';
import { useMemo, useState } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { RATINGS_A } from '@/core/catalog/fuses';
import { updateRecords, type RecordFields } from '@/core/design/change';
import { deviceOf } from '@/core/design/design';
import { DROP_CLASSES, type DropClass } from '@/core/catalog/vocabulary';
import { dropTargetOf } from '@/core/sizing/dropTargets';
import { fitKitFuse, kitFuseOf, removeKitFuse } from '@/core/advice/kitFuse';
import { setReturn } from '@/core/switching/returns';
import { removeCircuit } from '@/core/switching/schemes';
import { nameOf } from '@/core/design/names';
import { formatConductor, formatPercent, formatRating } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import { NameField } from '@/ui/NameField';
import { setCircuit } from './edits';
import { TradeSizeField } from './TradeSizeField';
import styles from './StripDetail.module.css';

const DROP_CLASS_WORDS: Record<DropClass, string> = { critical: 'critical, lighting', general: 'general', tolerant: 'not critical' };

const ALL_WIRES = 'all';

/** What can be set of a circuit beside its lengths. */
export function CircuitSettings({ circuit }: { circuit: CircuitAnalysis }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const own = design.records.get(circuit.id);
  const chassis = circuit.returnWireIds.some((id) => {
    const wire = design.records.get(id);
    return wire?.type === 'wire' && [wire.from, wire.to].some(({ deviceId }) => deviceOf(design, deviceId, 'groundPoint'));
  });
  const settings = useDesign(({ analysis }) => analysis.index.settings);
  const wires = useDesign(({ analysis }) => analysis.wires);
  const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
  const [picked, setWireChosen] = useState(ALL_WIRES);
  const wireChosen = wireIds.includes(picked) ? picked : ALL_WIRES;
  if (own?.type !== 'circuit') return null;
  const set = (label: string, fields: RecordFields) => store.commit(label, (now) => setCircuit(now, circuit.id, fields));
  return (
    <div className={styles.settings}>
      <label>
        <span>Name</span>
        <NameField label="Name" name={own.name} onCommit={(name) => set('Rename the circuit', { name })} />
      </label>
      <label>
        <span>Drop target</span>
        <QuantityField
          label={`Drop target of ${circuit.name}`}
          value={circuit.targetPercent}
          decimals={1}
          unit="%"
          least={0.5}
          most={20}
          onPreview={(value) => store.preview((now) => setCircuit(now, circuit.id, { targetPercent: value }))}
          onCommit={(value) => set('Set the drop target', { targetPercent: value })}
          onCancel={store.cancel}
        />
      </label>
      <div className={styles.choice}>
        <span>Kind</span>
        <Select<DropClass>
          size="small"
          aria-label="Kind of circuit"
          value={own.dropClass}
          style={{ width: 200 }}
          onChange={(dropClass) => set('Set the kind of circuit', { dropClass, targetPercent: null })}
          options={DROP_CLASSES.map((value) => ({
            value,
            label: `${DROP_CLASS_WORDS[value]}, ${formatPercent(dropTargetOf(settings, value))}`,
          }))}
        />
      </div>
      <div className={styles.choice}>
        <span>Return</span>
        <Segmented
          size="small"
          aria-label="Return"
          value={chassis ? 'chassis' : 'dedicated'}
          disabled={circuit.returnWireIds.length === 0}
          onChange={(kind) =>
            store.commit('Change the return', (now) => setReturn(now, circuit.id, kind as 'chassis' | 'dedicated', circuit.returnWireIds))
          }
          options={[
            { value: 'dedicated', label: 'Cable' },
            { value: 'chassis', label: 'Chassis' },
          ]}
        />
      </div>
      {circuit.loadIds.length > 0 && circuit.fed && <KitFuse circuit={circuit} />}
      {circuit.conductor && (
        <div className={styles.choice}>
          <span>Cable</span>
          <div className={styles.cable}>
            <Select
              size="small"
              aria-label={`Which wire of ${circuit.name}`}
              value={wireChosen}
              style={{ width: 150 }}
              popupMatchSelectWidth={false}
              onChange={setWireChosen}
              options={[
                { value: ALL_WIRES, label: 'all its wires' },
                ...wireIds.map((id) => ({
                  value: id,
                  label: `${nameOf(design, id)}, ${formatConductor(wires.get(id)?.wire.conductor ?? null)}`,
                })),
              ]}
            />
            <TradeSizeField
              label={`Cable of ${circuit.name} as it is named`}
              onTake={(conductor) =>
                store.commit(`Set the cable of ${circuit.name}`, (now) =>
                  updateRecords(
                    now,
                    (wireChosen === ALL_WIRES ? wireIds : [wireChosen]).map((id) => ({ id, set: { conductor } })),
                  ),
                )
              }
            />
          </div>
        </div>
      )}
      <Popconfirm
        title="Take this circuit out?"
        description="Its fuse, switch and wires go; its loads stay. It can be undone."
        okText="Take it out"
        onConfirm={() => store.commit(`Remove circuit ${circuit.name}`, (now) => removeCircuit(now, circuit.id))}
      >
        <Button size="small" danger>
          Remove circuit
        </Button>
      </Popconfirm>
    </div>
  );
}

/** The fuse a kit's harness brings along, beside the block's. */
function KitFuse({ circuit }: { circuit: CircuitAnalysis }) {
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const fuse = useMemo(() => kitFuseOf(analysis, circuit), [analysis, circuit]);
  return (
    <div className={styles.choice}>
      <span>Kit’s own fuse</span>
      <Select<number>
        size="small"
        aria-label={`Kit fuse of ${circuit.name}`}
        value={fuse?.ratingA ?? 0}
        style={{ width: 96 }}
        onChange={(ratingA) =>
          store.commit(ratingA === 0 ? 'Take the kit fuse out' : `Fit a kit fuse of ${formatRating(ratingA)}`, () =>
            ratingA === 0 ? removeKitFuse(analysis, circuit) : fitKitFuse(analysis, circuit, ratingA),
          )
        }
        options={[{ value: 0, label: 'none' }, ...RATINGS_A.blade.map((ratingA) => ({ value: ratingA, label: formatRating(ratingA) }))]}
      />
    </div>
  );
}
