import { memo, useMemo } from 'react';
import type { Answer, Bench, LoadAnswer } from '@/core/bench/bench';
import type { Load } from '@/core/design/schema';
import { isLamp } from '@/core/devices/load';
import { answerWord } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { apart } from '@/features/rig/apart';
import { Body } from '@/features/rig/Body';
import { NO_PAN, project, type Projection } from '@/features/rig/projection';
import { vinePath } from '@/features/rig/RouteVine';
import { groundOf } from '@/features/rig/zoneNames';
import { inChunks } from './chunks';
import { isDrawnAlike } from './lit';
import { DrawnShape } from './LoadShape';
import { ampsByStretch, stretchesOf, whereLoad } from './onRig';
import styles from './LitRig.module.css';

/** The drawing's own width, in its own units; it is as wide as its column. */
const WIDE = 440;
/** Room round the vehicle that nothing is drawn in. */
const TRIM = 18;
const MARK = 13;
/** The shape in it. */
const DRAWN = 9.5;

interface LitRigProps {
  bench: Bench;
  /** What is lit now, and what flows, that may come a moment later. */
  answer: Answer;
  figures: Answer;
  /** The load whose run is shown. */
  openedId: string | null;
  onOpen(loadId: string): void;
}

/** The vehicle from above as it is now: every load lit where it is fixed, and the stretches that carry current, the thicker the more. */
export function LitRig({ bench, answer, figures, openedId, onOpen }: LitRigProps) {
  const index = useDesign(({ analysis }) => analysis.index);
  const { rig } = index.layout;
  const high = Math.round(((WIDE - 52) * rig.widthMm) / rig.lengthMm) + 60;
  const projection = useMemo(() => project(rig, 'plan', WIDE, high, NO_PAN), [rig, high]);
  const marks = useMemo(() => {
    const known = index.loads.flatMap((load) => {
      const at = whereLoad(index, load.id);
      return at ? [{ load, ...projection.at(at) }] : [];
    });
    return apart(known, MARK + 2, { left: MARK, right: WIDE - MARK, top: TRIM + MARK, bottom: high - TRIM - MARK });
  }, [index, projection, high]);
  const chunks = useMemo(() => inChunks(marks), [marks]);
  const answers = useMemo(() => new Map(answer.loads.map((one) => [one.id, one])), [answer]);
  if (marks.length === 0) return null;
  const unplaced = index.loads.length - marks.length;
  return (
    <figure className={styles.rig}>
      <svg viewBox={`0 ${TRIM} ${WIDE} ${high - 2 * TRIM}`} role="group" aria-label="Lit on the rig">
        <Ground projection={projection} />
        <Stretches bench={bench} answer={figures} projection={projection} openedId={openedId} />
        {chunks.map((chunk, at) => (
          <Marks key={at} marks={chunk} answers={answers} openedId={openedId} onOpen={onOpen} />
        ))}
      </svg>
      {unplaced > 0 && (
        <figcaption>{unplaced === 1 ? 'One load has' : `${unplaced} loads have`} neither a place nor a zone drawn.</figcaption>
      )}
    </figure>
  );
}

interface StretchesProps {
  bench: Bench;
  answer: Answer;
  projection: Projection;
  openedId: string | null;
}

/** Every stretch, those that carry current as thick as that asks, and the run of the load that is shown. */
const Stretches = memo(function Stretches({ bench, answer, projection, openedId }: StretchesProps) {
  const analysis = useDesign((state) => state.analysis);
  const { index } = analysis;
  const vines = useMemo(
    () => Array.from(index.layout.routes, ([id, { route, from, to }]) => ({ id, d: vinePath(route, from, to, projection).d })),
    [index, projection],
  );
  // Read off the bench as it stands when it answers.
  const amps = useMemo(
    () => (answer.outcome === 'settled' ? ampsByStretch(analysis, bench) : new Map<string, number>()),
    [analysis, bench, answer],
  );
  const run = useMemo(
    () => (openedId === null || answer.outcome !== 'settled' ? new Set<string>() : stretchesOf(index, bench.run(openedId))),
    [index, bench, answer, openedId],
  );
  return (
    <>
      {vines.map(({ id, d }) => {
        const carried = amps.get(id);
        return carried === undefined ? (
          <path key={id} d={d} className={styles.idle} />
        ) : (
          <path key={id} d={d} className={styles.carries} style={{ strokeWidth: strokeOf(carried) }} />
        );
      })}
      {vines.map(({ id, d }) => run.has(id) && <path key={id} d={d} className={styles.run} />)}
    </>
  );
});

/** How thick a stretch is drawn, by the amperes in the fullest of its wires: twice as thick for ten times as many. */
function strokeOf(amps: number): number {
  return 1.5 + 1.5 * Math.max(0, Math.log10(amps * 10));
}

/** What does not change while one plays: the body and its zones. */
const Ground = memo(function Ground({ projection }: { projection: Projection }) {
  const index = useDesign(({ analysis }) => analysis.index);
  return (
    <>
      <Body rig={index.layout.rig} projection={projection} />
      {index.zones.map(({ id, name, plan }) => {
        if (!plan) return null;
        const { left, right, top, bottom } = groundOf(plan, projection);
        return (
          <g key={id} className={styles.zone}>
            <title>{name}</title>
            <rect x={left} y={top} width={right - left} height={bottom - top} rx={3} />
          </g>
        );
      })}
    </>
  );
});

interface MarksProps {
  marks: readonly { load: Load; x: number; y: number }[];
  answers: ReadonlyMap<string, LoadAnswer>;
  openedId: string | null;
  onOpen(loadId: string): void;
}

/** A few loads; drawn anew only where one of them is seen to change. */
const Marks = memo(function Marks({ marks, answers, openedId, onOpen }: MarksProps) {
  return marks.map(({ load, x, y }) => {
    const one = answers.get(load.id);
    return one && <Mark key={load.id} load={load} x={x} y={y} answer={one} isOpened={load.id === openedId} onOpen={onOpen} />;
  });
}, areMarksAlike);

function areMarksAlike(before: MarksProps, after: MarksProps): boolean {
  return (
    before.marks === after.marks &&
    before.openedId === after.openedId &&
    before.onOpen === after.onOpen &&
    before.marks.every(({ load: { id } }) => isDrawnAlike(before.answers.get(id), after.answers.get(id)))
  );
}

interface MarkProps {
  load: Load;
  x: number;
  y: number;
  answer: LoadAnswer;
  isOpened: boolean;
  onOpen(loadId: string): void;
}

function Mark({ load, x, y, answer, isOpened, onOpen }: MarkProps) {
  const says = `${load.name}: ${answerWord(answer)}`;
  const isOn = answer.state !== 'off';
  const isLit = isOn && isLamp(load);
  return (
    <g
      role="img"
      aria-label={says}
      className={[styles.mark, isOn && styles.on, isLit && styles.lit, isOpened && styles.opened].filter(Boolean).join(' ')}
      onClick={() => onOpen(load.id)}
    >
      <title>{says}</title>
      <circle cx={x} cy={y} r={MARK / 2 + (isLit || isOpened ? 3 : 0)} />
      <DrawnShape load={load} answer={answer} x={x} y={y} size={DRAWN} />
    </g>
  );
}
