import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Point } from '@/core/rig/geometry';
import type { Projection } from './projection';

/** A step of the arrow keys, mm, and with shift. */
const STEP_MM = 50;
const FINE_STEP_MM = 10;
const ARROWS: Record<string, [across: number, along: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Grab {
  point: Point;
  projection: Projection;
  onGrab?(): void;
  /** Called at every move, and once more when it is done. */
  onMove(to: Point, done: boolean): void;
  onRemove(): void;
  onCancel(): void;
}

/** What makes a mark on the drawing grabbable: by hand, by touch and by arrow keys. */
export function useGrab({ point, projection, onGrab, onMove, onRemove, onCancel }: Grab) {
  const { x, y } = projection.at(point);
  const held = useRef<{ dx: number; dy: number; box: DOMRect; moved: boolean; to: Point } | null>(null);
  return {
    onPointerDown(event: PointerEvent<SVGGElement>) {
      if (event.button !== 0) return;
      const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current = { dx: event.clientX - box.left - x, dy: event.clientY - box.top - y, box, moved: false, to: point };
      onGrab?.();
    },
    onPointerMove(event: PointerEvent) {
      const now = held.current;
      if (!now) return;
      const to = projection.back(event.clientX - now.box.left - now.dx, event.clientY - now.box.top - now.dy, now.to);
      if (to.xMm === now.to.xMm && to.yMm === now.to.yMm && to.zMm === now.to.zMm) return;
      now.moved = true;
      now.to = to;
      onMove(to, false);
    },
    onPointerUp() {
      const now = held.current;
      held.current = null;
      if (now?.moved) onMove(now.to, true);
    },
    /** The hand was taken away, by the system or another finger: nothing was moved. */
    onPointerCancel() {
      if (!held.current) return;
      held.current = null;
      onCancel();
    },
    onKeyDown(event: KeyboardEvent) {
      const arrow = ARROWS[event.key];
      if (event.key === 'Enter' || event.key === ' ') onGrab?.();
      else if (event.key === 'Delete' || event.key === 'Backspace') onRemove();
      else if (event.key === 'Escape' && held.current) {
        held.current = null;
        onCancel();
      } else if (arrow) {
        const step = event.shiftKey ? FINE_STEP_MM : STEP_MM;
        const to = { xMm: point.xMm + arrow[0] * step, yMm: point.yMm, zMm: point.zMm };
        if (projection.view === 'plan') to.yMm += arrow[1] * step;
        else to.zMm -= arrow[1] * step;
        onMove(to, true);
      } else return;
      event.preventDefault();
    },
  };
}
