import { memo, useMemo } from 'react';
import type { Answer, Bench, LoadAnswer } from '@/core/bench/bench';
import type { Load } from '@/core/design/schema';
import { isLamp } from '@/core/devices/load';
import { answerWord } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { Body } from '@/features/rig/Body';
import { NO_PAN, project, type Projection } from '@/features/rig/projection';
import { vinePath } from '@/features/rig/RouteVine';
import { groundOf } from '@/features/rig/zoneNames';
import { LoadShape } from './LoadShape';
import { ampsByStretch, apart, stretchesOf, whereLoad } from './onRig';
import styles from './LitRig.module.css';

/** The drawing's own width, in its own units; it is as wide as its column. */
const WIDE = 440;
/** Room round the vehicle that nothing is drawn in. */
const TRIM = 18;
const MARK = 13;

interface LitRigProps {
  bench: Bench;
  answer: Answer;
  /** The load whose run is shown. */
  openedId: string | null;
  onOpen(loadId: string): void;
}

/** The vehicle from above as it is now: every load lit where it is fixed, and the stretches that carry current, the thicker the more. */
export function LitRig({ bench, answer, openedId, onOpen }: LitRigProps) {
  const analysis = useDesign((state) => state.analysis);
  const { index } = analysis;
  const { rig, routes } = index.layout;
  const high = Math.round(((WIDE - 52) * rig.widthMm) / rig.lengthMm) + 60;
  const projection = useMemo(() => project(rig, 'plan', WIDE, high, NO_PAN), [rig, high]);
  const marks = useMemo(() => {
    const known = index.loads.flatMap((load) => {
      const at = whereLoad(index, load.id);
      return at ? [{ load, ...projection.at(at) }] : [];
    });
    return apart(known, MARK + 2, { left: MARK, right: WIDE - MARK, top: TRIM + MARK, bottom: high - TRIM - MARK });
  }, [index, projection, high]);
  const amps = useMemo(
    () => (answer.outcome === 'settled' ? ampsByStretch(analysis, bench) : new Map<string, number>()),
    [analysis, bench, answer],
  );
  const run = useMemo(
    () => (openedId === null || !answer ? new Set<string>() : stretchesOf(index, bench.run(openedId))),
    [index, bench, answer, openedId],
  );
  const answers = useMemo(() => new Map(answer.loads.map((one) => [one.id, one])), [answer]);
  if (marks.length === 0) return null;
  const unplaced = index.loads.length - marks.length;
  return (
    <figure className={styles.rig}>
      <svg viewBox={`0 ${TRIM} ${WIDE} ${high - 2 * TRIM}`} role="group" aria-label="Lit on the rig">
        <Ground projection={projection} />
        {Array.from(routes.values(), ({ route, from, to }) => (
          <path
            key={route.id}
            d={vinePath(route, from, to, projection).d}
            className={amps.has(route.id) ? styles.carries : styles.idle}
            {...(amps.has(route.id) && { style: { strokeWidth: strokeOf(amps.get(route.id)!) } })}
          />
        ))}
        {Array.from(run, (id) => routes.get(id)).map(
          (one) => one && <path key={one.route.id} d={vinePath(one.route, one.from, one.to, projection).d} className={styles.run} />,
        )}
        {marks.map(({ load, x, y }) => (
          <Mark key={load.id} load={load} x={x} y={y} answer={answers.get(load.id)} isOpened={load.id === openedId} onOpen={onOpen} />
        ))}
      </svg>
      {unplaced > 0 && (
        <figcaption>{unplaced === 1 ? 'One load has' : `${unplaced} loads have`} neither a place nor a zone drawn.</figcaption>
      )}
    </figure>
  );
}

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

interface MarkProps {
  load: Load;
  x: number;
  y: number;
  answer: LoadAnswer | undefined;
  isOpened: boolean;
  onOpen(loadId: string): void;
}

function Mark({ load, x, y, answer, isOpened, onOpen }: MarkProps) {
  const says = `${load.name}: ${answer ? answerWord(answer) : 'off'}`;
  const isOn = answer !== undefined && answer.state !== 'off';
  const isLit = isOn && isLamp(load);
  return (
    <g
      role="img"
      aria-label={says}
      transform={`translate(${x - MARK / 2} ${y - MARK / 2})`}
      className={[styles.mark, isOn && styles.on, isLit && styles.lit, isOpened && styles.opened].filter(Boolean).join(' ')}
      onClick={() => onOpen(load.id)}
    >
      <title>{says}</title>
      <circle cx={MARK / 2} cy={MARK / 2} r={MARK / 2 + (isLit || isOpened ? 3 : 0)} />
      <LoadShape load={load} answer={answer} size={MARK} />
    </g>
  );
}
