'use client';

import { Button, Checkbox, Radio } from 'antd';
import { Check, Printer } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { nameOf } from '@/core/design/names';
import { Edit } from '@/core/design/edit';
import { recordsOf } from '@/core/design/design';
import { firstPower, holderHolds, tryCircuit, type FirstPower, type InHolder, type PowerStep } from '@/core/plan/firstPower';
import { markDone } from '@/core/plan/markDone';
import { today } from '@/core/units/days';
import { formatAmps, formatRating } from '@/core/units/quantity';
import { changeWords, movesWords } from '@/core/wording/benchWords';
import { flowWords, HOLDER_WORDS, stopWords, testFuseWords } from '@/core/wording/powerWords';
import { actWords } from '@/core/wording/wishWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import shared from '../harness/Harness.module.css';
import { Table } from '@/ui/Table';
import { StillLiveList } from './StillLiveList';
import styles from './FirstPower.module.css';

/** Each is worked out as it is opened; of so many all at once. */
const MOST_OPEN = 40;

/** First power: what must be so before, then one circuit after the other through a small fuse, what should answer, and when to stop. */
export function FirstPowerView() {
  const analysis = useDesign((state) => state.analysis);
  const power = useMemo(() => firstPower(analysis), [analysis]);
  const view = useDesign((state) => state.view);
  // The one somebody opened; null: all were closed. Until then the next that is not on its own fuse.
  const [wanted, setWanted] = useState<string | null>();
  const [isAll, setAll] = useState(false);
  if (view === 'now')
    return (
      <p className={shared.soft}>First power goes by the plan: as it is now, a fuse that is not in yet is not there. Show it as planned.</p>
    );
  if (!power) return <p className={shared.soft}>The wiring has no answer, or never comes to rest: Circuits and Switching show why.</p>;
  const next = power.steps.find(({ holds }) => holds !== 'own') ?? power.steps[0];
  const openId = wanted === undefined ? next?.circuit.id : wanted;
  const isIn = power.steps.filter(({ holds }) => holds === 'own').length;
  return (
    <div className={shared.view} role="region" aria-label="First power" tabIndex={0}>
      <div className={styles.bar}>
        <span role="status">
          <b className="reading">{isIn}</b> of {power.steps.length} circuits on their own fuse
        </span>
        <span className={styles.right}>
          {power.steps.length <= MOST_OPEN && (
            <Checkbox checked={isAll} onChange={({ target }) => setAll(target.checked)}>
              open all, as for paper
            </Checkbox>
          )}
          <Button size="small" icon={<Printer size={14} />} onClick={() => window.print()}>
            Print
          </Button>
        </span>
      </div>
      <Before power={power} />
      <ol className={styles.steps}>
        {power.steps.map((step) => (
          <Step
            key={step.circuit.id}
            power={power}
            step={step}
            isOpen={isAll || step.circuit.id === openId}
            isAsked={step.circuit.id === wanted}
            onOpen={setWanted}
          />
        ))}
      </ol>
    </div>
  );
}

/** What must be so before any fuse goes in, and what should be read then. */
function Before({ power: { bareA, steps, leftOut } }: { power: FirstPower }) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const isConnected = recordsOf(design, 'doneTask').some(({ task }) => task === 'connect');
  const unchecked = steps.filter(({ isChecked }) => !isChecked);
  return (
    <section aria-label="Before the first fuse" className={styles.before}>
      <h3>Before the first fuse</h3>
      <ul>
        <li>Every fuse out, every switch off, the extinguisher within reach, no hand or tool near the bars.</li>
        <li data-open={unchecked.length > 0}>
          {unchecked.length === 0
            ? 'Every circuit was checked with ohms.'
            : `Not checked with ohms yet: ${unchecked.map(({ circuit }) => nameOf(design, circuit.id)).join(', ')}. The work plan says what each should read.`}
        </li>
        {leftOut.length > 0 && (
          <li data-open>
            Not among these, since nothing feeds them or nothing hangs on them: {leftOut.map((id) => nameOf(design, id)).join(', ')}.
          </li>
        )}
        <li data-open={!isConnected}>
          {isConnected
            ? 'The battery is connected.'
            : 'The battery is not said to be connected yet: plus first, minus last, isolator off until then. '}
          {!isConnected && (
            <Button
              size="small"
              icon={<Check size={15} />}
              onClick={() =>
                commit('The battery is connected', (now) => {
                  const edit = new Edit(now);
                  markDone(edit, 'connect', true, today());
                  return edit.change;
                })
              }
            >
              it is
            </Button>
          )}
        </li>
        <li>
          Isolator on: the blocks read what the battery does, and a clamp round its cable reads {flowWords(bareA)}. Anything else first:
          find it before a fuse goes in.
        </li>
      </ul>
      <StillLiveList />
      {refusal}
    </section>
  );
}

interface StepProps {
  power: FirstPower;
  step: PowerStep;
  isOpen: boolean;
  /** Somebody opened it. */
  isAsked: boolean;
  onOpen(circuitId: string | null): void;
}

function Step({ power, step, isOpen, isAsked, onOpen }: StepProps) {
  const design = useDesign((state) => state.design);
  const { circuit, fuse, holds, testA, isPowered } = step;
  const name = nameOf(design, circuit.id);
  const held = holds === 'other' ? `${formatRating(fuse.fittedA ?? null)} in, not planned` : HOLDER_WORDS[holds];
  const item = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isAsked) item.current?.scrollIntoView({ block: 'nearest' });
  }, [isAsked]);
  return (
    <li ref={item} data-holds={holds}>
      <button type="button" className={styles.head} aria-expanded={isOpen} onClick={() => onOpen(isOpen ? null : circuit.id)}>
        <b>{name}</b>
        <span className="reading">
          {testA !== null && `${formatRating(testA)} → `}
          {formatRating(fuse.ratingA)}
        </span>
        <span className={styles.held}>{held}</span>
      </button>
      {isOpen && (
        <div className={styles.body}>
          {holds === 'out' && isPowered && (
            <p className={styles.open}>The work plan has it as powered, yet nobody said which fuse is in.</p>
          )}
          {/* What its own fuse may carry is tried once that is in: it stays open. */}
          <Holder step={step} name={name} onPut={() => onOpen(circuit.id)} />
          <p>{testFuseWords(design, step)}</p>
          <Answers power={power} step={step} />
          <p className={styles.stop}>{stopWords(step)}</p>
        </div>
      )}
    </li>
  );
}

/** Three states of one holder, as they follow each other. */
function Holder({ step, name, onPut }: { step: PowerStep; name: string; onPut(): void }) {
  const { commit, refusal } = useRefusal();
  const { fuse, testA, holds, isChecked } = step;
  const put = (now: Exclude<InHolder, 'other'>) => {
    onPut();
    commit(`${name}: ${HOLDER_WORDS[now]}`, (design) => {
      const edit = new Edit(design);
      holderHolds(edit, step, now, today());
      return edit.change;
    });
  };
  return (
    <div className={styles.holder}>
      <Radio.Group
        aria-label={`In the holder of ${name}`}
        buttonStyle="solid"
        size="large"
        value={holds === 'other' ? null : holds}
        onChange={({ target }) => put(target.value as Exclude<InHolder, 'other'>)}
      >
        <Radio.Button value="out">out</Radio.Button>
        {testA !== null && <Radio.Button value="test">test fuse {formatRating(testA)}</Radio.Button>}
        <Radio.Button value="own">its own {formatRating(fuse.ratingA)}</Radio.Button>
      </Radio.Group>
      {holds === 'test' && <span className={styles.open}>A test fuse that stays in is temporary work.</span>}
      {holds === 'out' && !isChecked && <span className={styles.open}>Not checked with ohms yet.</span>}
      {refusal}
    </div>
  );
}

/** What should answer as the fuse goes in, and to each thing one moves. */
function Answers({ power, step }: { power: FirstPower; step: PowerStep }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const { wakes, moves, together } = useMemo(() => tryCircuit(index, wiring, power, step), [index, wiring, power, step]);
  return (
    <Table
      className={styles.answers}
      columns={[
        { head: 'Do this', as: 'name', cell: ({ act }) => act },
        { head: 'Expect', cell: ({ expect }) => expect },
        {
          head: 'Through its fuse',
          as: 'figure',
          cell: ({ amps }) => (
            <>
              {formatAmps(amps)}
              {step.testA !== null && amps > step.testA && <small>only on its own fuse</small>}
            </>
          ),
        },
      ]}
      rows={[
        {
          act: 'Put the fuse in',
          expect: wakes.length === 0 ? 'nothing comes on' : changeWords(design, wakes).join('. '),
          amps: step.standingA,
        },
        ...moves.map(({ act, changes, amps }) => ({
          act: actWords(design, act),
          expect: changes.length === 0 ? 'nothing lights by it alone' : changeWords(design, changes).join('. '),
          amps,
        })),
        ...(together ? [{ act: movesWords(design, together.moved), expect: 'all of it on', amps: together.amps }] : []),
      ]}
      keyOf={({ act }) => act}
    />
  );
}
