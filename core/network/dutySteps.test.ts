import { agreesWithNgspice } from '../../testing/agreesWithNgspice';
import { LOAD_BEHAVIOURS } from '../devices/load';
import { BoardBuilder } from '../practise/boardBuilder';
import { BOARDS } from '../practise/boards';
import { indexDesign } from '../rig/designIndex';
import { AT_REST, withControl } from './controlState';
import { LiveDesign } from './settle';

/** A lamp behind a dimmer on either side, and a switch ahead of both. */
function dimmed(side: 'dimmer' | 'returnDimmer', behaviour: (typeof LOAD_BEHAVIOURS)[number]) {
  const builder = new BoardBuilder('Dimmed').supply(30, 'mm2:6').fuse('fuse', 'Lamp', 5).part('switch', 'Switch', 'switch').part('dimmer', 'Dimmer', side).lamp('lamp', 'Lamp', 15, behaviour).wires('fuse.out > switch.in', 1500); // prettier-ignore
  if (side === 'dimmer')
    builder.wires('switch.out > dimmer.in, dimmer.out > lamp.plus, lamp.minus > minusBar.bar, dimmer.minus > minusBar.bar', 4000);
  else builder.wires('switch.out > lamp.plus, lamp.minus > dimmer.dimmed, dimmer.minus > minusBar.bar, switch.out > dimmer.plus', 4000);
  return indexDesign(builder.design());
}
const LEVELS = [100, 75, 50, 25, 10, 0];
const stateOf = (position: string, level: number) => withControl(withControl(AT_REST, 'switch', 'position', position), 'dimmer', 'levelPercent', level); // prettier-ignore

test.each(['dimmer', 'returnDimmer'] as const)(
  'a %s comes to rest at every level with every kind of load, switched on and cut off, begun there or brought there',
  (side) => {
    for (const behaviour of LOAD_BEHAVIOURS)
      for (const position of ['off', 'on'])
        for (const level of LEVELS) {
          const index = dimmed(side, behaviour);
          const state = stateOf(position, level);
          const [begun, brought] = [new LiveDesign(index, state), new LiveDesign(index, AT_REST)];
          begun.settle(state);
          brought.settle(state);
          const amps = [begun, brought].map((live) => live.partAmps('lamp', 'draw'));
          expect(amps[0]).toBeCloseTo(amps[1]!, 6);
          // Common practice: a dimmer gives nothing at nought, and no more than all at full.
          if (position === 'off' || level === 0) expect(amps[0]!).toBeLessThan(0.001);
          else expect(amps[0]!).toBeLessThan(1.6);
        }
  },
);

test('dimmed networks are what ngspice makes of them, two dimmers on one way too', () => {
  for (const side of ['dimmer', 'returnDimmer'] as const)
    for (const [behaviour, level] of [
      ['filament', 25],
      ['ledStrip', 10],
      ['motor', 75],
    ] as const) {
      const live = new LiveDesign(dimmed(side, behaviour), stateOf('on', level));
      live.settle(stateOf('on', level));
      agreesWithNgspice(live);
    }
  const two = new BoardBuilder('Two').supply(30, 'mm2:6').fuse('fuse', 'Lamps', 5).part('one', 'One', 'dimmer').part('two', 'Two', 'dimmer').lamp('a', 'A', 15).lamp('b', 'B', 15, 'ledStrip').wires('fuse.out > one.in, one.out > a.plus, a.minus > minusBar.bar, one.minus > minusBar.bar', 3000).wires('fuse.out > two.in, two.out > b.plus, b.minus > minusBar.bar, two.minus > minusBar.bar', 3000).design(); // prettier-ignore
  const state = withControl(withControl(AT_REST, 'one', 'levelPercent', 10), 'two', 'levelPercent', 50);
  const live = new LiveDesign(indexDesign(two), state);
  live.settle(state);
  agreesWithNgspice(live);
});

test('a lamp on the body past its dimmer has an answer at every level, switched off too', () => {
  const index = indexDesign(BOARDS.find(({ id }) => id === 'bonded-dimmer')!.design);
  for (const position of ['off', 'on'])
    for (const level of LEVELS) {
      const live = new LiveDesign(index, AT_REST);
      expect(live.settle(stateOf(position, level)).kind).toBe('settled');
    }
});
