import { rig } from '../../testing/rig';
import type { Alternator } from '../devices/alternator';
import { batteryOhmRange, restV } from '../catalog/chemistries';
import { applyChange, updateRecords } from '../design/change';
import { indexDesign } from '../rig/designIndex';
import { engineBrings, spareA, vehicleChargeA } from './chargeSources';
import { idleSupply } from './idle';

interface Engine {
  /** Amperes at idle to spare: 160 A at 45 % less the vehicle's 35 A is 37. */
  ratedA?: number;
  relayA?: number;
  chargers?: number[];
  battery?: boolean;
  nominalV?: 12 | 24;
}

function engine({ ratedA = 160, relayA, chargers = [], battery = true, nominalV = 12 }: Engine) {
  const build = rig();
  if (battery) build.battery('agm', 100);
  if (ratedA > 0)
    build.add({
      ...{ id: 'alternator', kind: 'alternator', ratedA, outputV: 14.2 * (nominalV / 12) },
      ...{ idlePercent: 45, hotPercent: 75, vehicleA: 35, idlingPercent: 15 },
    });
  if (relayA !== undefined) build.add({ id: 'relay', kind: 'splitRelay', ratingA: relayA });
  for (const maxA of chargers)
    build.add({
      ...{ kind: 'dcDcCharger', outputV: 14.4 * (nominalV / 12), maxA, efficiencyPercent: 92 },
      ...{ inputConductor: null, inputLengthMm: 0, inputFuseA: null },
    });
  const design = build.design();
  return indexDesign(applyChange(design, updateRecords(design, [{ id: 'settings', set: { nominalV } }])));
}

const atIdle = (index: ReturnType<typeof engine>) => engineBrings(index, (alternator) => spareA(alternator, alternator.idlePercent));

describe('what the engine brings at idle', () => {
  it('through a relay is what is spare, as far as the relay carries it, at the alternator’s volts', () => {
    expect(atIdle(engine({ relayA: 100 }))).toEqual({ amps: 37, heldV: 14.2 });
    expect(atIdle(engine({ relayA: 20 }))).toEqual({ amps: 20, heldV: 14.2 });
  });

  it('through chargers is shared out one after another: power in less losses is power out', () => {
    const { amps, heldV } = atIdle(engine({ chargers: [30, 30] }));
    // 37 A x 14.2 V x 0.92 leaves 483 W: 33.6 A at 14.4 V, 30 of them through the first.
    expect(amps).toBeCloseTo((37 * 14.2 * 0.92) / 14.4, 9);
    expect(heldV).toBe(14.4);
    expect(atIdle(engine({ chargers: [10] })).amps).toBe(10);
  });

  it('reaches the only battery of a vehicle straight, with no relay or charger between', () => {
    const only = engine({});
    only.devices.set('alternator', { ...(only.devices.get('alternator') as Alternator), direct: true });
    expect(atIdle(only)).toEqual({ amps: 37, heldV: 14.2 });
    expect(vehicleChargeA(only)).toBeCloseTo(0.15 * 37 + 0.85 * (160 * 0.75 - 35), 9);
    // 30 A asked for, 37 spare: the battery stands at the alternator's volts; 60 A asked for: below rest.
    expect(idleSupply(only, 30)).toEqual({ volts: 14.2, passedA: 37, wantedA: 30 });
    expect(idleSupply(only, 60)!.volts).toBeLessThan(restV('agm', 50));
  });

  it('is nothing without a way, or with no more than the vehicle takes itself', () => {
    expect(atIdle(engine({}))).toEqual({ amps: 0, heldV: null });
    expect(atIdle(engine({ ratedA: 0, relayA: 100 }))).toEqual({ amps: 0, heldV: null });
    // 70 A at 45 % is 31.5 A, the vehicle takes 35.
    expect(atIdle(engine({ ratedA: 70, relayA: 100 })).amps).toBe(0);
  });

  it('while driving it is weighed with what comes at speed: 15 % idling, 85 % hot', () => {
    expect(vehicleChargeA(engine({ relayA: 200 }))).toBeCloseTo(0.15 * 37 + 0.85 * (160 * 0.75 - 35), 9);
  });
});

describe('the house side at idle', () => {
  it('stands at the charging volts while enough comes', () => {
    expect(idleSupply(engine({ relayA: 100 }), 30)).toEqual({ volts: 14.2, passedA: 37, wantedA: 30 });
    expect(idleSupply(engine({ chargers: [30] }), 30)!.volts).toBe(14.4);
  });

  it('falls to the battery at its usable depth, through its own resistance, once more is asked', () => {
    // Glass-mat is used to half (trade, from memory): it rests at 12.3 V then.
    const worn = batteryOhmRange({ chemistry: 'agm', capacityAh: 100, count: 1 }).most;
    const found = idleSupply(engine({ relayA: 100 }), 57)!;
    expect(restV('agm', 50)).toBeCloseTo(12.3, 2);
    expect(found.volts).toBeCloseTo(12.3 - 20 * worn, 2);
    expect(found.volts).toBeLessThan(12.3);
  });

  it('is twice as high on 24 V', () => {
    const [low, high] = [idleSupply(engine({ relayA: 100 }), 37)!, idleSupply(engine({ relayA: 100, nominalV: 24 }), 37)!];
    expect(high.volts).toBeCloseTo(2 * low.volts, 9);
  });

  it('is not spoken of without a battery or an engine that feeds it', () => {
    expect(idleSupply(engine({ relayA: 100, battery: false }), 5)).toBeNull();
    expect(idleSupply(engine({}), 5)).toBeNull();
  });
});
