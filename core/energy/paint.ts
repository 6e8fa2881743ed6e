import type { Span } from '../design/schema';
import { isWithin } from './setting';

const DAY_MIN = 1440;

/**
 * Hours of a day with a stretch painted in or wiped out, whole steps at a time. Touching stretches become one; what goes over
 * midnight stays one that does.
 */
export function paintSpans(spans: readonly Span[], fromMin: number, toMin: number, on: boolean, stepMin = 30): Span[] {
  const steps = DAY_MIN / stepMin;
  const lit = Array.from({ length: steps }, (_, step) => isWithin(spans, step * stepMin + stepMin / 2));
  for (let step = 0; step < steps; step++) {
    const middle = step * stepMin + stepMin / 2;
    if (middle >= fromMin && middle < toMin) lit[step] = on;
  }
  const painted: Span[] = [];
  for (let step = 0; step < steps; step++) {
    if (!lit[step]) continue;
    const last = painted.at(-1);
    if (last && last.toMin === step * stepMin) last.toMin += stepMin;
    else painted.push({ fromMin: step * stepMin, toMin: (step + 1) * stepMin });
  }
  const [first, last] = [painted[0], painted.at(-1)];
  if (painted.length > 1 && first!.fromMin === 0 && last!.toMin === DAY_MIN) {
    painted.pop();
    painted[0] = { fromMin: last!.fromMin, toMin: first!.toMin };
  }
  return painted.sort((a, b) => a.fromMin - b.fromMin);
}
