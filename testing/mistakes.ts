import fc from 'fast-check';
import { applyChange, updateRecords } from '../core/design/change';
import { recordOf, type Design } from '../core/design/design';
import { DesignError } from '../core/design/problems';

export interface Mistake {
  id: string;
  /** Null: it is taken away. */
  set: object | null;
}

/** Several of a person's mistakes in a design like Heron, one after another. */
export function mistakesIn(start: Design): fc.Arbitrary<Mistake[]> {
  return fc.array(oneMistakeIn(start), { minLength: 1, maxLength: 8 });
}

/** The design with mistakes in it, but for those after which it would not be a whole design any more. */
export function spoil(start: Design, mistakes: readonly Mistake[]): Design {
  return mistakes.reduce<Design>((design, { id, set }) => {
    const record = design.records.get(id);
    if (!record) return design;
    try {
      return applyChange(design, set === null ? { added: [], updated: [], removed: [record] } : updateRecords(design, [{ id, set }]));
    } catch (error) {
      if (error instanceof DesignError) return design;
      throw error;
    }
  }, start);
}

/** Ways a person goes wrong, one record at a time: what is drawn wrong, bought wrong, laid wrong, put in the wrong place or left out. */
function oneMistakeIn(start: Design): fc.Arbitrary<Mistake> {
  const ids = (test: (record: { type: string; kind?: string }) => boolean) =>
    Array.from(start.records.values())
      .filter(test)
      .map(({ id }) => id);
  const wires = ids(({ type }) => type === 'wire');
  const fuses = ids(({ kind }) => kind === 'protection');
  const loads = ids(({ kind }) => kind === 'load');
  const end = (wireId: string) => recordOf(start, wireId, 'wire')!.to;
  return fc.oneof(
    fc
      .tuple(fc.constantFrom(...wires), fc.constantFrom('mm2:0.5', 'mm2:1', 'awg:18', 'mm2:50'))
      .map(([id, conductor]) => ({ id, set: { conductor } })),
    fc
      .tuple(fc.constantFrom(...wires), fc.integer({ min: 0, max: 60_000 }), fc.boolean())
      .map(([id, lengthMm, lengthMeasured]) => ({ id, set: { lengthMm, lengthMeasured } })),
    fc.tuple(fc.constantFrom(...wires), fc.constantFrom(...wires)).map(([id, other]) => ({ id, set: { to: end(other) } })),
    fc.constantFrom(...wires).map((id) => ({ id, set: null })),
    fc.tuple(fc.constantFrom(...fuses), fc.constantFrom(0.5, 3, 40, 300)).map(([id, ratingA]) => ({ id, set: { ratingA } })),
    fc
      .tuple(fc.constantFrom(...fuses), fc.constantFrom('blade', 'glass', 'breaker', 'terminalMount'))
      .map(([id, family]) => ({ id, set: { family } })),
    fc.constantFrom(...fuses).map((id) => ({ id, set: { mount: null } })),
    fc.tuple(fc.constantFrom(...loads), fc.integer({ min: 1, max: 30 })).map(([id, quantity]) => ({ id, set: { quantity } })),
    fc
      .constantFrom(...loads)
      .map((id) => ({ id, set: { rated: { kind: 'strip', wattsPerM: 14.4, lengthMm: 4000, pieces: 3, join: 'endToEnd', atV: 12 } } })),
    fc
      .tuple(
        fc.constantFrom(...loads),
        fc.constantFrom(
          { cutOutV: 12.4 },
          { maxFuseA: 1 },
          { measured: { draw: { kind: 'amps', amps: 9, atV: 12 }, forSize: 1, on: '2026-01-01' } },
        ),
      )
      .map(([id, set]) => ({ id, set })),
    fc
      .tuple(fc.constantFrom(...ids(({ kind }) => kind === 'switch')), fc.constantFrom({ ratingA: 1 }, { ratedFor: 'ac' }))
      .map(([id, set]) => ({ id, set })),
    fc
      .tuple(
        fc.constantFrom(...ids(({ kind }) => kind === 'fuseBlock')),
        fc.constantFrom({ slotMaxA: 3 }, { blockMaxA: 5 }, { stud: 'M4' }),
      )
      .map(([id, set]) => ({ id, set })),
    fc
      .tuple(
        fc.constantFrom(...ids(({ type }) => type === 'device')),
        fc.constantFrom({ zoneId: 'zone_engine' }, { placeId: null }, { depthMm: 400 }, { stud: 'M5' }),
      )
      .map(([id, set]) => ({ id, set })),
    fc
      .tuple(fc.constantFrom(...ids(({ type }) => type === 'place')), fc.integer({ min: -2000, max: 9000 }))
      .map(([id, xMm]) => ({ id, set: { xMm } })),
    fc
      .tuple(
        fc.constantFrom(...ids(({ type }) => type === 'route')),
        fc.constantFrom(
          { closed: true },
          { insideMm: 4 },
          { measuredMm: 90 },
          pass('roof'),
          pass('exhaust'),
          pass('steering'),
          pass('hinge'),
        ),
      )
      .map(([id, set]) => ({ id, set })),
    fc
      .tuple(fc.constantFrom(...ids(({ type }) => type === 'zone')), fc.integer({ min: 31, max: 90 }))
      .map(([id, ambientC]) => ({ id, set: { ambientC, engineSpace: true } })),
    fc
      .constantFrom({ chemistry: 'flooded' }, { count: 1 }, { heldDown: false }, { chargeLimitA: 5 }, { zoneId: 'zone_engine' })
      .map((set) => ({ id: 'bat_house', set })),
    fc.constantFrom<Mistake[]>(
      { id: 'sun_roof', set: { controllerId: null } },
      { id: 'sun_roof', set: { regulated: true } },
      { id: 'sun_controller', set: { method: 'simple', maxA: 5, cable: null } },
      { id: 'dcdc', set: { inputConductor: 'mm2:1.5', inputFuseA: 150 } },
      { id: 'dcdc', set: { inputFuseA: null } },
      { id: 'alternator', set: { ratedA: 40 } },
    ),
    fc
      .constantFrom('us-small-craft', 'road-vehicle', 'us-recreational')
      .map((conductorStandard) => ({ id: 'settings', set: { conductorStandard, wantedRuntimeH: 900 } })),
  );
}

function pass(what: string) {
  return { passes: [{ what, part: 'none', holeMm: 3, sealed: false, clearMm: 20 }] };
}
