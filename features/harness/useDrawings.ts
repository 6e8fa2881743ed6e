import { useEffect, useRef, useState } from 'react';
import { sketch, type SheetOf } from '@/core/diagram/drawing';
import type { Drawable } from '@/core/diagram/drawSheets';
import type { Drawing } from '@/core/diagram/layout';
import { layOutSketch } from '@/core/diagram/layOutSketch';

interface Drawings {
  drawings: readonly Drawing[];
  /** Share of them that is drawn. */
  done: number;
}

/** Sheets as they come out of the layout's worker, one after another; what is under way ends when the design moves on. */
export function useDrawings(drawable: Drawable, sheets: readonly SheetOf[], onFailed: () => void): Drawings {
  const [state, setState] = useState<Drawings>({ drawings: [], done: 0 });
  const elk = useRef<{ terminateWorker(): void } | null>(null);
  useEffect(() => {
    let wanted = true;
    const draw = async () => {
      const { default: Elk } = await import('elkjs/lib/elk-api.js');
      if (!wanted) return;
      // A worker that cannot be fetched answers nothing: what it is asked would be waited for without end.
      let fail: (why: Error) => void = () => undefined;
      const failed = new Promise<never>((_, reject) => (fail = reject));
      failed.catch(() => undefined);
      const workerFactory = () => {
        const worker = new Worker(new URL('elkjs/lib/elk-worker.min.js', import.meta.url));
        worker.onerror = () => fail(new Error('the layout’s worker failed'));
        return worker;
      };
      const layouter = new Elk({ workerFactory });
      elk.current = layouter;
      const { design, index, wiring, harness } = drawable;
      const drawings: Drawing[] = [];
      for (const sheet of sheets) {
        const drawing = await Promise.race([layOutSketch(sketch(design, index, wiring, harness, sheet), layouter), failed]);
        if (!wanted) break;
        drawings.push(drawing);
        if (drawings.length === sheets.length) setState({ drawings: [...drawings], done: 1 });
        else setState((before) => ({ drawings: before.drawings, done: drawings.length / sheets.length }));
      }
      layouter.terminateWorker();
    };
    draw().catch(() => {
      if (!wanted) return;
      setState({ drawings: [], done: 1 });
      onFailed();
    });
    return () => {
      wanted = false;
      elk.current?.terminateWorker();
      elk.current = null;
    };
  }, [drawable, sheets, onFailed]);
  return state;
}
