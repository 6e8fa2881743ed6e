import { useCallback, useMemo, useState } from 'react';
import { drawableOf } from '@/core/diagram/drawSheets';
import type { Design } from '@/core/design/design';
import { DiagramSheet } from '@/features/harness/DiagramSheet';
import { useDrawings } from '@/features/harness/useDrawings';
import styles from './Practise.module.css';

const WHOLE = ['whole'] as const;
const NOTHING: readonly string[] = [];
const stay = () => undefined;

/** A small design on one sheet, to be looked at. */
export function BoardPicture({ design }: { design: Design }) {
  const drawable = useMemo(() => drawableOf(design), [design]);
  const [isUndrawn, setUndrawn] = useState(false);
  const failed = useCallback(() => setUndrawn(true), []);
  const { drawings } = useDrawings(drawable, WHOLE, failed);
  return (
    <div className={styles.picture}>
      {isUndrawn && <p role="alert">The picture could not be drawn. Everything else goes on without it.</p>}
      {!isUndrawn && drawings.length === 0 && <p role="status">Drawing the board …</p>}
      {drawings.map((drawing) => (
        <DiagramSheet key={drawing.id} drawing={drawing} scale={1} find={NOTHING} onGo={stay} />
      ))}
    </div>
  );
}
