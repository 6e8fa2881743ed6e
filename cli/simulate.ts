import { parseArgs } from 'node:util';
import { analyse } from '../core/analysis/analyse';
import { forecast } from '../core/energy/forecast';
import { settingOf } from '../core/energy/setting';
import { prepareTrip } from '../core/energy/trip';
import { nameOf } from '../core/design/names';
import { formatHours, formatPercent, formatWattHours } from '../core/units/quantity';
import { loadDesign } from './designFile';
import { BadInput } from './input';

/** `vine-knot simulate`: a scenario's days under many weathers. Status 1 when some load is cut in any of them. */
export function simulateDays(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: {
      scenario: { type: 'string' },
      days: { type: 'string' },
      draws: { type: 'string' },
      seed: { type: 'string' },
      json: { type: 'boolean' },
    },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('simulate takes one file');
  const { index, scenario: chosen, design } = analyse(loadDesign(file));
  const wanted = values.scenario ?? chosen?.id;
  const scenario = index.scenarios.find(({ id, name }) => id === wanted || name === wanted);
  if (!scenario) throw new BadInput(`--scenario: not one of ${index.scenarios.map(({ name }) => `"${name}"`).join(', ')}`);
  if (!index.battery) throw new BadInput('the design has no battery');
  const days = whole('--days', values.days, settingOf(scenario).days, 1, 366);
  const draws = whole('--draws', values.draws, 100, 1, 1000);
  const seed = whole('--seed', values.seed, 1, 0, 1_000_000);
  const told = forecast(prepareTrip(index, index.battery, scenario, days), { draws, seed, startShare: 1 });
  if (values.json) {
    const { bands, hourly, ...sums } = told;
    const cutLoads = sums.cutLoads.map(({ loadId, hours }) => ({ load: nameOf(design, loadId), hours }));
    process.stdout.write(
      `${JSON.stringify({ scenario: scenario.name, ...sums, cutLoads, bands, ...(days <= 31 && { hourly }) }, null, 2)}\n`,
    );
  } else {
    const { mean } = told;
    const lines = [
      `${scenario.name}: ${days} days, ${draws} weathers, seed ${seed}, from full`,
      `runs out in ${formatPercent(told.chanceOfRunningOut * 100)} of the draws; first cut ${told.medianFirstCutH === null ? 'never' : `after ${formatHours(told.medianFirstCutH)}`}`,
      `sun ${formatWattHours(mean.sunWh)}, driving ${formatWattHours(mean.vehicleWh)}, hookup ${formatWattHours(mean.shoreWh)}, loads ${formatWattHours(mean.loadsWh)}, not taken ${formatWattHours(mean.spilledWh)}`,
      ...told.cutLoads.map(({ loadId, hours }) => `  cut: ${nameOf(design, loadId)}, ${formatHours(hours)}`),
    ];
    process.stdout.write(`${lines.join('\n')}\n`);
  }
  return told.chanceOfRunningOut > 0 ? 1 : 0;
}

function whole(option: string, text: string | undefined, otherwise: number, least: number, most: number): number {
  if (text === undefined) return otherwise;
  const value = Number(text);
  if (!Number.isInteger(value) || value < least || value > most) throw new BadInput(`${option}: a whole number from ${least} to ${most}`);
  return value;
}
