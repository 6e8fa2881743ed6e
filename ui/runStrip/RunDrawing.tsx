import { memo, type ReactNode } from 'react';
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
        <g key={at} transform={`translate(${x} ${MIDDLE_Y})`} className={`${styles.glyph} ${shared ? styles.sharedGlyph : ''}`}>
          <title>{nameOf(deviceId)}</title>
          {GLYPHS[kind] ?? PLAIN}
          {repeat > 1 && (
            <text x={12} y={4} className={styles.repeat}>
              ×{repeat}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
});

/** Our own small signs: what a person would scratch on a board, not a schematic standard. */
const GLYPHS: Partial<Record<GlyphKind, ReactNode>> = {
  battery: (
    <>
      <rect x={-8} y={-9} width={16} height={18} rx={2} />
      <path d="M-4 -5 H4 M-4 5 H4 M0 1 V9" />
    </>
  ),
  protection: (
    <>
      <rect x={-9} y={-6} width={18} height={12} rx={3} />
      <path d="M-6 2 C-3 -6 3 6 6 -2" />
    </>
  ),
  fuseBlock: (
    <>
      <rect x={-7} y={-11} width={14} height={22} rx={1} />
      <path d="M-3 -7 H3 M-3 -2.3 H3 M-3 2.3 H3 M-3 7 H3" />
    </>
  ),
  busBar: <rect x={-3.5} y={-12} width={7} height={24} rx={1} />,
  switch: (
    <>
      <rect x={-10} y={-7} width={20} height={14} rx={7} />
      <circle cx={4} cy={0} r={4} />
    </>
  ),
  load: (
    <>
      <circle r={8} />
      <path d="M-3 0 A3 3 0 0 1 3 0 M0 0 V5" />
    </>
  ),
  groundPoint: <path d="M0 -8 V0 M-8 0 H8 M-5 4 H5 M-2 8 H2" />,
};

/** Anything else on the way: a plain box, its name on the pointer. */
const PLAIN = <rect x={-8} y={-7} width={16} height={14} rx={2} />;
