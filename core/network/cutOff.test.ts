import { bench } from '../../testing/bench';

describe('contacts that cut a load off', () => {
  const BEHAVIOURS = ['converter', 'ledConstantPower', 'ledConstantCurrent', 'ledStrip', 'filament', 'motor', 'resistive'] as const;
  const cutOff = (behaviour: (typeof BEHAVIOURS)[number], side: 'supply' | 'return') =>
    bench((build) => {
      build.add({ id: 'contact', kind: 'switch', form: 'single', ratingA: 10 });
      build.load(48, behaviour, 0, { id: 'draw' });
      build.load(12, 'resistive', 0, { id: 'lamp' });
      if (side === 'supply') {
        build.wire('battery.plus', 'contact.in');
        build.wire('contact.out', 'draw.plus');
        build.wire('draw.minus', 'battery.minus');
      } else {
        build.wire('battery.plus', 'draw.plus');
        build.wire('draw.minus', 'contact.in');
        build.wire('contact.out', 'battery.minus');
      }
      build.wire('battery.plus', 'lamp.plus');
      build.wire('lamp.minus', 'battery.minus');
    });

  test.each(BEHAVIOURS.flatMap((behaviour) => [[behaviour, 'supply'] as const, [behaviour, 'return'] as const]))(
    '%s on the %s side: off at once, no volts across it, and found in a few steps',
    (behaviour, side) => {
      const { live, settle, volts } = cutOff(behaviour, side);
      settle({ contact: { position: 'on' } });
      const amps = live.partAmps('draw', 'draw');
      settle({ contact: { position: 'off' } });
      const { iterations } = live.solved;
      expect(amps).toBeGreaterThan(1);
      expect(Math.abs(live.partAmps('draw', 'draw'))).toBeLessThan(1e-6);
      expect(Math.abs(volts('draw.plus') - volts('draw.minus'))).toBeLessThan(0.05);
      expect(iterations).toBeLessThan(8);
    },
  );
});
