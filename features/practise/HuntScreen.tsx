import { Button } from 'antd';
import Link from 'next/link';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { sheetsOf, type SheetOf } from '@/core/diagram/drawing';
import { drawableOf } from '@/core/diagram/drawSheets';
import type { TerminalRef } from '@/core/design/schema';
import { partDeciding } from '@/core/diagnosis/diagnose';
import { wireNumbersOf } from '@/core/harness/schedule';
import { LOOKS, type Hunt, type HuntAct, type LeadMode } from '@/core/practise/hunt';
import { displayWords, leftWords, SHINE_WORDS, UNSAFE_WORDS, type Labelled } from '@/core/practise/huntWords';
import { scoreOf } from '@/core/practise/score';
import { formatNumber } from '@/core/units/quantity';
import { useDrawings } from '@/features/harness/useDrawings';
import { HuntBoard } from './HuntBoard';
import { HuntControls } from './HuntControls';
import { HuntLog } from './HuntLog';
import { HuntResult } from './HuntResult';
import { MeterPanel, type Lead } from './MeterPanel';
import { SubjectPanel } from './SubjectPanel';
import { useHunt } from './useHunt';
import { useWay } from './useWay';
import styles from './Practise.module.css';

/** Parts up to which a board is drawn on one sheet. */
const ONE_SHEET = 40;
const NOTHING = '– – –';
const PRACTISE = { href: '/practise', says: 'Practise' };

interface HuntScreenProps {
  hunt: Hunt;
  /** Told once everything is proved. */
  onDone(points: number): void;
  /** What else there is to do, in the bar. */
  more?: ReactNode;
  back?: { says: string } & ({ href: string } | { go(): void });
}

/** A board with a fault in it: what its owner says, the board to put leads on, the meter, the hands, and in the end how it went. */
export function HuntScreen({ hunt, onDone, more, back = PRACTISE }: HuntScreenProps) {
  const { bench, problem, isShown, do: act, showWay, again } = useHunt(hunt);
  const [mode, setMode] = useState<LeadMode>('volts');
  const [red, setRed] = useState<TerminalRef | null>(null);
  const [black, setBlack] = useState<TerminalRef>(() => ({ deviceId: bench.plan.battery?.id ?? '', terminal: 'minus' }));
  const [inHand, setInHand] = useState<Lead>('red');
  const [display, setDisplay] = useState(NOTHING);
  const [subjectId, setSubjectId] = useState<string | null>(null);
  const isOver = bench.isDone || isShown;
  const { way, problem: wayProblem } = useWay(hunt, isOver);
  const { board, drawable, sheets, near } = useMemo(() => layoutOf(hunt), [hunt]);
  const [undrawn, setUndrawn] = useState(false);
  const failed = useCallback(() => setUndrawn(true), []);
  const { drawings } = useDrawings(drawable, sheets, failed);
  const score = bench.isDone && !isShown && way ? scoreOf(bench.entries, way) : null;
  // What was done before this page was opened was told then.
  const told = useRef(bench.isDone);
  useEffect(() => {
    if (!score || told.current) return;
    told.current = true;
    onDone(score.points);
  }, [score, onDone]);

  const read = (leads: { red: TerminalRef; black: TerminalRef }, range: LeadMode = mode) => {
    const entry = act({ kind: 'meter', mode: range, ...leads });
    const [first] = entry?.told ?? [];
    setDisplay(first && (first.kind === 'volts' || first.kind === 'ohms' || first.kind === 'continuity' || first.kind === 'diode') ? displayWords(first) : first?.kind === 'meterLive' ? 'fuse' : NOTHING); // prettier-ignore
  };
  const put = (lead: Lead, at: TerminalRef) => {
    if (lead === 'black') {
      setBlack(at);
      setInHand('red');
      setDisplay(NOTHING);
      return;
    }
    setRed(at);
    read({ red: at, black });
  };
  const onDo = (one: HuntAct) => {
    const entry = act(one);
    const [first] = entry?.told ?? [];
    if (first?.kind === 'amps') setDisplay(displayWords(first));
    else if (!LOOKS.has(one.kind)) setDisplay(NOTHING);
  };
  const begin = () => {
    again();
    told.current = false;
    setDisplay(NOTHING);
    setRed(null);
  };
  const last = bench.entries.at(-1);
  const { isIsolated, bridge } = bench.state;
  const shines = bench.lampShines();
  return (
    <main className={styles.hunt}>
      <header className={styles.bar}>
        {'href' in back ? (
          <Link href={back.href}>{back.says}</Link>
        ) : (
          <Button size="small" onClick={back.go}>
            {back.says}
          </Button>
        )}
        <h1>{hunt.title}</h1>
        <span className="reading" aria-label="Time spent">
          {formatNumber(bench.minutes, 1)} min, {bench.entries.length} {bench.entries.length === 1 ? 'act' : 'acts'}
        </span>
        {!isOver && (
          <Button size="small" onClick={showWay}>
            Show me the way
          </Button>
        )}
        {more}
        {bench.entries.length > 0 && (
          <Button size="small" onClick={begin}>
            Begin again
          </Button>
        )}
      </header>
      <div className={styles.table}>
        <div className={styles.boardSide}>
          <div className={styles.story}>
            <p>{hunt.story}</p>
            {hunt.complaints.map(({ says }) => (
              <blockquote key={says}>{says}</blockquote>
            ))}
          </div>
          {isOver && wayProblem && <p role="alert">{wayProblem}</p>}
          {isOver && !way && !wayProblem && <p role="status">Going the finder’s way …</p>}
          {isOver && way && <HuntResult hunt={hunt} board={board} entries={bench.entries} score={score} way={way} onAgain={begin} />}
          <div className={styles.sheets} role="region" aria-label="Board" tabIndex={0}>
            {undrawn && <p role="alert">The board could not be drawn. Everything can be reached from the lists beside it.</p>}
            {!undrawn && drawings.length === 0 && <p role="status">Drawing the board …</p>}
            {drawings.map((drawing) => (
              <HuntBoard
                key={drawing.id}
                {...{ hunt, bench, drawing, red, black, subjectId }}
                onTerminal={(at) => put(inHand, at)}
                onSubject={setSubjectId}
              />
            ))}
          </div>
        </div>
        <aside className={styles.hands} aria-label="Hands and meter">
          {problem && <p role="alert">{problem}</p>}
          <MeterPanel
            {...{ board, mode, inHand, display }}
            reachable={bench.reachable()}
            leads={{ red, black }}
            onMode={(next) => {
              setMode(next);
              setDisplay(NOTHING);
            }}
            onLead={put}
            onInHand={setInHand}
            onRead={() => red && read({ red, black })}
          />
          <HuntControls bench={bench} near={near} onFlick={(mover, position) => onDo({ kind: 'flick', mover, position })} />
          <SubjectPanel {...{ hunt, board, bench, subjectId, onDo }} onSubject={setSubjectId} />
          <section aria-label="Battery and proof" className={styles.acts}>
            <Button size="small" onClick={() => onDo({ kind: 'isolate', off: !isIsolated })}>
              {isIsolated ? 'Battery’s minus on again' : 'Battery’s minus off'}
            </Button>
            <Button
              size="small"
              disabled={!bridge && !red}
              onClick={() => onDo({ kind: 'bridge', lead: bridge || !red ? null : { from: red, to: black } })}
            >
              {bridge ? 'Fused lead away' : 'Fused lead from red to black'}
            </Button>
            <Button size="small" type="primary" onClick={() => onDo({ kind: 'prove' })}>
              Try everything
            </Button>
          </section>
          {last && last.unsafe.length > 0 && (
            <p role="alert" className={styles.warned}>
              {last.unsafe.map((what) => UNSAFE_WORDS[what]).join(' ')}
            </p>
          )}
          <p role="status" aria-label="Open work">
            {shines && `${SHINE_WORDS[shines]} `}
            {!isOver && bench.openWork().map((one) => `${leftWords(board, one)} `)}
          </p>
          <HuntLog board={board} entries={bench.entries} />
        </aside>
      </div>
    </main>
  );
}

/** Wire numbers of a board, the sheets it is drawn on, and which of its parts have a say in what is complained about. */
function layoutOf(hunt: Hunt) {
  const drawable = drawableOf(hunt.design);
  const { index, wiring, harness } = drawable;
  const board: Labelled = { design: hunt.design, numbers: wireNumbersOf(harness) };
  const isSmall = index.devices.size <= ONE_SHEET;
  const loadIds = hunt.complaints.flatMap((complaint) => complaint.loadIds);
  const part = isSmall ? index : partDeciding(index, wiring, loadIds);
  const wireIds = new Set(part.wires.map(({ id }) => id));
  const circuits = new Set(harness.wires.flatMap(({ wire, role }) => (wireIds.has(wire.id) && role.circuitId ? [role.circuitId] : [])));
  const sheets: SheetOf[] = isSmall ? ['whole'] : sheetsOf(index, harness).filter((sheet) => sheet === 'shared' || circuits.has(sheet.circuitId)); // prettier-ignore
  return { board, drawable, sheets, near: new Set(part.devices.keys()) };
}
