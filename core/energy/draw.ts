import type { Draw, Duty, Load } from '../design/schema';

/** What a load takes from the system, all its pieces together. */
export interface LoadDraw {
  watts: number;
  amps: number;
  /** A measured value replaces the rated one. */
  basis: 'rated' | 'measured';
  ratedWatts: number;
  ratedAmps: number;
}

/**
 * Watts and amperes of one draw: I = P / V at the voltage it was stated or measured at. A light strip is watts per metre
 * times all its metres: strips joined end to end and strips side by side both hang across the same two conductors, so
 * their currents add either way.
 */
export function drawOf(draw: Draw): { watts: number; amps: number } {
  switch (draw.kind) {
    case 'watts':
      return { watts: draw.watts, amps: draw.watts / draw.atV };
    case 'amps':
      return { watts: draw.amps * draw.atV, amps: draw.amps };
    case 'strip': {
      const watts = draw.wattsPerM * stripMetres(draw);
      return { watts, amps: watts / draw.atV };
    }
  }
}

/** Total metres of light strip in a strip draw. */
export function stripMetres(draw: Extract<Draw, { kind: 'strip' }>): number {
  return (draw.lengthMm / 1000) * draw.pieces;
}

/** Amperes that enter the first strip: all of it when pieces are joined end to end, one piece's share when each is fed by itself. */
export function stripFeedAmps(draw: Extract<Draw, { kind: 'strip' }>): number {
  const { amps } = drawOf(draw);
  return draw.join === 'endToEnd' ? amps : amps / draw.pieces;
}

/** How much of a load there is, so that a measurement made on some of it can be scaled: pieces, or metres of strip. */
export function loadSize(load: Load): number {
  return load.quantity * (load.rated.kind === 'strip' ? stripMetres(load.rated) : 1);
}

/** The draw of the whole load: measured where it was measured, scaled to today's quantity or length; otherwise rated. */
export function loadDraw(load: Load): LoadDraw {
  const each = drawOf(load.rated);
  const ratedWatts = each.watts * load.quantity;
  const ratedAmps = each.amps * load.quantity;
  if (!load.measured) return { watts: ratedWatts, amps: ratedAmps, basis: 'rated', ratedWatts, ratedAmps };
  const scale = loadSize(load) / load.measured.forSize;
  const { watts, amps } = drawOf(load.measured.draw);
  return { watts: watts * scale, amps: amps * scale, basis: 'measured', ratedWatts, ratedAmps };
}

/** A scenario's duties by load; several of one load are its several functions. */
export function dutiesByLoad(duties: readonly Duty[], scenarioId: string | null): Map<string, Duty[]> {
  const byLoad = new Map<string, Duty[]>();
  for (const duty of duties) {
    if (duty.scenarioId !== scenarioId) continue;
    const own = byLoad.get(duty.loadId);
    if (own) own.push(duty);
    else byLoad.set(duty.loadId, [duty]);
  }
  return byLoad;
}

/**
 * What a load draws as one duty uses it: the function named, if it has it, at the dim level set. A level takes the draw in
 * proportion, as pulse-width dimming does. Common practice.
 */
export function dutyDraw(load: Load, whole: LoadDraw, duty: Duty): { watts: number; amps: number } {
  const level = (duty.levelPercent ?? 100) / 100;
  const used = duty.function ? load.functions?.find(({ name }) => name === duty.function) : undefined;
  if (!used) return { watts: whole.watts * level, amps: whole.amps * level };
  const watts = used.watts * load.quantity;
  return { watts: watts * level, amps: (watts / load.rated.atV) * level };
}
