'use client';

import { Button, Drawer, Progress, Select } from 'antd';
import { CircleHelp, Play, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { BenchAct } from '@/core/design/schema';
import type { Judged } from '@/core/bench/judge';
import { isGiven, suggestedWishes } from '@/core/bench/usualWishes';
import { updateRecords } from '@/core/design/change';
import { recordsOf, type Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import { nameOf } from '@/core/design/names';
import type { WishSays } from '@/core/design/schema';
import { outcomeWords, wishWords } from '@/core/wording/wishWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { Verdict } from '@/ui/Verdict';
import { GroupWiring } from './GroupWiring';
import { useSwitchingAnswer } from './useSwitchingAnswer';
import { WishForm } from './WishForm';
import drawer from '@/ui/Drawer.module.css';
import styles from './WishesDrawer.module.css';

interface WishesDrawerProps {
  /** The load something is to be wished of, where one came for that. */
  firstOf: string | null;
  onPlay(acts: readonly BenchAct[]): void;
  onClose(): void;
}

/** What loads shall do, and what the wiring makes of it. */
export function WishesDrawer({ firstOf, onPlay, onClose }: WishesDrawerProps) {
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  const { commit, refusal } = useRefusal();
  const [stopped, setStopped] = useState(false);
  const { answer, done } = useSwitchingAnswer(stopped ? null : { ask: 'wishes' });
  const [last, setLast] = useState<Judged[]>([]);
  // While they are judged anew the last verdicts stay, of wishes that are still there.
  const judged = answer && 'judged' in answer ? answer.judged : null;
  if (judged && judged !== last) setLast(judged);
  const [loadId, setLoad] = useState<string | null>(firstOf);
  const wish = (says: WishSays) =>
    commit(`Wish of ${nameOf(design, loadId!)}`, (now) => {
      const edit = new Edit(now);
      edit.add({ id: newId('wish'), type: 'wish', loadId: loadId!, says });
      return edit.change;
    });
  const remove = (id: string, of: string) =>
    commit(`Take back a wish of ${of}`, (now) => {
      const edit = new Edit(now);
      edit.remove(id);
      return edit.change;
    });
  const decide = (id: string, of: string, says: WishSays) =>
    commit(`Decide for ${of}`, (now) => updateRecords(now, [{ id, set: { says } }]));
  const [isWiring, setWiring] = useState(false);
  const shown = (judged ?? last).filter(({ wish: one }) => design.records.has(isGiven(one) ? one.loadId : one.id));
  const counts = { kept: 0, broken: 0, undecided: 0 };
  for (const { verdict } of shown) counts[verdict] += 1;
  return (
    <Drawer
      open
      title="Wishes"
      placement="right"
      size={560}
      onClose={onClose}
      mask={false}
      autoFocus={firstOf === null}
      rootClassName={drawer.root}
    >
      <p className={styles.sum} role="status">
        {counts.kept} kept, {counts.broken} broken, {counts.undecided} undecided.
        {!stopped && answer === null && (
          <>
            <Progress percent={Math.round(done * 100)} size="small" className={styles.progress} aria-label="Ways tried" />
            <Button size="small" onClick={() => setStopped(true)}>
              Stop
            </Button>
          </>
        )}
        {stopped && (
          <Button size="small" onClick={() => setStopped(false)}>
            Hold them against the wiring
          </Button>
        )}
        {answer && 'problem' in answer && <span>{answer.problem}</span>}
      </p>
      <Select
        className={styles.load}
        aria-label="Wish something of"
        placeholder="Wish something of a load"
        value={loadId}
        options={loads.map(({ id, name }) => ({ value: id, label: name }))}
        showSearch={{ optionFilterProp: 'label' }}
        allowClear
        onChange={(next) => setLoad(next ?? null)}
      />
      {loadId !== null && <Making loadId={loadId} isAsked={loadId === firstOf} onWish={wish} />}
      {refusal}
      {isWiring ? (
        <GroupWiring judged={shown} onDone={() => setWiring(false)} />
      ) : (
        <Button size="small" className={styles.wire} disabled={judged === null || shown.length === 0} onClick={() => setWiring(true)}>
          Wire what is wished…
        </Button>
      )}
      {loads
        .filter(({ id }) => shown.some((one) => one.wish.loadId === id))
        .map(({ id: of, name }) => (
          <section key={of} className={styles.group} aria-label={name}>
            <h3>{name}</h3>
            <ul>
              {shown
                .filter((one) => one.wish.loadId === of)
                .map((one) => (
                  <Row
                    key={one.wish.id}
                    judged={one}
                    onPlay={onPlay}
                    onRemove={() => remove(one.wish.id, name)}
                    onSay={(says) => decide(one.wish.id, name, says)}
                  />
                ))}
            </ul>
          </section>
        ))}
    </Drawer>
  );
}

/** What may be wished of one load: what is likely by its kind, by one click, and any sentence. */
function Making({ loadId, isAsked, onWish }: { loadId: string; isAsked: boolean; onWish(says: WishSays): unknown }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const load = index.loads.find(({ id }) => id === loadId);
  if (!load) return null;
  const suggested = suggestedWishes(index, load, recordsOf(design, 'wish'));
  return (
    <div className={styles.making}>
      {suggested.length > 0 && (
        <p className={styles.suggested}>
          {suggested.map((says, at) => (
            <Button key={wishWords(design, says)} size="small" autoFocus={isAsked && at === 0} onClick={() => onWish(says)}>
              {says.kind === 'keyOut' || says.kind === 'powerBack' ? <CircleHelp size={14} aria-hidden /> : null}
              {wishWords(design, says).replace(': not decided', '?')}
            </Button>
          ))}
        </p>
      )}
      <WishForm key={loadId} loadId={loadId} onWish={onWish} />
    </div>
  );
}

interface RowProps {
  judged: Judged;
  onPlay(acts: readonly BenchAct[]): void;
  onRemove(): void;
  onSay(says: WishSays): void;
}

function Row({ judged, onPlay, onRemove, onSay }: RowProps) {
  const design = useDesign((state) => state.design);
  const { wish, verdict, series } = judged;
  const says = wishWords(design, wish.says);
  return (
    <li className={styles.row}>
      <Verdict severity={verdict === 'kept' ? 'ok' : verdict === 'undecided' ? 'note' : isGiven(wish) ? 'caution' : 'fault'} />
      <span>
        {says}
        {isGiven(wish) && <em className={styles.soft}> for safety</em>}
        <span className={styles.outcome}>{resultWords(design, judged)}</span>
        {(wish.says.kind === 'keyOut' || wish.says.kind === 'powerBack') && wish.says.answer === null && (
          <Answers says={wish.says} onSay={onSay} />
        )}
      </span>
      <span className={styles.acts}>
        {series.length > 0 && (
          <Button
            size="small"
            aria-label={`Play what breaks it: ${says}`}
            title="Play it on the bench"
            icon={<Play size={14} />}
            onClick={() => onPlay(series)}
          />
        )}
        {!isGiven(wish) && (
          <Button size="small" aria-label={`Take back: ${says}`} title="Take back" icon={<Trash2 size={14} />} onClick={onRemove} />
        )}
      </span>
    </li>
  );
}

/** What became of a wish, and in how many ways to stand. */
function resultWords(design: Design, judged: Judged): string {
  const { verdict, tried, withinS } = judged;
  if (verdict !== 'kept') return outcomeWords(design, judged);
  const ways = tried === 1 ? 'the one way to stand' : `all ${tried} ways to stand`;
  return `in ${ways}${withinS > 0 ? `, with up to ${withinS} s run` : ''}`;
}

/** The answers a question has, each a click. */
function Answers({ says, onSay }: { says: Extract<WishSays, { kind: 'keyOut' | 'powerBack' }>; onSay(says: WishSays): void }) {
  const answers: { word: string; says: WishSays }[] =
    says.kind === 'keyOut'
      ? [
          { word: 'It works', says: { ...says, answer: 'works' } },
          { word: 'It is off', says: { ...says, answer: 'dark' } },
        ]
      : [
          { word: 'It is off', says: { ...says, answer: 'off' } },
          { word: 'As before', says: { ...says, answer: 'asBefore' } },
          { word: 'It is on', says: { ...says, answer: 'on' } },
        ];
  return (
    <span className={styles.answers}>
      {answers.map(({ word, says: next }) => (
        <Button key={word} size="small" onClick={() => onSay(next)}>
          {word}
        </Button>
      ))}
    </span>
  );
}
