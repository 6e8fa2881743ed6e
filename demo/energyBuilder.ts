import type { Design } from '../core/design/design';
import { indexDesign } from '../core/rig/designIndex';
import { Edit } from '../core/design/edit';
import type { DesignRecord, Duty, Load, Scenario, Span, Use } from '../core/design/schema';

/** How a demo is lived in: where its scenarios take place, when its loads run, and what charges. */
export interface DemoEnergy {
  scenarios: Record<string, Partial<Scenario>>;
  /** When loads run, by their name and scenario. */
  uses: Record<string, Record<string, Use | null>>;
  /** Loads in more detail, by name. */
  loads: Record<string, Partial<Load>>;
  duties: Record<string, Partial<Duty>>;
  sources: DesignRecord[];
}

/** Hours of the clock as a stretch of the day: `hours(18, 22.5)`. */
export function hours(from: number, to: number): Span {
  return { fromMin: Math.round(from * 60), toMin: Math.round(to * 60) };
}

export function liveDemo(design: Design, { scenarios, uses, loads, duties, sources }: DemoEnergy): Design {
  const edit = new Edit(design);
  const index = indexDesign(design);
  for (const [id, fields] of Object.entries(scenarios)) edit.set(id, fields);
  for (const load of index.loads) {
    if (loads[load.name]) edit.set(load, loads[load.name]!);
    for (const duty of index.duties) {
      if (duty.loadId !== load.id) continue;
      const use = uses[load.name]?.[duty.scenarioId];
      if (use) edit.set(duty, { use });
      if (duties[load.name]) edit.set(duty, duties[load.name]!);
    }
  }
  sources.forEach((record) => edit.add(record));
  return { records: edit.design.records };
}
