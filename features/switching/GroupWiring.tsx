'use client';

import { Button, Progress, Select } from 'antd';
import { useState } from 'react';
import type { GroupLine, GroupWired } from '@/core/advice/wireGroup';
import type { Judged } from '@/core/bench/judge';
import { applyChange, isEmpty } from '@/core/design/change';
import { recordsOf, type Design } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import { takenOn } from '@/core/switching/panels';
import { partWords } from '@/core/wording/harnessWords';
import { WAY_WORDS } from '@/core/wording/wayWords';
import { outcomeWords, wishWords } from '@/core/wording/wishWords';
import { wordFinding } from '@/core/wording/wording';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { usePrices } from '@/features/design/usePrices';
import { useRefusal } from '@/features/design/useRefusal';
import { Facts } from './Facts';
import { priceWords } from '@/core/formats/priceWords';
import { useSwitchingAnswer } from './useSwitchingAnswer';
import styles from './WishesDrawer.module.css';

/** From wishes to wiring: loads wired so that all that is wished of them is done, told before anything is bought. */
export function GroupWiring({ judged, onDone }: { judged: readonly Judged[]; onDone(): void }) {
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  const wishing = loads.filter(({ id }) => judged.some(({ wish }) => wish.loadId === id));
  const open = wishing.filter(({ id }) =>
    judged.some(({ wish, verdict, why }) => wish.loadId === id && verdict !== 'kept' && why !== 'unanswered'),
  );
  const [loadIds, setLoads] = useState<string[]>(() => open.map(({ id }) => id));
  const [isAsked, setAsked] = useState(false);
  const [seats, setSeats] = useState(NOWHERE);
  const design = useDesign((state) => state.design);
  const onto = seats.startsWith(NEW) ? { placeId: seats.slice(NEW.length) } : seats === NOWHERE ? null : { panelId: seats };
  const { answer, done } = useSwitchingAnswer(isAsked && loadIds.length > 0 ? { ask: 'group', loadIds, onto } : null);
  const pick = (ids: string[]) => {
    setLoads(ids);
    setAsked(false);
  };
  return (
    <section className={styles.making} aria-label="Wire what is wished">
      <p>Each of these is wired the best way that keeps all that is wished of it; one that does so already stays as it is.</p>
      <Select
        mode="multiple"
        className={styles.load}
        aria-label="Loads to wire"
        placeholder="Loads of which something is wished"
        value={loadIds}
        options={wishing.map(({ id, name }) => ({ value: id, label: name }))}
        showSearch={{ optionFilterProp: 'label' }}
        onChange={pick}
      />
      <label className={styles.seats}>
        Their switches sit
        <Select
          className={styles.load}
          aria-label="Their switches sit"
          value={seats}
          options={seatOptions(design)}
          showSearch={{ optionFilterProp: 'label' }}
          onChange={(next) => {
            setSeats(next);
            setAsked(false);
          }}
        />
      </label>
      <p className={styles.buttons}>
        <Button size="small" disabled={isAsked || loadIds.length === 0} onClick={() => setAsked(true)}>
          Try it on a copy
        </Button>
        <Button size="small" onClick={isAsked && answer === null ? () => setAsked(false) : onDone}>
          {isAsked && answer === null ? 'Stop' : 'Close'}
        </Button>
      </p>
      {isAsked && answer === null && <Progress percent={Math.round(done * 100)} size="small" aria-label="Ways tried" />}
      {answer && 'problem' in answer && <p role="alert">{answer.problem}</p>}
      {answer && 'group' in answer && <Proposal group={answer.group} onTaken={onDone} />}
    </section>
  );
}

const NOWHERE = '';
const NEW = 'new ';

/** Panels there are with a position free, and a new one at any place. */
function seatOptions(design: Design): { value: string; label: string }[] {
  const panels = recordsOf(design, 'panel').flatMap(({ id, name, use }) => {
    const { taken, positions } = takenOn(design, id)!;
    const free = positions - taken;
    return free > 0 && (use === 'panel' || use === 'dash') ? [{ value: id, label: `on ${name}, ${free} free` }] : [];
  });
  const places = recordsOf(design, 'place').map(({ id, name }) => ({ value: `${NEW}${id}`, label: `on a new panel at ${name}` }));
  return [{ value: NOWHERE, label: 'where there is a position, else on no panel yet' }, ...panels, ...places];
}

/** How full the panel is that they were to sit on, and what found no position. */
function panelWords(after: Design, { panelId, offPanel }: GroupWired): string {
  const on = panelId === null ? null : takenOn(after, panelId);
  const off = offPanel === 0 ? 'all have a position' : `${offPanel} ${offPanel === 1 ? 'has' : 'have'} no position on a panel yet`;
  return on === null ? off : `${nameOf(after, panelId!)}: ${on.taken} of ${on.positions} positions taken; ${off}`;
}

function Proposal({ group, onTaken }: { group: GroupWired; onTaken(): void }) {
  const design = useDesign((state) => state.design);
  const units = useUnits();
  const { currency } = usePrices();
  const { commit, refusal } = useRefusal();
  const { change, lines, parts, dropped, wires, cores, price, brought, ended, unmet } = group;
  const after = applyChange(design, change);
  const facts: [string, string][] = [
    ['Parts', parts.length === 0 ? 'none' : parts.map((line) => `${line.count} × ${partWords(line, units).what}`).join(', ')],
    ['Parts that go', dropped === 0 ? 'none' : String(dropped)],
    ['Wires', wires === 0 ? 'none' : `${wires} more, ${cores} of them from place to place`],
    ['On panels', panelWords(after, group)],
    ['It costs', priceWords(price, currency)],
    ...(ended > 0 ? [['It ends', `${ended} finding${ended === 1 ? '' : 's'}`] as [string, string]] : []),
  ];
  const take = () => {
    if (commit('Wire what is wished', () => change) === null) onTaken();
  };
  return (
    <>
      <ul aria-label="Loads">
        {lines.map((line) => (
          <li key={line.loadId}>
            <strong>{nameOf(design, line.loadId)}</strong>: {fateWords(line)}
          </li>
        ))}
      </ul>
      {isEmpty(change) ? (
        <p>Nothing is to be wired anew.</p>
      ) : (
        <>
          <Facts facts={facts} />
          {unmet.map((one) => (
            <p key={one.wish.id} className={styles.unmet}>
              Not kept then: {nameOf(design, one.wish.loadId)} {wishWords(after, one.wish.says)}; {outcomeWords(after, one)}.
            </p>
          ))}
          {brought.map((finding) => (
            <p key={`${finding.rule} ${finding.subjects.join()}`} className={styles.unmet}>
              It brings: {wordFinding(finding, after, units).message}
            </p>
          ))}
          {refusal}
          <Button type="primary" onClick={take}>
            Wire them so
          </Button>
        </>
      )}
    </>
  );
}

function fateWords({ fate, wayId, undecided }: GroupLine): string {
  const open = undecided === 0 ? '' : `; ${undecided} of its questions ${undecided === 1 ? 'is' : 'are'} undecided`;
  if (fate === 'asItIs') return `as it is, it does all that is wished${open}`;
  if (fate === 'unsound') return `every ready way that keeps all would bring a fault of its own; it stays as it is${open}`;
  return fate === 'noWay' ? `no ready way keeps all that is wished; it stays as it is${open}` : `${WAY_WORDS[wayId!].name}${open}`;
}
