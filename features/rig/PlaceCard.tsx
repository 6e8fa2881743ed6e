'use client';

import { Button, Select } from 'antd';
import { Trash2, X } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { setting, updateRecords, type FieldsOf } from '@/core/design/change';
import { isFixedByItself } from '@/core/rig/layout';
import type { Device, Place } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { joinPlaces, putDevices, removePlace, setPlace } from '@/core/rig/edits';
import { routeLength } from '@/core/rig/routeLength';
import { formatLength } from '@/core/units/quantity';
import { PARTS } from '@/core/devices/parts';
import { addLoosePart } from '@/core/switching/partsByHand';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { MmField } from '@/ui/MmField';
import { NameField } from '@/ui/NameField';
import { QuantityField } from '@/ui/QuantityField';
import { PartChoice } from '@/ui/PartChoice';
import { withHeld, type Held } from './held';
import type { Selection } from './selection';
import { useRefusal } from '@/features/design/useRefusal';
import styles from './Cards.module.css';

interface PlaceCardProps {
  place: Place;
  held: Held | null;
  onSelect(selection: Selection): void;
  onCompare(deviceId: string): void;
}

/** A place: where it is, what is fixed there, the room behind it and the routes from it. Its figures follow the hand. */
export function PlaceCard({ place, held, onSelect, onCompare }: PlaceCardProps) {
  const { refusal, commit } = useRefusal();
  return (
    <section className={styles.card} aria-label={`Place ${place.name}`}>
      <PlaceHead place={place} commit={commit} onSelect={onSelect} />
      {refusal}
      <Coordinates place={withHeld(place, held)} commit={commit} />
      <Surroundings place={place} commit={commit} />
      <FixedHere place={place} commit={commit} onCompare={onCompare} />
      <RoutesFromHere place={place} held={held} onSelect={onSelect} />
      <JoinTo place={place} commit={commit} onSelect={onSelect} />
    </section>
  );
}

interface PartProps {
  place: Place;
  commit: ReturnType<typeof useRefusal>['commit'];
}

const PlaceHead = memo(function PlaceHead({ place, commit, onSelect }: PartProps & Pick<PlaceCardProps, 'onSelect'>) {
  return (
    <header>
      <NameField
        label="Name of the place"
        name={place.name}
        onCommit={(name) => commit(`Rename ${place.name}`, (design) => setPlace(design, place.id, { name }))}
      />
      <Button
        size="small"
        type="text"
        danger
        aria-label={`Remove place ${place.name}`}
        icon={<Trash2 size={15} />}
        onClick={() => {
          commit(`Remove ${place.name}`, (design) => removePlace(design, place.id));
          onSelect(null);
        }}
      />
    </header>
  );
});

function Coordinates({ place, commit }: PartProps) {
  const store = useDesignStore();
  const units = useUnits();
  const coordinate = (axis: 'xMm' | 'yMm' | 'zMm', label: string) => (
    <MmField
      label={`${label} of ${place.name}`}
      mm={place[axis]}
      units={units}
      least={-2000}
      most={LIMITS.vehicleMm}
      onPreview={(mm) => store.preview((design) => setPlace(design, place.id, { [axis]: mm }))}
      onCommit={(mm) => commit(`Move ${place.name}`, (design) => setPlace(design, place.id, { [axis]: mm }))}
      onCancel={store.cancel}
    />
  );
  return (
    <Fields>
      <Field label="From the front">{coordinate('xMm', 'Distance from the front')}</Field>
      <Field label="From the left">{coordinate('yMm', 'Distance from the left')}</Field>
      <Field label="Height">{coordinate('zMm', 'Height')}</Field>
    </Fields>
  );
}

const Surroundings = memo(function Surroundings({ place, commit }: PartProps) {
  const units = useUnits();
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const set = (fields: Partial<Place>) => commit(`Change ${place.name}`, (design) => setPlace(design, place.id, fields));
  return (
    <div className={styles.below}>
      <Fields>
        <Field label="Zone">
          <Select
            size="small"
            aria-label="Zone of the place"
            value={place.zoneId ?? ''}
            style={{ width: 190 }}
            onChange={(zoneId) => set({ zoneId: zoneId || null })}
            options={[{ value: '', label: 'in no zone' }, ...zones.map(({ id, name }) => ({ value: id, label: name }))]}
          />
        </Field>
        <Field label="Free behind">
          <MmField
            label={`Free depth behind ${place.name}`}
            mm={place.depthMm}
            units={units}
            most={LIMITS.lengthMm}
            onCommit={(depthMm) => set({ depthMm })}
          />
          {place.depthMm === null && <span className={styles.soft}>nobody has looked</span>}
        </Field>
        <Field label="What is behind">
          <NameField
            label={`What is behind ${place.name}`}
            name={place.behind}
            most={200}
            mayBeEmpty
            placeholder="look before you cut"
            onCommit={(behind) => set({ behind })}
          />
        </Field>
      </Fields>
    </div>
  );
});

const FixedHere = memo(function FixedHere({ place, commit, onCompare }: PartProps & Pick<PlaceCardProps, 'onCompare'>) {
  const index = useDesign(({ analysis }) => analysis.index);
  const { here, loose } = useMemo(() => {
    const devices = Array.from(index.devices.values()).filter(isFixedByItself);
    return {
      here: devices.filter(({ placeId }) => placeId === place.id),
      loose: devices.filter(({ placeId }) => placeId !== place.id),
    };
  }, [index.devices, place.id]);
  const [sized, setSized] = useState<string | null>(null);
  const ofZone = loose.filter(({ placeId, zoneId }) => !placeId && zoneId === place.zoneId).map(({ id }) => id);
  return (
    <>
      <h4>Fixed here</h4>
      <ul className={styles.list}>
        {here.map((device) => (
          <li key={device.id}>
            <span className={styles.grow}>
              <button
                type="button"
                className={styles.plain}
                aria-expanded={sized === device.id}
                onClick={() => setSized(sized === device.id ? null : device.id)}
              >
                {device.name}
              </button>
              {sized === device.id && <BodyFields device={device} commit={commit} />}
            </span>
            <Button size="small" type="link" onClick={() => onCompare(device.id)} aria-label={`Compare places for ${device.name}`}>
              elsewhere?
            </Button>
            <Button
              size="small"
              type="text"
              aria-label={`Take ${device.name} from ${place.name}`}
              icon={<X size={14} />}
              onClick={() => commit(`Take ${device.name} from ${place.name}`, (design) => putDevices(design, [device.id], null))}
            />
          </li>
        ))}
      </ul>
      <Select
        size="small"
        showSearch
        aria-label={`Fix something at ${place.name}`}
        placeholder="Fix something here"
        value={null}
        style={{ width: '100%' }}
        optionFilterProp="label"
        onChange={(id: string | null) => id && commit(`Put it at ${place.name}`, (design) => putDevices(design, [id], place.id))}
        options={loose.map(({ id, name, placeId }) => ({
          value: id,
          label: placeId ? `${name} (now at ${index.layout.places.get(placeId)?.name ?? ''})` : name,
        }))}
      />
      <div className={styles.below}>
        <PartChoice
          label={`New part at ${place.name}`}
          placeholder="or a new switch, relay, joint, plug…"
          width="100%"
          parts={PARTS}
          onChoose={(part) =>
            commit(
              `Put a ${part.label.toLowerCase()} at ${place.name}`,
              (design) => addLoosePart(design, part, place.zoneId, place.id).change,
            )
          }
        />
      </div>
      {ofZone.length > 0 && (
        <Button
          size="small"
          className={styles.below}
          onClick={() => commit(`Put the zone’s things at ${place.name}`, (design) => putDevices(design, ofZone, place.id))}
        >
          Fix the zone’s {ofZone.length} unplaced here
        </Button>
      )}
    </>
  );
});

const BODY = [
  ['lengthMm', 'along'],
  ['widthMm', 'across'],
  ['heightMm', 'high'],
] as const;

/** A thing's own reach, size and weight, for what swings by and what lies behind. */
function BodyFields({ device, commit }: { device: Device; commit: PartProps['commit'] }) {
  const units = useUnits();
  const set = (fields: FieldsOf<typeof device>) =>
    commit(`Size ${device.name}`, (design) => updateRecords(design, [setting(device, fields)]));
  const size = device.sizeMm ?? { lengthMm: 0, widthMm: 0, heightMm: 0 };
  return (
    <Fields>
      <Field label="Reaches behind">
        <MmField
          label={`How far ${device.name} reaches behind`}
          mm={device.depthMm ?? null}
          units={units}
          most={LIMITS.lengthMm}
          onCommit={(depthMm) => set({ depthMm })}
        />
      </Field>
      {BODY.map(([side, label]) => (
        <Field key={side} label={`Size ${label}`}>
          <MmField
            label={`Size of ${device.name} ${label}`}
            mm={device.sizeMm ? size[side] : null}
            units={units}
            least={0}
            most={LIMITS.vehicleMm}
            onCommit={(mm) => set({ sizeMm: { ...size, [side]: mm ?? 0 } })}
          />
        </Field>
      ))}
      <Field label="Weighs">
        <QuantityField
          label={`Weight of ${device.name}`}
          value={device.weightKg ?? 0}
          unit="kg"
          decimals={1}
          least={0}
          most={2000}
          onCommit={(weightKg) => set({ weightKg: weightKg > 0 ? weightKg : undefined })}
        />
      </Field>
    </Fields>
  );
}

/** The stretches from a place, as long as they are where the hand has it. */
function RoutesFromHere({ place, held, onSelect }: Pick<PlaceCardProps, 'place' | 'held' | 'onSelect'>) {
  const units = useUnits();
  const { layout } = useDesign(({ analysis }) => analysis.index);
  const routes = Array.from(layout.routes.values()).filter(({ route }) => route.fromId === place.id || route.toId === place.id);
  return (
    <>
      <h4>Routes from here</h4>
      <ul className={styles.list}>
        {routes.map(({ route, from, to }) => {
          const { mm, measured } = routeLength(route, withHeld(from, held), withHeld(to, held), layout.rig);
          return (
            <li key={route.id}>
              <button type="button" className={styles.plain} onClick={() => onSelect({ kind: 'route', id: route.id })}>
                {route.name}
              </button>
              <span className={`reading ${measured ? 'measured' : ''}`}>{formatLength(mm, units)}</span>
            </li>
          );
        })}
      </ul>
    </>
  );
}

const JoinTo = memo(function JoinTo({ place, commit, onSelect }: PartProps & Pick<PlaceCardProps, 'onSelect'>) {
  const index = useDesign(({ analysis }) => analysis.index);
  const joined = new Set(
    index.routes.filter(({ fromId, toId }) => fromId === place.id || toId === place.id).flatMap(({ fromId, toId }) => [fromId, toId]),
  );
  return (
    <Select
      size="small"
      showSearch
      aria-label={`Join ${place.name} to`}
      placeholder="Join to another place"
      value={null}
      style={{ width: '100%' }}
      optionFilterProp="label"
      onChange={(toId: string | null) => {
        if (!toId) return;
        let routeId: string | null = null;
        const refused = commit(`Join ${place.name}`, (design) => {
          const joinedUp = joinPlaces(design, place.id, toId);
          routeId = joinedUp.id;
          return joinedUp.change;
        });
        if (!refused && routeId) onSelect({ kind: 'route', id: routeId });
      }}
      options={index.places.filter(({ id }) => !joined.has(id) && id !== place.id).map(({ id, name }) => ({ value: id, label: name }))}
    />
  );
});
