import { memo } from 'react';
import { WIRE_COLOURS } from '@/core/catalog/wireColours';
import type { LitDiagram, LitWire } from '@/core/diagram/lit';
import { HEAD, TYPE, type Drawing, type DrawnPart, type DrawnWire } from '@/core/diagram/layout';
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
}

const isFound = (text: string, find: readonly string[]) => find.length > 0 && find.every((word) => text.toLowerCase().includes(word));

/** One sheet of the diagram. A part leads to where it is worked on. */
export const DiagramSheet = memo(function DiagramSheet({ drawing, scale, find, lit = null, onGo }: DiagramSheetProps) {
  const { title, width, height, parts, wires } = drawing;
  return (
    <figure className={styles.sheet} aria-label={title}>
      <figcaption>{title}</figcaption>
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

function PartBox({
  part: { deviceId, name, symbol, symbolAt, x, y, width, height, ports },
  found,
  works,
  onGo,
}: {
  part: DrawnPart;
  found: boolean;
  /** It is on, or pulled in, on the bench. */
  works: boolean;
  onGo(id: string): void;
}) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={works ? `${name}, on` : name}
      data-found={found}
      data-works={works}
      className={styles.part}
      onClick={() => onGo(deviceId)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onGo(deviceId);
      }}
    >
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
