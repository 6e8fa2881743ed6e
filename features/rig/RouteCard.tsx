'use client';

import { Button, Checkbox, Select } from 'antd';
import { Trash2, X } from 'lucide-react';
import { setting, updateRecords } from '@/core/design/change';
import type { Passage, Route } from '@/core/design/schema';
import { LIMITS, PASS_PARTS, PASSINGS, ROUTE_FEEDS, ROUTE_KINDS } from '@/core/catalog/vocabulary';
import { fittingFor, withPassage } from '@/core/analysis/rules/rigRules';
import { PART_WORDS, PASSING_WORDS } from '@/core/wording/rigWords';
import { nameOf } from '@/core/design/names';
import { withBend } from '@/core/rig/bend';
import { measureRoute, removeRoute } from '@/core/rig/edits';
import {
  formatAmps,
  formatConductor,
  formatLength,
  formatNumber,
  formatPercent,
  formatSmallLength,
  formatTemperature,
} from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { LengthField } from '@/ui/LengthField';
import { MmField } from '@/ui/MmField';
import { NameField } from '@/ui/NameField';
import { Table } from '@/ui/Table';
import type { Selection } from './selection';
import { today } from '@/core/units/days';
import { useRefusal } from '@/features/design/useRefusal';
import { FEED_WORDS, ROUTE_KIND_WORDS } from './words';
import styles from './Cards.module.css';

/** A stretch: its length, how it is laid, what it passes, and everything that lies in it. */
export function RouteCard({ route, onSelect }: { route: Route; onSelect(selection: Selection): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const { refusal, commit } = useRefusal();
  const laid = useDesign(({ analysis }) => analysis.index.layout.routes.get(route.id));
  const set = (fields: Partial<Route>) => commit(`Change ${route.name}`, (design) => updateRecords(design, [setting(route, fields)]));
  const setPass = (place: number, fields: Partial<Passage>) => set({ passes: withPassage(route, place, fields) });
  if (!laid) return null;
  const { length } = laid;
  return (
    <section className={styles.card} aria-label={`Route ${route.name}`}>
      <header>
        <NameField label="Name of the route" name={route.name} onCommit={(name) => set({ name })} />
        <Button
          size="small"
          type="text"
          danger
          aria-label={`Remove route ${route.name}`}
          icon={<Trash2 size={15} />}
          onClick={() => {
            commit(`Remove ${route.name}`, (design) => removeRoute(design, route.id));
            onSelect(null);
          }}
        />
      </header>
      {refusal}
      <Fields>
        <Field label="Between">
          <Ends route={route} onSelect={onSelect} />
        </Field>
        <Field label="Length">
          <LengthField
            label={`Length of ${route.name}`}
            lengthMm={length.mm}
            measured={length.measured}
            leastMm={LIMITS.stretchMm}
            mostMm={LIMITS.lengthMm}
            units={units}
            onPreview={(mm) => store.preview((design) => measureRoute(design, route.id, mm, today()))}
            onCommit={(mm) => commit(`Measure ${route.name}`, (design) => measureRoute(design, route.id, mm, today()))}
            onMeasured={(measured) =>
              commit(`Measure ${route.name}`, (design) => measureRoute(design, route.id, measured ? Math.round(length.mm) : null, today()))
            }
            onCancel={store.cancel}
          />
          <span className={styles.soft}>
            plan: {formatLength(length.levelMm, units)} level, {formatLength(length.riseMm, units)} rise,{' '}
            {formatLength(length.allowanceMm, units)} allowed
          </span>
        </Field>
        <Field label="Laid">
          <Select
            size="small"
            aria-label="How it is laid"
            value={route.kind}
            style={{ width: 150 }}
            onChange={(kind) => set({ kind })}
            options={ROUTE_KINDS.map((value) => ({ value, label: ROUTE_KIND_WORDS[value] }))}
          />
        </Field>
        {(route.kind === 'conduit' || route.kind === 'pillar' || route.insideMm !== null) && (
          <Field label="Inside">
            <MmField
              label={`Inside diameter of ${route.name}`}
              mm={route.insideMm}
              units={units}
              least={1}
              most={500}
              onCommit={(insideMm) => set({ insideMm })}
            />
          </Field>
        )}
        <Field label="Got through">
          <Select
            size="small"
            aria-label="How cable is got through"
            value={route.feed}
            style={{ width: 150 }}
            onChange={(feed) => set({ feed })}
            options={ROUTE_FEEDS.map((value) => ({ value, label: FEED_WORDS[value] }))}
          />
          <Button
            size="small"
            disabled={route.bends.length >= LIMITS.bends}
            onClick={() => set({ bends: withBend(route, laid.from, laid.to) })}
          >
            Add a bend
          </Button>
          <Checkbox checked={route.closed} onChange={(event) => set({ closed: event.target.checked })}>
            closed
          </Checkbox>
        </Field>
      </Fields>

      <h4>Passes</h4>
      <div className={styles.passes}>
        {route.passes.map((passage, place) => (
          <PassRow
            key={place}
            passage={passage}
            name={route.name}
            onSet={(fields) => setPass(place, fields)}
            onRemove={() => set({ passes: route.passes.filter((_, at) => at !== place) })}
          />
        ))}
      </div>
      <Select
        size="small"
        aria-label={`Something ${route.name} passes`}
        placeholder="It passes something else"
        value={null}
        style={{ width: '100%' }}
        onChange={(what: Passage['what'] | null) =>
          what && set({ passes: [...route.passes, { what, part: 'none', holeMm: null, sealed: false, clearMm: null }] })
        }
        options={PASSINGS.map((value) => ({ value, label: PASSING_WORDS[value] }))}
      />
      <BundleList route={route} />
    </section>
  );
}

function Ends({ route, onSelect }: { route: Route; onSelect(selection: Selection): void }) {
  const places = useDesign(({ analysis }) => analysis.index.layout.places);
  return [route.fromId, route.toId].map((id) => (
    <button key={id} type="button" className={styles.plain} onClick={() => onSelect({ kind: 'place', id })}>
      {places.get(id)?.name}
    </button>
  ));
}

interface PassRowProps {
  passage: Passage;
  name: string;
  onSet(fields: Partial<Passage>): void;
  onRemove(): void;
}

function PassRow({ passage, name, onSet, onRemove }: PassRowProps) {
  const units = useUnits();
  const said = PASSING_WORDS[passage.what];
  const isHole = passage.what !== 'exhaust' && passage.what !== 'steering';
  return (
    <div className={styles.pass} role="group" aria-label={`${name} passes the ${said}`}>
      <Select
        size="small"
        aria-label="What it passes"
        value={passage.what}
        onChange={(what) => onSet({ what })}
        options={PASSINGS.map((value) => ({ value, label: PASSING_WORDS[value] }))}
      />
      <Select
        size="small"
        aria-label={`Fitted at the ${said}`}
        value={passage.part}
        onChange={(part) => onSet({ part, sealed: part === 'gland' ? true : passage.sealed })}
        options={PASS_PARTS.map((value) => ({
          value,
          label: value === fittingFor(passage.what).part ? `${PART_WORDS[value]} (usual)` : PART_WORDS[value],
        }))}
      />
      <Button size="small" type="text" aria-label={`Take away the ${said}`} icon={<X size={14} />} onClick={onRemove} />
      <span className={styles.passMore}>
        {isHole ? (
          <>
            hole
            <MmField
              label={`Hole at the ${said}`}
              mm={passage.holeMm}
              units={units}
              most={500}
              width={80}
              onCommit={(holeMm) => onSet({ holeMm })}
            />
            <Checkbox checked={passage.sealed} onChange={(event) => onSet({ sealed: event.target.checked })}>
              sealed
            </Checkbox>
          </>
        ) : (
          <>
            clear by
            <MmField
              label={`Distance from the ${said}`}
              mm={passage.clearMm}
              units={units}
              most={5000}
              width={86}
              onCommit={(clearMm) => onSet({ clearMm })}
            />
          </>
        )}
      </span>
    </div>
  );
}

/** What lies in the stretch, and what lying together does to it. */
function BundleList({ route }: { route: Route }) {
  const units = useUnits();
  const analysis = useDesign((state) => state.analysis);
  const bundle = analysis.bundles.get(route.id);
  if (!bundle || bundle.wires.length === 0) {
    return (
      <>
        <h4>Nothing lies here yet</h4>
        <p className={styles.soft}>Wires take this stretch when it is on the shortest way between the places of their two ends.</p>
      </>
    );
  }
  const hottest = Math.max(...bundle.wires.map(({ id }) => analysis.exposures.get(id)!.ambientC));
  return (
    <>
      <h4>
        {bundle.wires.length} conductors, {formatSmallLength(bundle.diameterMm, units)} across
      </h4>
      <p className={styles.soft}>
        {bundle.loaded} of them loaded, up to {formatTemperature(hottest, units)} on their way
        {bundle.fill && `; the conduit is ${formatPercent(bundle.fill.share * 100)} full of ${formatNumber(bundle.fill.most * 100, 0)} %`}.
      </p>
      <Table
        columns={[
          { head: 'Conductor', cell: ({ id }) => nameOf(analysis.design, id) },
          { head: 'Size', look: styles.unbroken, cell: ({ conductor }) => formatConductor(conductor) },
          { head: 'At once', as: 'figure', cell: ({ id }) => formatAmps(analysis.wires.get(id)?.amps ?? 0) },
        ]}
        rows={bundle.wires}
        keyOf={({ id }) => id}
      />
    </>
  );
}
