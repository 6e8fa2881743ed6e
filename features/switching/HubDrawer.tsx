'use client';

import { Button, Checkbox, Drawer, Select } from 'antd';
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { hubOverlaps } from '@/core/bench/hubOverlaps';
import { setting, updateRecords } from '@/core/design/change';
import { devicesOfKind } from '@/core/design/design';
import { SIGNAL_WORDS } from '@/core/devices/signalSource';
import { actS, HUB_ACTS, USUAL_HUB_S, type HubAct, type HubRule, type RuleHub } from '@/core/devices/ruleHub';
import { VEHICLE_SIGNALS } from '@/core/devices/signalSource';
import { HUB_ACT_WORDS, hubRuleWords } from '@/core/wording/hubWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { QuantityField } from '@/ui/QuantityField';
import { ReceiverMode } from './ModeSheet';
import drawer from '@/ui/Drawer.module.css';
import styles from './HubDrawer.module.css';

type Commit = ReturnType<typeof useRefusal>['commit'];

const MOST_RULES = 64;

/**
 * What the outputs of each rule hub do when, where two of its rules ask for different things at once, and how radios with two modes are
 * set.
 */
export function HubDrawer({ onClose }: { onClose(): void }) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const hubs = devicesOfKind(design, 'ruleHub');
  return (
    <Drawer open title="Hubs and radios" placement="right" size={680} onClose={onClose} mask={false} rootClassName={drawer.root}>
      {hubs.length > 0 && (
        <p>
          What is heard comes from the vehicle’s data line, to which a hub listens and nothing else: no wire of it drives that line, no
          resistor ends it. On the bench the vehicle’s own controls stand in for the line.
        </p>
      )}
      {refusal}
      {hubs.map((hub) => (
        <Hub key={hub.id} hub={hub} onCommit={commit} />
      ))}
      {devicesOfKind(design, 'receiver').map((receiver) => (
        <ReceiverMode key={receiver.id} receiver={receiver} onCommit={commit} />
      ))}
    </Drawer>
  );
}

function Hub({ hub, onCommit }: { hub: RuleHub; onCommit: Commit }) {
  const overlaps = hubOverlaps(hub);
  const put = (label: string, rules: HubRule[]) =>
    onCommit(`${hub.name}: ${label}`, (now) => updateRecords(now, [setting(hub, { rules })]));
  const set = (at: number, fields: Partial<HubRule>) =>
    put(
      `rule ${at + 1}`,
      hub.rules.map((rule, place) => (place === at ? withoutNothing({ ...rule, ...fields }) : rule)),
    );
  const swap = (at: number, other: number) => {
    const rules = [...hub.rules];
    [rules[at], rules[other]] = [rules[other]!, rules[at]!];
    put('order of its rules', rules);
  };
  return (
    <section className={styles.hub} aria-label={hub.name}>
      <h3>{hub.name}</h3>
      {overlaps.map(({ output, one, other }) => (
        <p key={`${one} ${other}`} className={styles.open} role="note">
          Undecided: output {output} by rule {one + 1} or by rule {other + 1}, where both hold.{' '}
          <Button size="small" onClick={() => set(one, { wins: true })}>
            Rule {one + 1} goes before
          </Button>{' '}
          <Button size="small" onClick={() => set(other, { wins: true })}>
            Rule {other + 1} goes before
          </Button>
        </p>
      ))}
      <ol className={styles.rules}>
        {hub.rules.map((rule, at) => (
          <li key={at} aria-label={`Rule ${at + 1}`}>
            <p className={styles.says}>{hubRuleWords(rule)}</p>
            <RuleFields hub={hub} rule={rule} at={at} onSet={(fields) => set(at, fields)} />
            <span className={styles.buttons}>
              <Button
                size="small"
                aria-label={`Rule ${at + 1} up`}
                disabled={at === 0}
                icon={<ArrowUp size={14} />}
                onClick={() => swap(at, at - 1)}
              />
              <Button
                size="small"
                aria-label={`Rule ${at + 1} down`}
                disabled={at === hub.rules.length - 1}
                icon={<ArrowDown size={14} />}
                onClick={() => swap(at, at + 1)}
              />
              <Button
                size="small"
                aria-label={`Remove rule ${at + 1}`}
                icon={<Trash2 size={14} />}
                onClick={() =>
                  put(
                    `rule ${at + 1} goes`,
                    hub.rules.filter((_, place) => place !== at),
                  )
                }
              />
            </span>
          </li>
        ))}
      </ol>
      {hub.rules.length === 0 && <p>No rules: its outputs stay off.</p>}
      <Button
        size="small"
        disabled={hub.rules.length >= MOST_RULES}
        onClick={() => put('a rule', [...hub.rules, { output: 1, all: [], none: [], heard: ['ignition'], block: false }])}
      >
        Add a rule
      </Button>
    </section>
  );
}

/** Lists and marks that say nothing are left out, as if they had never been set. */
function withoutNothing(rule: HubRule): HubRule {
  const { heard, unheard, does, seconds, wins, ...others } = rule;
  return {
    ...others,
    ...(heard?.length && { heard }),
    ...(unheard?.length && { unheard }),
    ...(does && does !== 'steady' && { does }),
    ...((does === 'pulse' || does === 'late') && { seconds: seconds ?? USUAL_HUB_S }),
    ...(wins && { wins }),
  };
}

interface RuleProps {
  hub: RuleHub;
  rule: HubRule;
  at: number;
  onSet(fields: Partial<HubRule>): void;
}

function RuleFields({ hub, rule, at, onSet }: RuleProps) {
  const of = `rule ${at + 1}`;
  const ports = (count: number, word: string) =>
    Array.from({ length: count }, (_, port) => ({ value: port + 1, label: `${word} ${port + 1}` }));
  const heard = VEHICLE_SIGNALS.map((value) => ({ value, label: SIGNAL_WORDS[value] }));
  const takesS = actS(rule);
  return (
    <div className={styles.fields}>
      <Field word="Output">
        <Select
          size="small"
          aria-label={`Output, ${of}`}
          value={rule.output}
          options={ports(hub.outputs, 'output')}
          onChange={(output) => onSet({ output })}
        />
        <Select<HubAct | 'block'>
          size="small"
          aria-label={`It does, ${of}`}
          value={rule.block ? 'block' : (rule.does ?? 'steady')}
          popupMatchSelectWidth={false}
          options={[...HUB_ACTS.map((value) => ({ value, label: HUB_ACT_WORDS[value] })), { value: 'block' as const, label: 'stays off' }]}
          onChange={(next) => onSet(next === 'block' ? { block: true, does: undefined } : { block: false, does: next })}
        />
        {takesS !== null && !rule.block && (
          <QuantityField
            label={`Seconds, ${of}`}
            unit="s"
            value={takesS}
            decimals={0}
            least={1}
            most={100_000}
            // To what is shown: tenths.
            onCommit={(seconds) => onSet({ seconds: Math.round(seconds * 10) / 10 })}
          />
        )}
        {!rule.block && (
          <Checkbox
            aria-label={`Goes before, ${of}`}
            checked={rule.wins === true}
            onChange={({ target }) => onSet({ wins: target.checked })}
          >
            before all others
          </Checkbox>
        )}
      </Field>
      <Several word="Heard" label={`Heard, ${of}`} value={rule.heard ?? []} options={heard} onChange={(next) => onSet({ heard: next })} />
      <Several
        word="Not heard"
        label={`Not heard, ${of}`}
        value={rule.unheard ?? []}
        options={heard}
        onChange={(next) => onSet({ unheard: next })}
      />
      <Several
        word="Live"
        label={`Inputs live, ${of}`}
        value={rule.all}
        options={ports(hub.inputs, 'input')}
        onChange={(all) => onSet({ all })}
      />
      <Several
        word="Not live"
        label={`Inputs not live, ${of}`}
        value={rule.none}
        options={ports(hub.inputs, 'input')}
        onChange={(none) => onSet({ none })}
      />
    </div>
  );
}

function Field({ word, children }: { word: string; children: React.ReactNode }) {
  return (
    <div className={styles.field}>
      <span>{word}</span>
      {children}
    </div>
  );
}

interface SeveralProps<T extends string | number> {
  word: string;
  label: string;
  value: readonly T[];
  options: { value: T; label: string }[];
  onChange(next: T[]): void;
}

function Several<T extends string | number>({ word, label, value, options, onChange }: SeveralProps<T>) {
  return (
    <Field word={word}>
      <Select<T[]>
        size="small"
        mode="multiple"
        aria-label={label}
        className={styles.several}
        placeholder="does not matter"
        value={[...value]}
        options={options}
        showSearch={{ optionFilterProp: 'label' }}
        onChange={onChange}
      />
    </Field>
  );
}
