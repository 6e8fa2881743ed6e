'use client';

import { Button, Select } from 'antd';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { LOOM_SCALES, loomSize, writeLoomSvg, type LoomScale } from '@/core/formats/loomDrawing';
import { loomBoards } from '@/core/harness/loomBoard';
import type { Harness } from '@/core/harness/schedule';
import { formatLength } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useViewQuery } from '@/features/design/useViewQuery';
import shared from './Harness.module.css';
import styles from './PanelCut.module.css';

/** The harness laid out flat, to scale: where each wire leaves, what each stretch has round it, which ends are crimped in the vehicle. */
export function LoomView({ harness }: { harness: Harness }) {
  const id = useDesign((state) => state.id);
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const units = useUnits();
  const viewQuery = useViewQuery();
  const [scale, setScale] = useState<LoomScale>(20);
  const boards = useMemo(() => loomBoards(index, harness), [index, harness]);
  const query = `${viewQuery}${viewQuery ? '&' : '?'}scale=${scale}`;
  if (boards.length === 0) {
    return (
      <p className={`${shared.view} ${shared.soft}`}>
        The loom is laid out from the stretches that wires take through the vehicle. Lay out places and stretches in Rig, and give parts
        their places.
      </p>
    );
  }
  return (
    <div className={shared.view} role="region" aria-label="Loom board" tabIndex={0}>
      <div className={styles.bar}>
        <Select<LoomScale>
          size="small"
          aria-label="Scale"
          value={scale}
          style={{ width: 120 }}
          onChange={setScale}
          options={LOOM_SCALES.map((value) => ({ value, label: value === 1 ? 'full size' : `1 : ${value}` }))}
        />
        <span>
          {boards.length === 1 ? 'One loom' : `${boards.length} looms`}, {formatLength(boards[0]!.lengthMm, units)} from end to end. Nails
          in a board at each dot; upright steps have no length.
        </span>
        <span className={styles.files}>
          <Button size="small" icon={<Download size={14} />} href={`/api/designs/${id}/loom.pdf${query}`}>
            PDF in tiles
          </Button>
          <Button size="small" icon={<Download size={14} />} href={`/api/designs/${id}/loom.svg${query}`}>
            SVG
          </Button>
        </span>
      </div>
      {boards.map((board, at) => {
        const shownAt = scale < LEAST_SHOWN ? LEAST_SHOWN : scale;
        const { widthMm, heightMm } = loomSize(board, shownAt);
        return (
          <div
            key={at}
            role="img"
            aria-label={`Loom ${at + 1}, ${formatLength(board.lengthMm, units)}`}
            className={styles.loom}
            style={{
              width: `${widthMm * ON_SCREEN}px`,
              aspectRatio: `${widthMm} / ${heightMm}`,
              backgroundImage: `url("data:image/svg+xml,${encodeURIComponent(writeLoomSvg(board, design, units, shownAt))}")`,
            }}
          />
        );
      })}
    </div>
  );
}

/** A loom at full size is metres of screen: larger than this it is only printed. */
const LEAST_SHOWN = 10;

/** Pixels a millimetre of paper is shown with: as large as it is printed, 96 to the inch. */
const ON_SCREEN = 96 / 25.4;
