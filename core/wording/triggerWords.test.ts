import { readTrigger } from '../bench/triggers';
import type { Trigger } from '../design/schema';
import { triggerWords } from './triggerWords';

type Reading = Trigger['readings'][number];
const met = (state: Reading['state'], volts: number, moves: Reading['moves'] = 'steady'): Reading => ({ state, volts, moves });
const said = (readings: Reading[], mayDrawA?: number) =>
  triggerWords(readTrigger({ readings, ...(mayDrawA !== undefined && { mayDrawA }) } as Pick<Trigger, 'readings' | 'mayDrawA'>, 12));

// Common practice: a wire of the vehicle is a trigger for a relay coil (about 0.17 A), never a feed for a lamp; a flashing one beats the
// relay; pulses are left alone.
const OFF = ['off', 'accessory', 'on', 'side', 'low', 'left', 'right', 'brake', 'door', 'hood', 'start', 'hazard'] as const;
const HIGH_BEAM = [...OFF.map((state) => met(state, 0)), met('reverse', 0), met('high', 14.1)];

describe('a metered wire in a sentence', () => {
  test('found: what it is live with, its volts, and what may hang on it', () => {
    expect(said(HIGH_BEAM)).toBe('Live with high beam, 14.10 V: good for 1 relay coil as a rule, though nobody has said what it may give; not for lamp current.'); // prettier-ignore
    expect(said(HIGH_BEAM, 0.5)).toBe('Live with high beam, 14.10 V: good for 2 relay coils; not for lamp current.');
    expect(said(HIGH_BEAM, 0.17)).toContain('good for 1 relay coil; not');
    expect(said(HIGH_BEAM, 0.1)).toBe('Live with high beam, 14.10 V: it may not give a relay coil’s current.');
  });

  test('pulled to ground: no volts to tell, and where the coil’s other end goes', () => {
    const door = HIGH_BEAM.map(({ state }) => met(state, state === 'door' ? 0 : 12.4));
    expect(said(door)).toMatch(
      /^Pulled to ground with [^,:]*door[^,:]*: good for 1 relay coil .* The coil’s other end goes to a fused live\.$/,
    );
  });

  test('flashing: what hangs on it flashes with it', () => {
    const left = HIGH_BEAM.map(({ state }) => (state === 'left' || state === 'hazard' ? met(state, 6, 'flashes') : met(state, 0)));
    expect(said(left)).toMatch(/^Live with left indicator: .* What hangs on it flashes with it\.$/);
  });

  test('not yet known: few candidates by name, many as none, and the state to meter next', () => {
    expect(said([])).toMatch(/^Not known yet\. Meter next: .+\.$/);
    expect(said([met('off', 0), met('high', 14.1)])).toMatch(/^[^,]+ or high beam, by what was metered\. Meter next: .+\.$/);
  });

  test('refused, each with its reason', () => {
    expect(said([met('low', 12.6), met('left', 6, 'flashes')])).toMatch(/^Steady in one state and flashing in another.*No trigger/);
    expect(said([met('on', 3, 'pulses')])).toMatch(/^Restless.*nothing may be tapped into it/);
    expect(said([met('low', 6)])).toMatch(/^Neither live nor dead/);
    expect(said([met('off', 12.6), met('accessory', 0), met('high', 12.6), met('low', 0)])).toMatch(
      /agrees with none of the vehicle’s controls/,
    );
  });
});
