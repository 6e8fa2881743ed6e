import type { Finding } from '../finding';
import type { Analysis } from '../types';
import { forecast } from '../../energy/forecast';
import { settingOf } from '../../energy/setting';
import { prepareTrip } from '../../energy/trip';
import { ACCEPTED_CHANCE_PERCENT, FORECAST_DRAWS, FORECAST_SEED } from '../../energy/usualQuestions';

/** Longer trips are lived through under fewer weathers: what is wanted is whether they run out, not to the last per cent. */
const LONG_DAYS = 31;
const LONG_DRAWS = 20;

/**
 * Scenarios whose battery runs out more often than is accepted, lived through under the same weathers that Energy shows. For a worker or a
 * quiet moment: it costs some tens of milliseconds a scenario.
 */
export function findInDays({ index }: Analysis): Finding[] {
  const { battery, settings } = index;
  if (!battery) return [];
  const acceptedPercent = settings.wishes?.chancePercent ?? ACCEPTED_CHANCE_PERCENT;
  const used = new Set(index.duties.map(({ scenarioId }) => scenarioId));
  return index.scenarios.flatMap((scenario): Finding[] => {
    if (!used.has(scenario.id)) return [];
    const draws = settingOf(scenario).days > LONG_DAYS ? LONG_DRAWS : FORECAST_DRAWS;
    const found = forecast(prepareTrip(index, battery, scenario), { draws, seed: FORECAST_SEED, startShare: 1 });
    const chancePercent = found.chanceOfRunningOut * 100;
    if (chancePercent <= acceptedPercent) return [];
    const numbers = { chancePercent, acceptedPercent, draws: found.draws, days: found.days, firstCutH: found.medianFirstCutH };
    return [{ rule: 'energy.runsOut', severity: 'caution', subjects: [scenario.id, battery.id], circuitId: null, numbers }];
  });
}
