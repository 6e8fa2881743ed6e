'use client';

import { Button, Checkbox, Select } from 'antd';
import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { deviceHandles } from '@/core/bench/handles';
import { inputFor, isSameMover } from '@/core/bench/inputs';
import { LIMITS, VEHICLE_CONTROLS, type VehicleControl } from '@/core/catalog/vocabulary';
import type { Condition, Mover, WishSays } from '@/core/design/schema';
import { nameOf } from '@/core/design/names';
import { moverName, standsWord, wishWords } from '@/core/wording/wishWords';
import { useDesign } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import styles from './WishesDrawer.module.css';

/** The sentences there are. */
const KINDS: { value: WishSays['kind']; label: string }[] = [
  { value: 'on', label: 'is on when …' },
  { value: 'off', label: 'is off when …' },
  { value: 'neverWith', label: 'is never on together with …' },
  { value: 'staysOn', label: 'stays on for a time after …' },
  { value: 'keyOut', label: 'with the key out …' },
  { value: 'powerBack', label: 'when power comes back …' },
  { value: 'whatever', label: 'does not depend on …' },
  { value: 'stillWorks', label: 'still works without …' },
  { value: 'notByOne', label: 'is not put on by one act alone' },
  { value: 'levelKept', label: 'is as bright as it was, off and on again' },
];

const KEY_OUT = [
  { value: 'works', label: 'works as with it in' },
  { value: 'dark', label: 'is off' },
] as const;
const POWER_BACK = [
  { value: 'off', label: 'is off' },
  { value: 'asBefore', label: 'is as it was' },
  { value: 'on', label: 'is on' },
] as const;

/** A wish made by choosing: the sentence stands below while it is made. */
export function WishForm({ loadId, onWish }: { loadId: string; onWish(says: WishSays): unknown }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const [kind, setKind] = useState<WishSays['kind']>('on');
  const [when, setWhen] = useState<(Condition | null)[]>([null]);
  const [wins, setWins] = useState(false);
  const [other, setOther] = useState<string | null>(null);
  const [seconds, setSeconds] = useState(60);
  const [keyOut, setKeyOut] = useState<'works' | 'dark' | null>(null);
  const [powerBack, setPowerBack] = useState<'off' | 'asBefore' | 'on' | null>(null);
  const [mover, setMover] = useState<Mover | null>(null);
  const movers = useMemo(() => everythingMoved(index), [index]);
  const breakable = useMemo(
    () =>
      Array.from(index.devices.values())
        .filter(({ kind: of }) => ['protection', 'relay', 'receiver', 'switch', 'motionSwitch', 'ruleHub'].includes(of))
        .map(({ id, name }) => ({ value: id, label: name })),
    [index],
  );
  const made = when.flatMap((condition) => condition ?? []);
  const says = ((): WishSays | null => {
    switch (kind) {
      case 'on':
      case 'off':
        return made.length > 0 && made.length === when.length ? { kind, when: made, ...(wins && { wins }) } : null;
      case 'neverWith':
        return other ? { kind, otherId: other } : null;
      case 'staysOn':
        return made[0] ? { kind, after: made[0], seconds } : null;
      case 'keyOut':
        return { kind, answer: keyOut };
      case 'powerBack':
        return { kind, answer: powerBack };
      case 'whatever':
        return mover ? { kind, mover } : null;
      case 'stillWorks':
        return other ? { kind, withoutId: other } : null;
      case 'notByOne':
      case 'levelKept':
        return { kind };
    }
  })();
  const put = (at: number, condition: Condition | null) => setWhen(when.map((one, place) => (place === at ? condition : one)));
  const pick = (next: WishSays['kind']) => {
    setKind(next);
    setOther(null);
    if (next === 'staysOn') setWhen(when.slice(0, 1));
  };
  return (
    <div className={styles.form} role="group" aria-label="A wish">
      <Select aria-label="What it does" value={kind} options={KINDS} onChange={pick} />
      {(kind === 'on' || kind === 'off' || kind === 'staysOn') &&
        when.map((condition, at) => (
          <ConditionFields
            key={at}
            label={kind === 'staysOn' ? 'After' : at === 0 ? 'When' : 'And'}
            movers={movers}
            condition={condition}
            onChange={(next) => put(at, next)}
            onRemove={when.length > 1 ? () => setWhen(when.filter((_, place) => place !== at)) : null}
          />
        ))}
      {(kind === 'on' || kind === 'off') && (
        <span className={styles.buttons}>
          <Button size="small" disabled={when.length >= LIMITS.conditions} onClick={() => setWhen([...when, null])}>
            And …
          </Button>
          <Checkbox checked={wins} onChange={({ target }) => setWins(target.checked)}>
            whatever else is wished
          </Checkbox>
        </span>
      )}
      {kind === 'staysOn' && (
        <QuantityField label="Seconds" unit="s" value={seconds} decimals={0} least={1} most={100_000} onCommit={setSeconds} />
      )}
      {kind === 'neverWith' && (
        <Select
          aria-label="Other load"
          placeholder="another load"
          value={other}
          options={index.loads.filter(({ id }) => id !== loadId).map(({ id, name }) => ({ value: id, label: name }))}
          showSearch={{ optionFilterProp: 'label' }}
          onChange={setOther}
        />
      )}
      {kind === 'stillWorks' && (
        <Select
          aria-label="Without"
          placeholder="a fuse, a relay, a fob …"
          value={other}
          options={breakable}
          showSearch={{ optionFilterProp: 'label' }}
          onChange={setOther}
        />
      )}
      {kind === 'keyOut' && (
        <Select
          aria-label="With the key out it"
          placeholder="not decided"
          allowClear
          value={keyOut}
          options={[...KEY_OUT]}
          onChange={(next) => setKeyOut(next ?? null)}
        />
      )}
      {kind === 'powerBack' && (
        <Select
          aria-label="When power comes back it"
          placeholder="not decided"
          allowClear
          value={powerBack}
          options={[...POWER_BACK]}
          onChange={(next) => setPowerBack(next ?? null)}
        />
      )}
      {kind === 'whatever' && <MoverSelect label="Does not depend on" movers={movers} mover={mover} onChange={setMover} />}
      <p className={styles.sentence}>{says ? `${nameOf(design, loadId)}: ${wishWords(design, says)}.` : ' '}</p>
      <span className={styles.buttons}>
        <Button type="primary" disabled={!says} onClick={() => says && onWish(says)}>
          Wish it
        </Button>
      </span>
    </div>
  );
}

/** Everything that may be moved: the vehicle's own controls, then what is worked on devices. */
function everythingMoved(index: Parameters<typeof deviceHandles>[0]): Mover[] {
  const vehicle = (Object.keys(VEHICLE_CONTROLS) as VehicleControl[]).map((control): Mover => ({ kind: 'vehicle', control }));
  const own = deviceHandles(index).filter(({ where }) => where === 'panel' || where === 'fob' || where === 'moving');
  return [...vehicle, ...own.map(({ deviceId, control }): Mover => ({ kind: 'device', deviceId, control }))];
}

interface MoverProps {
  label: string;
  movers: readonly Mover[];
  mover: Mover | null;
  onChange(mover: Mover): void;
}

function MoverSelect({ label, movers, mover, onChange }: MoverProps) {
  const design = useDesign((state) => state.design);
  const at = mover ? movers.findIndex((one) => isSameMover(one, mover)) : -1;
  return (
    <Select
      aria-label={label}
      placeholder="a switch, the key, a door …"
      value={at < 0 ? null : at}
      options={movers.map((one, place) => ({ value: place, label: moverName(design, one) }))}
      showSearch={{ optionFilterProp: 'label' }}
      onChange={(place) => onChange(movers[place]!)}
    />
  );
}

interface ConditionProps {
  label: string;
  movers: readonly Mover[];
  condition: Condition | null;
  onChange(condition: Condition): void;
  onRemove: (() => void) | null;
}

function ConditionFields({ label, movers, condition, onChange, onRemove }: ConditionProps) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const positions = condition ? (inputFor(index, condition.mover)?.positions ?? []) : [];
  // What is moved is wished on when it is not at rest, as a rule.
  const begin = (mover: Mover) => {
    const all = inputFor(index, mover)?.positions ?? [];
    onChange({ mover, position: all[1] ?? all[0]! });
  };
  return (
    <span className={styles.condition}>
      <MoverSelect label={label} movers={movers} mover={condition?.mover ?? null} onChange={begin} />
      <span>is</span>
      <Select
        aria-label={`Position, ${label.toLowerCase()}`}
        disabled={!condition}
        value={condition ? String(condition.position) : null}
        options={positions.map((position) => ({
          value: String(position),
          label: condition ? standsWord(design, condition.mover, position) : '',
        }))}
        onChange={(next) => condition && onChange({ ...condition, position: positions.find((one) => String(one) === next)! })}
      />
      {onRemove ? <Button size="small" type="text" aria-label={`Remove ${label}`} icon={<X size={14} />} onClick={onRemove} /> : <span />}
    </span>
  );
}
