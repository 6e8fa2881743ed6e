import { Button } from 'antd';
import { memo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { WIRE_COLOURS } from '@/core/catalog/wireColours';
import type { LitDiagram, LitWire } from '@/core/diagram/lit';
import { HEAD, TYPE, type Drawing, type DrawnPart, type DrawnWire, type Point } from '@/core/diagram/layout';
import { GRID } from '@/core/diagram/linesBetween';
import { SYMBOLS } from '@/core/diagram/symbols';
import { formatAmps } from '@/core/units/quantity';
import styles from './Diagram.module.css';

interface DiagramSheetProps {
  drawing: Drawing;
  /** Against a unit of the drawing a pixel. */
  scale: number;
  /** Words that are looked for; what has all of them stands out. */
  find: readonly string[];
  /** What is alive, where the bench lights the drawing. */
  lit?: LitDiagram | null;
  onGo(deviceId: string): void;
  /** How many of its parts a hand put where they are. */
  putCount?: number;
  /** Where parts may be moved by hand. */
  onPut?(sheetId: string, partId: string, at: Point): void;
  onLetDraw?(sheetId: string): void;
}

const isFound = (text: string, find: readonly string[]) => find.length > 0 && find.every((word) => text.toLowerCase().includes(word));

/** One sheet of the diagram. A part leads to where it is worked on. */
export const DiagramSheet = memo(function DiagramSheet({
  drawing,
  scale,
  find,
  lit = null,
  onGo,
  putCount = 0,
  onPut,
  onLetDraw,
}: DiagramSheetProps) {
  const { title, width, height, parts, wires } = drawing;
  return (
    <figure className={styles.sheet} aria-label={title}>
      <figcaption>
        {title}
        {onLetDraw && putCount > 0 && (
          <span className={styles.byHand}>
            {putCount === 1 ? 'one part' : `${putCount} parts`} put by hand
            <Button size="small" onClick={() => onLetDraw(drawing.id)}>
              Let it draw itself
            </Button>
          </span>
        )}
      </figcaption>
      <svg
        width={width * scale}
        style={scale <= 1 ? { maxWidth: '100%' } : undefined}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={`${title}, drawn`}
      >
        {wires.map((wire) => (
          <WireLine key={wire.wireId} wire={wire} found={isFound(wire.label, find)} said={lit && saidOf(lit.wires.get(wire.wireId))} />
        ))}
        {parts.map((part) => (
          <PartBox
            key={part.id}
            part={part}
            found={isFound(part.name, find)}
            works={lit?.working.has(part.deviceId) ?? false}
            onGo={onGo}
            of={drawing}
            onPut={onPut}
          />
        ))}
      </svg>
    </figure>
  );
});

/** What the bench says of a wire: the amperes in it, live without any, or dead. */
function saidOf(lit: LitWire | undefined): { state: 'carries' | 'live' | 'dead'; says: string } {
  if (lit === undefined) return { state: 'dead', says: 'dead' };
  return lit.amps > 0 ? { state: 'carries', says: formatAmps(lit.amps) } : { state: 'live', says: 'live, no current' };
}

interface WireLineProps {
  wire: DrawnWire;
  found: boolean;
  /** Null where the bench does not light the drawing. */
  said: ReturnType<typeof saidOf> | null;
}

function WireLine({ wire: { points, label, labelAt, line }, found, said }: WireLineProps) {
  const way = points.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g data-found={found} {...(said && { 'data-lit': said.state, role: 'img', 'aria-label': `${label}: ${said.says}` })}>
      <title>{said ? `${label}: ${said.says}` : label}</title>
      {said?.state === 'carries' && <polyline className={styles.glow} points={way} />}
      <polyline className={styles.edge} points={way} />
      <polyline className={styles.wire} points={way} stroke={line.look ? WIRE_COLOURS[line.look.colour].tint : 'var(--ink-soft)'} />
      {line.look?.stripe && <polyline className={styles.stripe} points={way} stroke={WIRE_COLOURS[line.look.stripe].tint} />}
      <text className={styles.label} textAnchor="middle" x={labelAt.x} y={labelAt.y + TYPE.label * 0.35}>
        {label}
      </text>
    </g>
  );
}

interface PartBoxProps {
  part: DrawnPart;
  found: boolean;
  /** It is on, or pulled in, on the bench. */
  works: boolean;
  onGo(id: string): void;
  of: Drawing;
  onPut: ((sheetId: string, partId: string, at: Point) => void) | undefined;
}

function PartBox({ part, found, works, onGo, of, onPut }: PartBoxProps) {
  const { deviceId, name, symbol, symbolAt, x, y, width, height, ports } = part;
  const { by, handlers } = useMoving(part, of, onPut, () => onGo(deviceId));
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={works ? `${name}, on` : name}
      data-found={found}
      data-works={works}
      className={styles.part}
      transform={by ? `translate(${by.x} ${by.y})` : undefined}
      {...handlers}
    >
      {onPut && <title>A click goes to it; drag it, or Shift and an arrow move it</title>}
      <rect className={styles.box} x={x} y={y + HEAD} width={width} height={height - HEAD} rx={3} />
      <text className={styles.name} textAnchor="middle" x={x + width / 2} y={y + HEAD - 5}>
        {name}
      </text>
      <path className={styles.symbol} transform={`translate(${symbolAt.x} ${symbolAt.y})`} d={SYMBOLS[symbol]} />
      {ports.map((port) => (
        <g key={port.id}>
          <circle className={styles.port} cx={port.x} cy={port.y} r={1.8} />
          <text
            className={styles.terminal}
            textAnchor={port.side === 'left' ? 'start' : 'end'}
            x={port.x + (port.side === 'left' ? 5 : -5)}
            y={port.y + TYPE.terminal * 0.35}
          >
            {port.says}
          </text>
        </g>
      ))}
    </g>
  );
}

const ARROWS: Record<string, Point> = {
  ArrowLeft: { x: -GRID, y: 0 },
  ArrowRight: { x: GRID, y: 0 },
  ArrowUp: { x: 0, y: -GRID },
  ArrowDown: { x: 0, y: GRID },
};
/** A click that trembles is no move, px. */
const TREMBLE = 4;

/**
 * A part that is gone to by a click or Enter, and moved by the mouse or by Shift and an arrow. It is shown where it is held until the sheet
 * is drawn anew.
 */
function useMoving({ id, x, y }: DrawnPart, of: Drawing, onPut: PartBoxProps['onPut'], onGo: () => void) {
  const [held, setHeld] = useState<{ of: Drawing; by: Point } | null>(null);
  const from = useRef<{ at: Point; scale: number; by: Point | null } | null>(null);
  const moved = useRef(false);
  const put = (by: Point) => {
    setHeld({ of, by });
    onPut?.(of.id, id, { x: x + by.x, y: y + by.y });
  };
  const handlers = {
    onClick: () => {
      if (!moved.current) onGo();
      moved.current = false;
    },
    onKeyDown: (event: KeyboardEvent) => {
      const arrow = event.shiftKey ? ARROWS[event.key] : undefined;
      if (!(onPut && arrow) && event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      if (onPut && arrow) put(arrow);
      else onGo();
    },
    onPointerDown: (event: PointerEvent<SVGGElement>) => {
      moved.current = false;
      const drawn = event.currentTarget.ownerSVGElement;
      // A finger scrolls.
      if (!onPut || !drawn || event.button !== 0 || event.pointerType === 'touch') return;
      from.current = { at: { x: event.clientX, y: event.clientY }, scale: drawn.getBoundingClientRect().width / of.width, by: null };
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: PointerEvent) => {
      const begun = from.current;
      if (!begun) return;
      const by = { x: event.clientX - begun.at.x, y: event.clientY - begun.at.y };
      if (!begun.by && Math.hypot(by.x, by.y) < TREMBLE) return;
      begun.by = { x: by.x / begun.scale, y: by.y / begun.scale };
      setHeld({ of, by: begun.by });
    },
    onPointerUp: () => {
      const by = from.current?.by;
      from.current = null;
      if (!by) return;
      moved.current = true;
      put(by);
    },
    onPointerCancel: () => {
      from.current = null;
      setHeld(null);
    },
  };
  return { by: held?.of === of ? held.by : null, handlers };
}
