import { memo } from 'react';
import type { GlyphKind, StripGeometry } from './geometry';
import styles from './runStrip.module.css';

interface RunDrawingProps {
  geometry: StripGeometry;
  width: number;
  nameOf(deviceId: string): string;
}

const MIDDLE_Y = 14;
export const RUN_HEIGHT = 28;

/** The run to length, source to load: conductors as thick as they are, devices at their places. */
export const RunDrawing = memo(function RunDrawing({ geometry, width, nameOf }: RunDrawingProps) {
  return (
    <svg className={styles.run} width={width} height={RUN_HEIGHT} viewBox={`0 0 ${width} ${RUN_HEIGHT}`} aria-hidden>
      {geometry.wires.map(({ x1, x2, thickness, shared }, at) => (
        <line
          key={at}
          x1={x1}
          x2={x2}
          y1={MIDDLE_Y}
          y2={MIDDLE_Y}
          strokeWidth={thickness}
          className={shared ? styles.sharedWire : styles.wire}
        />
      ))}
      {geometry.glyphs.map(({ x, kind, deviceId, shared, repeat }, at) => (
        <g key={at} className={`${styles.glyph} ${shared ? styles.sharedGlyph : ''}`}>
          <title>{nameOf(deviceId)}</title>
          <path d={`M${x} ${MIDDLE_Y}${GLYPHS[kind] ?? PLAIN}`} />
          {repeat > 1 && (
            <text x={x + 12} y={MIDDLE_Y + 4} className={styles.repeat}>
              ×{repeat}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
});

/**
 * Our own small signs: what a person would scratch on a board, not a schematic standard. Pens that start in the middle and only move
 * from there, so that none needs a transform, which would be a paint layer of its own and dear on every key press.
 */
const GLYPHS: Partial<Record<GlyphKind, string>> = {
  battery: `${box(16, 18, 2)}m-4 -5h8m-8 10h8m-4 -4v8`,
  protection: `${box(18, 12, 3)}m-6 2c3 -8 9 4 12 -4`,
  fuseBlock: `${box(14, 22, 1)}m-3 -7h6m-6 4.7h6m-6 4.6h6m-6 4.7h6`,
  busBar: box(7, 24, 1),
  switch: `${box(20, 14, 7)}m4 0${disc(4)}`,
  isolator: `${disc(8)}m-5 5l10 -10m-3 -1l4 4`,
  cutOut: `${box(18, 14, 2)}m-6 -3l3 6l3 -6m2 3h5`,
  shunt: `${box(20, 10, 1)}m-6 0h12`,
  load: `${disc(8)}m-3 0a3 3 0 0 1 6 0m-3 0v5`,
  splice: disc(4),
  plug: `${box(18, 12, 6)}m0 -6v12`,
  diode: 'm-6 -7v14l12 -7zm12 0v14',
  dimmer: `${box(18, 14, 2)}m-6 4h12v-8z`,
  motionSwitch: `${box(18, 14, 2)}m-5 4a8 8 0 0 1 0 -8m4 8a8 8 0 0 1 0 -8m4 8a8 8 0 0 1 0 -8`,
  microSwitch: `${box(18, 14, 2)}m-6 3h4l6 -6m2 6h-3`,
  doorSwitch: `${box(14, 14, 2)}m-4 4v-8h8v8`,
  relay: `${box(20, 16, 2)}m-7 -4h5v8h-5zm9 8l5 -8`,
  receiver: `${box(18, 14, 2)}m0 4v-4l-4 -4m4 4l4 -4`,
  ruleHub: `${box(18, 16, 2)}m-5 -4h3m4 0h3m-10 4h3m4 0h3m-10 4h3m4 0h3`,
  groundPoint: 'm0 -8v8m-8 0h16m-13 4h10m-7 4h4',
};

/** Anything else on the way: a plain box, its name on the pointer. */
const PLAIN = box(16, 14, 2);

/** A box round where the pen stands, its corners rounded; the pen ends where it began. */
function box(width: number, height: number, round: number): string {
  const [across, down] = [width - 2 * round, height - 2 * round];
  const corner = (x: number, y: number) => `a${round} ${round} 0 0 1 ${x} ${y}`;
  const sides = `h${across}${corner(round, round)}v${down}${corner(-round, round)}h${-across}${corner(-round, -round)}v${-down}${corner(round, -round)}z`;
  return `m${-across / 2} ${-height / 2}${sides}m${across / 2} ${height / 2}`;
}

/** A disc round where the pen stands; the pen ends where it began. */
function disc(radius: number): string {
  return `m${-radius} 0a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0zm${radius} 0`;
}
