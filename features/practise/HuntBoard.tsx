import type { KeyboardEvent } from 'react';
import { WIRE_COLOURS } from '@/core/catalog/wireColours';
import { nameOf } from '@/core/design/names';
import { HEAD, TYPE, type Drawing, type DrawnPart, type DrawnWire } from '@/core/diagram/layout';
import { SYMBOLS } from '@/core/diagram/symbols';
import type { TerminalRef } from '@/core/design/schema';
import { isSameTerminal } from '@/core/design/terminals';
import type { Hunt } from '@/core/practise/hunt';
import type { HuntBench } from '@/core/practise/huntBench';
import styles from './Board.module.css';

interface HuntBoardProps {
  hunt: Hunt;
  bench: HuntBench;
  drawing: Drawing;
  red: TerminalRef | null;
  black: TerminalRef;
  subjectId: string | null;
  onTerminal(at: TerminalRef): void;
  onSubject(id: string): void;
}

/** A wide board is shrunk so far to fit; beyond it is scrolled. */
const SMALLEST = 0.72;

/** Enter and the space bar press what is focused. */
const pressed = (act: () => void) => (event: KeyboardEvent) => {
  if (event.key !== 'Enter' && event.key !== ' ') return;
  event.preventDefault();
  act();
};

/** The board as it was planned, to put leads on: what stands on it lights as it does, a wire that is off hangs dashed. */
export function HuntBoard(props: HuntBoardProps) {
  const { drawing, bench, subjectId, onSubject } = props;
  const { title, width, height, parts, wires } = drawing;
  const { lifted, isIsolated } = bench.state;
  const off = new Set(lifted.map(({ wireId }) => wireId));
  return (
    <svg
      className={styles.board}
      width={width}
      style={{ minWidth: width * SMALLEST }}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label={`${title}, as planned`}
    >
      {wires.map((wire) => (
        <WireLine
          key={wire.wireId}
          wire={wire}
          isOff={off.has(wire.wireId) || (isIsolated && wire.line.wire.id === isolating(props.hunt, wire))}
          isChosen={wire.wireId === subjectId}
          onChoose={() => onSubject(wire.wireId)}
        />
      ))}
      {parts.map((part) => (
        <PartBox key={part.id} part={part} {...props} />
      ))}
    </svg>
  );
}

/** The wire that hangs while the battery is isolated: the one at its minus. */
function isolating({ design }: Hunt, { wireId, line }: DrawnWire): string | null {
  const isMinus = ({ deviceId, terminal }: TerminalRef) => {
    const device = design.records.get(deviceId);
    return terminal === 'minus' && device?.type === 'device' && device.kind === 'battery';
  };
  return isMinus(line.wire.from) || isMinus(line.wire.to) ? wireId : null;
}

function WireLine({
  wire: { points, label, labelAt, line },
  isOff,
  isChosen,
  onChoose,
}: {
  wire: DrawnWire;
  isOff: boolean;
  isChosen: boolean;
  onChoose(): void;
}) {
  const way = points.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      aria-label={`Wire ${line.number}`}
      className={styles.line}
      data-off={isOff}
      data-chosen={isChosen}
      onClick={onChoose}
      onKeyDown={pressed(onChoose)}
    >
      <polyline className={styles.hit} points={way} />
      <polyline className={styles.edge} points={way} />
      <polyline className={styles.wire} points={way} stroke={line.look ? WIRE_COLOURS[line.look.colour].tint : 'var(--ink-soft)'} />
      <text className={styles.label} textAnchor="middle" x={labelAt.x} y={labelAt.y + TYPE.label * 0.35}>
        {label}
      </text>
    </g>
  );
}

function PartBox({ part, hunt, bench, red, black, subjectId, onTerminal, onSubject }: HuntBoardProps & { part: DrawnPart }) {
  const { deviceId, name, symbol, symbolAt, x, y, width, height, ports } = part;
  const { out, loads, lampAt } = bench.state;
  const unseen = hunt.complaints.some(({ unseenIds }) => unseenIds?.includes(deviceId));
  const does = !unseen && loads.some(({ id }) => id === deviceId) ? bench.does(deviceId) : null;
  const shines = lampAt === deviceId ? bench.lampShines() : null;
  const says = shines ? `lamp ${shines}` : does;
  return (
    <g data-does={does ?? undefined} data-shines={shines ?? undefined} data-chosen={deviceId === subjectId} className={styles.part}>
      <g
        role="button"
        tabIndex={0}
        aria-pressed={deviceId === subjectId}
        aria-label={`${name}${says ? `, ${says}` : ''}${out.has(deviceId) ? ', pulled' : ''}`}
        onClick={() => onSubject(deviceId)}
        onKeyDown={pressed(() => onSubject(deviceId))}
      >
        <rect className={styles.box} x={x} y={y + HEAD} width={width} height={height - HEAD} rx={3} />
        <text className={styles.name} textAnchor="middle" x={x + width / 2} y={y + HEAD - 5}>
          {name}
        </text>
        <path
          className={styles.symbol}
          data-out={out.has(deviceId)}
          transform={`translate(${symbolAt.x} ${symbolAt.y})`}
          d={SYMBOLS[symbol]}
        />
        {says && (
          <text className={styles.does} textAnchor="middle" x={x + width / 2} y={y + height + 11}>
            {says}
          </text>
        )}
      </g>
      {ports.map((port) => {
        const at = { deviceId, terminal: port.terminal };
        const lead = red && isSameTerminal(red, at) ? 'red' : isSameTerminal(black, at) ? 'black' : undefined;
        return (
          <g
            key={port.id}
            role="button"
            tabIndex={0}
            aria-label={`Lead on ${nameOf(hunt.design, deviceId)}, ${port.says}`}
            className={styles.terminal}
            data-lead={lead}
            onClick={() => onTerminal(at)}
            onKeyDown={pressed(() => onTerminal(at))}
          >
            <circle className={styles.reach} cx={port.x} cy={port.y} r={11} />
            <circle className={styles.port} cx={port.x} cy={port.y} r={4.5} />
            <text
              textAnchor={port.side === 'left' ? 'start' : 'end'}
              x={port.x + (port.side === 'left' ? 8 : -8)}
              y={port.y + TYPE.terminal * 0.35}
            >
              {port.says}
            </text>
          </g>
        );
      })}
    </g>
  );
}
