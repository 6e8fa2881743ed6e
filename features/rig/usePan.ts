import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior } from 'd3-zoom';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { NO_PAN, type Pan } from './projection';

/** Pan and zoom of a drawing by wheel, drag and pinch; what is grabbable on it (data-grab) is left alone. */
export function usePan(svg: RefObject<SVGSVGElement | null>): { pan: Pan; zoomBy(factor: number): void; fit(): void } {
  const [pan, setPan] = useState<Pan>(NO_PAN);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  useEffect(() => {
    if (!svg.current) return;
    const panning = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.6, 12])
      .filter((event: Event) => !(event.target as Element).closest('[data-grab]') && !('button' in event && event.button !== 0))
      .on('zoom', ({ transform }) => setPan({ k: transform.k, x: transform.x, y: transform.y }));
    behaviour.current = panning;
    const drawing = select(svg.current);
    drawing.call(panning).on('dblclick.zoom', null);
    return () => void drawing.on('.zoom', null);
  }, [svg]);
  const drive = (
    run: (panning: ZoomBehavior<SVGSVGElement, unknown>, drawing: ReturnType<typeof select<SVGSVGElement, unknown>>) => void,
  ) => {
    if (svg.current && behaviour.current) run(behaviour.current, select(svg.current));
  };
  return {
    pan,
    zoomBy: (factor) => drive((panning, drawing) => panning.scaleBy(drawing, factor)),
    fit: () => drive((panning, drawing) => panning.transform(drawing, zoomIdentity)),
  };
}
