import type { DesignIndex } from '../rig/designIndex';
import type { Battery, Scenario } from '../design/schema';
import type { SolarController } from '../devices/solarController';
import type { SolarPanel } from '../devices/solarPanel';
import { forecast } from './forecast';
import { prepareTrip, type Trip } from './trip';

/** A battery, and the least panel that keeps the chance of running out under the limit with it. */
export interface TradePoint {
  capacityAh: number;
  /** Null: no panel looked at is enough. */
  panelW: number | null;
  chance: number;
  /** What battery and panel cost together at the prices given. */
  cost: number | null;
  /** Whether this battery is the design's own. */
  asDesigned: boolean;
}

export interface TradeQuestion {
  limit: number;
  draws: number;
  seed: number;
  pricePer100Ah: number;
  pricePer100W: number;
}

/** Batteries looked at, as multiples of the design's own, and panels, W. */
const BATTERIES = [0.5, 0.75, 1, 1.25, 1.5, 2, 3];
const PANELS_W = [0, 50, 100, 150, 200, 250, 300, 400, 500, 600, 800, 1000, 1300];

/**
 * Battery against panel: for each size of battery the least panel that keeps the chance of running out in this scenario at or
 * under the limit, everything else as designed. The same weathers are drawn for every pair, so more panel never looks worse by
 * chance. Panels are those of the design, scaled; without any, a flat one on a tracking controller large enough.
 */
export function tradeOff(
  index: DesignIndex,
  battery: Battery,
  scenario: Scenario,
  question: TradeQuestion,
  onProgress?: (done: number) => boolean,
): TradePoint[] {
  const withPanel = hasPanel(index) ? index : { ...index, devices: new Map([...index.devices, ...FLAT_PANEL]) };
  const watts = panelWatts(withPanel);
  const points: TradePoint[] = [];
  for (const [at, multiple] of BATTERIES.entries()) {
    const sized = { ...battery, capacityAh: battery.capacityAh * multiple, rates: battery.rates?.map((rate) => ({ ...rate, capacityAh: rate.capacityAh * multiple })) }; // prettier-ignore
    const trip = prepareTrip(withPanel, sized, scenario);
    const chanceWith = (panelW: number) => forecast(scaled(trip, panelW / watts), { ...question, startShare: 1 }).chanceOfRunningOut;
    let [low, high] = [0, PANELS_W.length];
    let chance = 1;
    while (low < high) {
      const middle = Math.floor((low + high) / 2);
      const found = chanceWith(PANELS_W[middle]!);
      if (found <= question.limit) {
        high = middle;
        chance = found;
      } else low = middle + 1;
    }
    const panelW = PANELS_W[low] ?? null;
    const capacityAh = trip.bank.capacityAh;
    const cost = panelW === null ? null : (capacityAh * question.pricePer100Ah + panelW * question.pricePer100W) / 100;
    points.push({ capacityAh, panelW, chance: panelW === null ? 1 : chance, cost, asDesigned: multiple === 1 });
    if (onProgress?.((at + 1) / BATTERIES.length) === false) break;
  }
  return points;
}

/** The cheapest pair that keeps under the limit. */
export function cheapest(points: readonly TradePoint[]): TradePoint | null {
  return points.reduce<TradePoint | null>(
    (best, point) => (point.cost !== null && (best?.cost ?? Infinity) > point.cost ? point : best),
    null,
  );
}

/**
 * Extra driving a day, hours at the charge the design has while driving, that keeps the chance under the limit; null: none up to 8 h does.
 */
export function drivingNeeded(index: DesignIndex, battery: Battery, scenario: Scenario, question: TradeQuestion): number | null {
  for (const hours of [0, 0.5, 1, 1.5, 2, 3, 4, 6, 8]) {
    const driving = hours === 0 ? (scenario.driving ?? []) : [{ fromMin: 600, toMin: 600 + hours * 60 }, ...(scenario.driving ?? [])];
    const every = hours === 0 ? (scenario.drivingEveryDays ?? 1) : 1;
    const trip = prepareTrip(index, battery, { ...scenario, driving, drivingEveryDays: every });
    if (forecast(trip, { ...question, startShare: 1 }).chanceOfRunningOut <= question.limit) return hours;
  }
  return null;
}

const FLAT_PANEL: [string, SolarPanel | SolarController][] = [
  [
    'trade_panel',
    {
      ...{
        id: 'trade_panel',
        type: 'device',
        kind: 'solarPanel',
        name: 'Panel',
        zoneId: null,
        watts: 100,
        bestV: 18,
        openV: 22,
        shortA: 6,
      },
      ...{ count: 1, wired: 'parallel', tiltDeg: 0, facesDeg: 0, regulated: false, controllerId: 'trade_controller' },
    },
  ],
  [
    'trade_controller',
    {
      id: 'trade_controller',
      type: 'device',
      kind: 'solarController',
      name: 'Controller',
      zoneId: null,
      method: 'tracking',
      maxA: 200,
      maxPanelV: 500,
      outputV: 14.4,
    },
  ],
];

function hasPanel({ devices }: DesignIndex): boolean {
  return panelWatts({ devices }) > 0;
}

function panelWatts({ devices }: Pick<DesignIndex, 'devices'>): number {
  let watts = 0;
  for (const device of devices.values()) if (device.kind === 'solarPanel') watts += device.watts * device.count;
  return watts;
}

/** The same trip with its panels so many times as large, on controllers that pass it all on. */
function scaled(trip: Trip, by: number): Trip {
  const sun = trip.sources.sun.map((string) => ({ ...string, per: string.per * by, maxA: Infinity }));
  return { ...trip, sources: { ...trip.sources, sun } };
}
