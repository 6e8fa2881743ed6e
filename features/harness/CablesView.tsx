'use client';

import { Button, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { CableMake } from '@/core/catalog/cableMakes';
import { CONDUCTOR_SIZES, type ConductorSize } from '@/core/catalog/conductorSizes';
import { goesByGauge } from '@/core/catalog/vocabulary';
import { lookWords, WIRE_COLOURS, WIRE_COLOUR_CODES, type WireColour } from '@/core/catalog/wireColours';
import { updateRecords } from '@/core/design/change';
import type { Cable } from '@/core/design/schema';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import { isTooThin, type CableRun, type CoreUse } from '@/core/harness/cables';
import { addCable, layIn, layPairs, pairsOf, takeOut } from '@/core/harness/editCables';
import type { HarnessWire } from '@/core/harness/harnessWire';
import type { Harness } from '@/core/harness/schedule';
import { formatConductor, formatLength } from '@/core/units/quantity';
import { cableWords } from '@/core/wording/harnessWords';
import { CABLE_OPTIONS } from '@/core/wording/leadWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { Table } from '@/ui/Table';
import { swatchOf } from './scheduleColumns';
import shared from './Harness.module.css';
import styles from './Cables.module.css';

type Commit = ReturnType<typeof useRefusal>['commit'];

/** Cables with several cores: which wire is which core, what is free, and which ends need a sleeve of another colour. */
export function CablesView({ harness }: { harness: Harness }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const { commit, refusal } = useRefusal();
  const pairs = useMemo(() => pairsOf(index, harness), [index, harness]);
  const gauge = goesByGauge(index.settings.conductorStandard);
  const [make, setMake] = useState<CableMake>(index.settings.colourSchool === 'smallCraft' ? 'twinYellow' : 'twin');
  const [conductor, setConductor] = useState<ConductorSize>(gauge ? 'awg:14' : 'mm2:1.5');
  const twin = make === 'twinYellow' || make === 'twinMains' ? make : 'twin';
  return (
    <div className={shared.view} role="region" aria-label="Cables" tabIndex={0}>
      <div className={styles.bar}>
        <Select<CableMake> size="small" aria-label="Cable" value={make} style={{ width: 290 }} onChange={setMake} options={CABLE_OPTIONS} />
        <Select<ConductorSize>
          size="small"
          aria-label="Size of its cores"
          value={conductor}
          style={{ width: 110 }}
          onChange={setConductor}
          options={CONDUCTOR_SIZES.filter((size) => size.startsWith('awg') === gauge).map((value) => ({
            value,
            label: formatConductor(value),
          }))}
        />
        <Button
          size="small"
          onClick={() =>
            commit('A cable', (now) => {
              const edit = new Edit(now);
              addCable(edit, make, conductor);
              return edit.change;
            })
          }
        >
          Add
        </Button>
        <Button
          size="small"
          disabled={pairs.length === 0}
          title="Each load’s wires out and home that go the same way in a two-core cable of their own"
          onClick={() => commit(`${pairs.length} pairs in cables`, (now) => layPairs(now, pairs, twin))}
        >
          {pairs.length === 0 ? 'No pairs to lay' : pairs.length === 1 ? 'Lay the pair in a cable' : `Lay ${pairs.length} pairs in cables`}
        </Button>
      </div>
      {refusal}
      {harness.cables.length === 0 && (
        <p className={shared.soft}>
          Every wire is single so far. Wires that go the same way may be cores of one cable: less to pull and to fix, and the sheath guards
          them. Their colours are the cable’s then; a core whose colour says the other pole is listed with the sleeve its ends need.
        </p>
      )}
      <div className={styles.cards}>
        {harness.cables.map((run) => (
          <CableCard key={run.cable.id} run={run} lines={harness.wires} onCommit={commit} />
        ))}
      </div>
    </div>
  );
}

function CableCard({ run, lines, onCommit }: { run: CableRun; lines: readonly HarnessWire[]; onCommit: Commit }) {
  const { cable, cores, lengthMm, linkMm } = run;
  const units = useUnits();
  const free = cores.filter(({ line }) => line === null).length;
  return (
    <section className={styles.card} aria-label={`Cable ${cable.name}`}>
      <h3>
        {cable.name}
        <span>
          {cableWords(cable.cores)}
          {lengthMm > 0 && `, ${formatLength(lengthMm, units)}`}
          {linkMm > 0 && ` and ${formatLength(linkMm, units)} along its row`}
          {free > 0 && `, ${free} free`}
        </span>
        <Button
          size="small"
          aria-label={`Remove cable ${cable.name}`}
          icon={<Trash2 size={14} />}
          onClick={() =>
            onCommit(`Remove cable ${cable.name}`, (now) => {
              const edit = new Edit(now);
              edit.remove(cable.id);
              return edit.change;
            })
          }
        />
      </h3>
      <Table
        className={styles.cores}
        columns={[
          {
            as: 'name',
            width: '150px',
            cell: ({ at, core }) => (
              <>
                <i aria-hidden className={shared.swatch} style={{ background: swatchOf(core) }} />
                {at} {lookWords(core)}
                <small>{formatConductor(core.conductor)}</small>
              </>
            ),
          },
          { width: 'auto', cell: (core) => <WireOfCore cable={cable} core={core} lines={lines} onCommit={onCommit} /> },
          {
            width: '148px',
            cell: ({ at, line, misleads }) =>
              line && (
                <SleeveSelect
                  label={`Sleeve over ${coreName(cable, at)}`}
                  needed={misleads !== null}
                  value={line.wire.sleeve}
                  onChange={(sleeve) =>
                    onCommit(`Sleeve over ${coreName(cable, at)}`, (now) => updateRecords(now, [{ id: line.wire.id, set: { sleeve } }]))
                  }
                />
              ),
          },
        ]}
        rows={cores}
        keyOf={({ at }) => at}
      />
    </section>
  );
}

const coreName = (cable: Cable, at: number) => `core ${at} of ${cable.name}`;

interface WireOfCoreProps {
  cable: Cable;
  core: CoreUse;
  lines: readonly HarnessWire[];
  onCommit: Commit;
}

function WireOfCore({ cable, core, lines, onCommit }: WireOfCoreProps) {
  const { at, line } = core;
  const design = useDesign((state) => state.design);
  const name = coreName(cable, at);
  const options = lines
    .filter(({ wire }) => (!wire.core || wire.id === line?.wire.id) && !wire.kitId)
    .map(({ wire, number }) => ({ value: wire.id, label: `${number} ${nameOf(design, wire.id)}` }));
  const lay = (wireId: string | undefined) =>
    onCommit(`Lay ${name}`, (now) => {
      const edit = new Edit(now);
      if (wireId === undefined) takeOut(edit, line!.wire.id);
      else layIn(edit, wireId, cable, at);
      return edit.change;
    });
  return (
    <>
      <Select
        size="small"
        showSearch
        allowClear
        aria-label={`Wire that is ${name}`}
        placeholder="free"
        value={line?.wire.id}
        style={{ width: '100%' }}
        popupMatchSelectWidth={420}
        optionFilterProp="label"
        options={options}
        onChange={lay}
      />
      {isTooThin(core) && <em className={styles.bad}>sized {formatConductor(line!.wire.conductor)}: thinner than that</em>}
    </>
  );
}

interface SleeveSelectProps {
  label: string;
  /** Whether its own colour says the other pole. */
  needed: boolean;
  value: WireColour | undefined;
  onChange(sleeve: WireColour | undefined): void;
}

/** The colour put over both ends of what has a misleading one. */
export function SleeveSelect({ label, needed, value, onChange }: SleeveSelectProps) {
  return (
    <Select<WireColour>
      size="small"
      allowClear
      aria-label={label}
      {...(needed && { status: 'warning' as const })}
      placeholder={needed ? 're-mark its ends' : 'no sleeve'}
      value={value}
      style={{ width: 140 }}
      options={WIRE_COLOUR_CODES.map((code) => ({ value: code, label: `${WIRE_COLOURS[code].word} sleeve` }))}
      onChange={onChange}
    />
  );
}
