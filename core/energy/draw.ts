import type { Duty, Load } from '../design/schema';
import type { LoadDraw } from '../devices/load';

/** A scenario's duties by load; several of one load are its several levels. */
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
 * What a load draws as one duty uses it: the level named, if it has it, at the dim level set. A percentage takes the draw in
 * proportion, as pulse-width dimming does. Common practice.
 */
export function dutyDraw(load: Load, whole: LoadDraw, duty: Duty): { watts: number; amps: number } {
  const level = (duty.levelPercent ?? 100) / 100;
  const used = duty.level ? load.levels?.find(({ name }) => name === duty.level) : undefined;
  if (!used) return { watts: whole.watts * level, amps: whole.amps * level };
  const watts = used.watts * load.quantity;
  return { watts: watts * level, amps: (watts / load.rated.atV) * level };
}
