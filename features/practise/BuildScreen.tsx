import { Button, Select } from 'antd';
import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import * as z from 'zod/mini';
import { listUpTo, textUpTo } from '@/core/units/schema';
import { recordOf } from '@/core/design/design';
import type { Device, TerminalRef } from '@/core/design/schema';
import { isSameTerminal } from '@/core/design/terminals';
import { kindOf } from '@/core/devices';
import { pointKey } from '@/core/diagnosis/foresee';
import { BUILD_TASKS, checked, wiredUp, type BuildTask, type Built, type Drawn } from '@/core/practise/buildTasks';
import { nameOf } from '@/core/design/names';
import { pointWords } from '@/core/wording/flawWords';
import { seriesWords, verdictWords, wishWords } from '@/core/wording/wishWords';
import { terminalName } from '@/core/wording/terminalNames';
import { useKept } from '@/ui/useKept';
import { BoardPicture } from './BoardPicture';
import { useLearner } from './useLearner';
import shared from './Practise.module.css';
import styles from './Build.module.css';

const terminal = z.strictObject({ deviceId: textUpTo(40), terminal: textUpTo(20) });
const MOST_WIRES = 40;
const kept = listUpTo(z.strictObject({ from: terminal, to: terminal }), MOST_WIRES);

/** Wishes and a box of parts, wired terminal to terminal; the checker proves it or shows what breaks it. */
export function BuildScreen({ taskId }: { taskId: string }) {
  const task = BUILD_TASKS.find(({ id }) => id === taskId);
  return task ? <Box key={task.id} task={task} /> : null;
}

function Box({ task }: { task: BuildTask }) {
  const { keep } = useLearner();
  const [keptWires, setDrawn] = useKept<Drawn[]>(`vine-knot build ${task.id}`, kept, () => []);
  const [held, setHeld] = useState<TerminalRef | null>(null);
  const [built, setBuilt] = useState<Built | null>(null);
  const terminals = useMemo(() => terminalsOf(task), [task]);
  // What was kept may be of another version of the box.
  const drawn = useMemo(() => {
    const there = new Set(terminals.flatMap(({ ends }) => ends.map(pointKey)));
    return keptWires.filter(({ from, to }) => there.has(pointKey(from)) && there.has(pointKey(to)));
  }, [keptWires, terminals]);
  const design = useMemo(() => wiredUp(task, drawn), [task, drawn]);
  const change = (next: Drawn[]) => {
    setDrawn(next);
    setBuilt(null);
  };
  const join = (from: TerminalRef, to: TerminalRef) => {
    setHeld(null);
    const isThere = drawn.some(
      (wire) =>
        (isSameTerminal(wire.from, from) && isSameTerminal(wire.to, to)) ||
        (isSameTerminal(wire.from, to) && isSameTerminal(wire.to, from)),
    );
    if (isSameTerminal(from, to) || isThere || drawn.length >= MOST_WIRES) return;
    change([...drawn, { from, to }]);
  };
  const pull = (from: TerminalRef, key: string) => {
    const to = terminals.flatMap(({ ends }) => ends).find((one) => pointKey(one) === key);
    if (to) join(from, to);
  };
  const press = (at: TerminalRef) => (held ? join(held, at) : setHeld(at));
  const check = () => {
    const said = checked(task, drawn);
    setBuilt(said);
    if (said.isDone && !built?.isDone) keep({ kind: 'build', subject: task.id, seed: null, points: said.points });
  };
  return (
    <main className={styles.build}>
      <header className={shared.bar}>
        <Link href="/practise">Practise</Link>
        <h1>{task.title}</h1>
        <span className="reading">
          {drawn.length} {drawn.length === 1 ? 'wire' : 'wires'}
        </span>
        <Button size="small" disabled={drawn.length === 0} onClick={() => change(drawn.slice(0, -1))}>
          Undo
        </Button>
        <Button type="primary" size="small" onClick={check}>
          Check it
        </Button>
      </header>
      <div className={styles.table}>
        <section aria-label="Box" className={styles.box}>
          <p>{task.story}</p>
          <p className={styles.soft}>
            {held
              ? `A wire from ${pointWords(design, held)}: press where it goes, or the same again to let it go.`
              : 'Press a terminal, then the one its wire goes to, or pull from one to the other.'}
          </p>
          <ul className={styles.parts}>
            {terminals.map(({ device, ends: own }) => (
              <li key={device.id}>
                <b>{device.name}</b>
                <span>
                  {own.map((at) => (
                    <Terminal key={pointKey(at)} {...{ device, at, held, drawn }} onPress={press} onPull={pull} />
                  ))}
                </span>
              </li>
            ))}
          </ul>
          <JoinByList {...{ design, terminals }} onJoin={join} />
        </section>
        <section aria-label="Wishes and wires" className={styles.side}>
          <h2>What it shall do</h2>
          <Wishes task={task} design={design} built={built} />
          <h2>Wires</h2>
          {drawn.length === 0 && <p className={styles.soft}>None yet.</p>}
          <ol className={styles.wires}>
            {drawn.map((wire, at) => (
              <li key={`${pointKey(wire.from)} ${pointKey(wire.to)}`}>
                <span>
                  {pointWords(design, wire.from)} to {pointWords(design, wire.to)}
                </span>
                <Button
                  size="small"
                  aria-label={`Take out the wire from ${pointWords(design, wire.from)} to ${pointWords(design, wire.to)}`}
                  onClick={() => change(drawn.filter((_, place) => place !== at))}
                >
                  Take out
                </Button>
              </li>
            ))}
          </ol>
        </section>
      </div>
      <BoardPicture design={design} />
    </main>
  );
}

interface Ends {
  device: Device;
  ends: readonly TerminalRef[];
}

/** What wires may land on: the fuses' outlets, the box, the bar for the returns. */
function terminalsOf({ design, box }: BuildTask): Ends[] {
  const of = (id: string, only?: string): Ends => {
    const device = recordOf(design, id, 'device')!;
    const all = kindOf(device).terminals(device);
    return { device, ends: all.filter((one) => only === undefined || one === only).map((name) => ({ deviceId: id, terminal: name })) };
  };
  const fuses = Array.from(design.records.values()).flatMap((record) => (record.type === 'circuit' ? [record.protectionId] : []));
  return [...fuses.map((id) => of(id, 'out')), ...box.map((id) => of(id)), of('minusBar')];
}

interface TerminalProps {
  device: Device;
  at: TerminalRef;
  held: TerminalRef | null;
  drawn: readonly Drawn[];
  onPress(at: TerminalRef): void;
  /** Pulled onto the terminal of a key. */
  onPull(from: TerminalRef, key: string): void;
}

function Terminal({ device, at, held, drawn, onPress, onPull }: TerminalProps) {
  const isHeld = held !== null && isSameTerminal(held, at);
  // A pull ends in a click on where it began.
  const isPulled = useRef(false);
  const landed = drawn.filter(({ from, to }) => isSameTerminal(from, at) || isSameTerminal(to, at)).length;
  return (
    <button
      type="button"
      data-end={pointKey(at)}
      aria-pressed={isHeld}
      aria-label={`${device.name}, ${terminalName(device, at.terminal)}${landed > 0 ? `, ${landed} landed` : ''}`}
      className={styles.terminal}
      onPointerDown={({ currentTarget, pointerId, pointerType }) => {
        isPulled.current = false;
        if (pointerType === 'mouse') currentTarget.setPointerCapture(pointerId);
      }}
      onPointerUp={({ clientX, clientY }) => {
        const under = document.elementsFromPoint(clientX, clientY).find((element) => element.matches('[data-end]'));
        const key = under?.getAttribute('data-end');
        if (!key || key === pointKey(at)) return;
        isPulled.current = true;
        onPull(at, key);
      }}
      onClick={() => !isPulled.current && onPress(at)}
    >
      {terminalName(device, at.terminal)}
      {landed > 0 && <i aria-hidden>{'•'.repeat(landed)}</i>}
    </button>
  );
}

/** The same by two lists, for whoever has no pointer. */
function JoinByList({
  design,
  terminals,
  onJoin,
}: {
  design: Parameters<typeof pointWords>[0];
  terminals: readonly Ends[];
  onJoin(from: TerminalRef, to: TerminalRef): void;
}) {
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const all = terminals.flatMap(({ ends }) => ends);
  const options = all.map((at) => ({ value: pointKey(at), label: pointWords(design, at) }));
  const find = (key: string | null) => all.find((at) => pointKey(at) === key);
  const [one, other] = [find(from), find(to)];
  return (
    <div className={styles.join}>
      {[
        { name: 'Wire from', value: from, set: setFrom },
        { name: 'Wire to', value: to, set: setTo },
      ].map(({ name, value, set }) => (
        <Select
          key={name}
          showSearch
          size="small"
          optionFilterProp="label"
          aria-label={name}
          placeholder={name.toLowerCase()}
          value={value}
          options={options}
          onChange={set}
        />
      ))}
      <Button
        size="small"
        disabled={!one || !other}
        onClick={() => {
          if (one && other) onJoin(one, other);
          setFrom(null);
          setTo(null);
        }}
      >
        Join
      </Button>
    </div>
  );
}

function Wishes({ task, design, built }: { task: BuildTask; design: BuildTask['design']; built: Built | null }) {
  const wishes = Array.from(task.design.records.values()).flatMap((record) => (record.type === 'wish' ? [record] : []));
  return (
    <>
      <ul className={styles.wishes}>
        {wishes.map((wish) => {
          const judged = built?.judged.find((one) => one.wish.id === wish.id);
          return (
            <li key={wish.id} data-verdict={judged?.verdict}>
              {nameOf(design, wish.loadId)}: {wishWords(design, wish.says)}
              {judged && <b> {verdictWords(judged)}</b>}
              {judged && judged.verdict !== 'kept' && judged.series.length > 0 && <small>{seriesWords(design, judged.series)}</small>}
            </li>
          );
        })}
      </ul>
      <div role="status">
        {built &&
          built.faults.map((fault) => (
            <p key={fault} className={styles.fault}>
              {fault}
            </p>
          ))}
        {built?.isDone && (
          <p className={styles.done}>
            Proved in every way it can stand: {built.wires} wires,{' '}
            {built.wires <= built.par ? 'as few as it takes.' : `${built.par} would do.`}
          </p>
        )}
        {built && !built.isDone && <p>Not yet: what breaks it is said above.</p>}
      </div>
    </>
  );
}
