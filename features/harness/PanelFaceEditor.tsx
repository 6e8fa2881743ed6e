import { Button } from 'antd';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { CUT_OUTS, type CutOut } from '@/core/catalog/cutOuts';
import { setting, updateRecords, type Update } from '@/core/design/change';
import { inLine, snapped, spreadEvenly, type FacePoint, type Snapped } from '@/core/harness/faceEdits';
import type { Hole, PanelCut } from '@/core/harness/panelFace';
import { useRefusal } from '@/features/design/useRefusal';
import { leavesOnly } from '@/ui/leavesOnly';
import styles from './PanelCut.module.css';

/** What an arrow moves a hole by, mm; with Shift the small one. */
const STEPS = { usual: 1, small: 0.1 } as const;
const ARROWS: Record<string, readonly [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
/** A click that trembles is no move, px. */
const TREMBLE = 3;

interface Held extends Snapped {
  position: number;
}

/**
 * The panel from the front: holes dark, bezels around them, the legend beneath. Holes are dragged, nudged by arrows, brought into line and
 * spread.
 */
export function PanelFaceEditor({ cut }: { cut: PanelCut }) {
  const { panel, widthMm, heightMm, holes, nearEdge, tooClose } = cut;
  const { commit, refusal } = useRefusal();
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [held, setHeld] = useState<Held | null>(null);
  const wrong = new Set([...nearEdge, ...tooClose.flat()]);
  const picked = chosen.flatMap((position) => holes.find((hole) => hole.position === position) ?? []);
  const move = ({ part, legend }: Hole, { xMm, yMm }: FacePoint) =>
    commit(`Move ${legend}`, (now) => updateRecords(now, [setting(part, { xMm, yMm })]));
  const all = (label: string, updates: Update[]) => commit(label, (now) => updateRecords(now, updates));
  const choose = (position: number, isMore: boolean) =>
    setChosen((now) => {
      const others = now.filter((one) => one !== position);
      if (!isMore) return now.length === 1 && now[0] === position ? [] : [position];
      return others.length < now.length ? others : [...now, position];
    });
  return (
    <div>
      {refusal}
      <div className={styles.bar}>
        <Button size="small" disabled={picked.length < 2} onClick={() => all('Holes level', inLine(picked, 'level'))}>
          Level
        </Button>
        <Button size="small" disabled={picked.length < 2} onClick={() => all('Holes one under another', inLine(picked, 'upright'))}>
          Upright
        </Button>
        <Button size="small" disabled={picked.length < 3} onClick={() => all('Holes spread evenly', spreadEvenly(picked))}>
          Even gaps
        </Button>
        <span className={styles.hint}>{hint(picked.length)}</span>
      </div>
      <svg viewBox={`-2 -2 ${widthMm + 4} ${heightMm + 4}`} className={styles.face} role="group" aria-label="The panel from the front">
        <rect x={0} y={0} width={widthMm} height={heightMm} rx={2} className={styles.plate} />
        {panel.sightMm !== undefined && (
          <line x1={-2} x2={widthMm + 2} y1={heightMm - panel.sightMm} y2={heightMm - panel.sightMm} className={styles.sight}>
            <title>The line of sight</title>
          </line>
        )}
        {holes.map((hole) => (
          <HoleShape
            key={hole.position}
            cut={cut}
            hole={held?.position === hole.position ? { ...hole, xMm: held.xMm, yMm: held.yMm } : hole}
            isWrong={wrong.has(hole.position)}
            isChosen={chosen.includes(hole.position)}
            onChoose={(isMore) => choose(hole.position, isMore)}
            onHold={(at) => setHeld(at && { ...at, position: hole.position })}
            onMove={(at) => move(hole, at)}
          />
        ))}
        {held && held.upright !== null && <line x1={held.upright} x2={held.upright} y1={0} y2={heightMm} className={styles.guide} />}
        {held && held.level !== null && <line x1={0} x2={widthMm} y1={held.level} y2={held.level} className={styles.guide} />}
      </svg>
    </div>
  );
}

function hint(count: number): string {
  if (count === 0) return 'Drag a hole, or choose it and press arrows; Shift chooses more, and makes an arrow 0.1 mm.';
  return count === 1 ? 'one chosen' : `${count} chosen, in line with the first`;
}

interface HoleShapeProps {
  cut: PanelCut;
  hole: Hole;
  isWrong: boolean;
  isChosen: boolean;
  onChoose(isMore: boolean): void;
  /** Where it is held meanwhile; null once it is let go. */
  onHold(at: Snapped | null): void;
  onMove(at: FacePoint): void;
}

function HoleShape({ cut, hole: shown, isWrong, isChosen, onChoose, onHold, onMove }: HoleShapeProps) {
  const { xMm, yMm, cutOutId, position, legend } = shown;
  const { hole, bezelMm } = CUT_OUTS[cutOutId] as CutOut;
  const from = useRef<{ x: number; y: number; mmPerPx: number; at: FacePoint; to: Snapped | null } | null>(null);
  const [left, top] = [xMm - bezelMm[0] / 2, yMm - bezelMm[1] / 2];
  const down = (event: PointerEvent<SVGGElement>) => {
    const drawn = event.currentTarget.ownerSVGElement;
    if (!drawn || event.button !== 0 || event.pointerType === 'touch') return;
    const mmPerPx = 1 / (drawn.getScreenCTM()?.a ?? 1);
    from.current = { x: event.clientX, y: event.clientY, mmPerPx, at: { xMm, yMm }, to: null };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const drag = (event: PointerEvent) => {
    const begun = from.current;
    if (!begun) return;
    const [dx, dy] = [event.clientX - begun.x, event.clientY - begun.y];
    if (!begun.to && Math.hypot(dx, dy) < TREMBLE) return;
    begun.to = snapped(cut, position, { xMm: begun.at.xMm + dx * begun.mmPerPx, yMm: begun.at.yMm + dy * begun.mmPerPx });
    onHold(begun.to);
  };
  const up = (event: PointerEvent) => {
    const begun = from.current;
    from.current = null;
    if (!begun) return;
    onHold(null);
    if (begun.to) onMove(begun.to);
    else onChoose(event.shiftKey);
  };
  const press = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (event.key === 'Enter' || event.key === ' ') onChoose(event.shiftKey);
    else if (event.key === 'Escape' && isChosen) {
      leavesOnly(event, true);
      onChoose(true);
    } else if (arrow) {
      const step = event.shiftKey ? STEPS.small : STEPS.usual;
      const onto = (mm: number, by: number, most: number) => Math.round(Math.min(most, Math.max(0, mm + by * step)) * 10) / 10;
      onMove({ xMm: onto(xMm, arrow[0], cut.widthMm), yMm: onto(yMm, arrow[1], cut.heightMm) });
    } else return;
    event.preventDefault();
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Position ${position}, ${legend}`}
      aria-pressed={isChosen}
      className={styles.movable}
      onPointerDown={down}
      onPointerMove={drag}
      onPointerUp={up}
      onPointerCancel={() => {
        from.current = null;
        onHold(null);
      }}
      onKeyDown={press}
      // A finger only chooses; a mouse was answered as it was let go.
      onClick={(event) => (event.nativeEvent as globalThis.PointerEvent).pointerType === 'touch' && onChoose(true)}
    >
      <title>{`${xMm} mm from the left, ${yMm} mm from the top: drag it, or arrows move it`}</title>
      <rect
        x={left}
        y={top}
        width={bezelMm[0]}
        height={bezelMm[1]}
        rx={hole.kind === 'round' ? bezelMm[0] / 2 : 2}
        className={isWrong ? styles.wrong : styles.bezel}
      />
      {hole.kind === 'round' ? (
        <circle cx={xMm} cy={yMm} r={hole.diameterMm / 2} className={styles.hole} />
      ) : (
        <rect x={xMm - hole.widthMm / 2} y={yMm - hole.heightMm / 2} width={hole.widthMm} height={hole.heightMm} className={styles.hole} />
      )}
      <text x={xMm} y={yMm + 2} textAnchor="middle" className={styles.number}>
        {position}
      </text>
      <text x={xMm} y={yMm + bezelMm[1] / 2 + 5} textAnchor="middle" className={styles.legend}>
        {legend.length > 16 ? `${legend.slice(0, 15)}…` : legend}
      </text>
    </g>
  );
}
