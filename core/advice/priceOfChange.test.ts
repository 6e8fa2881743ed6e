import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { wayCalled } from '../switching/gallery/ways';
import { wayTo } from '../switching/gallery/wayTo';
import { priceOfChange } from './priceOfChange';

/** As the parts list tells them apart. */
const SWITCH = 'part switch ["single",false,false,16]';

/** A lamp behind a fuse, and what is written in the parts list. */
function lamp(prices: Record<string, number> = {}): Design {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.lampBehind('fuse', 1, 24);
  const design = build.design();
  const stock = Object.entries(prices).map(([part, price], at) => ({ id: `stock${at}`, type: 'stock' as const, part, price }));
  return applyChange(design, { added: stock, updated: [], removed: [] });
}

function switched(design: Design): Design {
  return applyChange(design, wayTo(design, 'fuse_lamp', wayCalled('switch'), { signal: 'ignition', otherId: null })!.change);
}

const END = 'end receptacle 6.3 blue';
const LABEL = 'label';

test('a switch in a run: itself, two ends and two labels, by the prices that were written down', () => {
  const price = (prices: Record<string, number>) => {
    const before = lamp(prices);
    return priceOfChange(analyse(before), analyse(switched(before)));
  };
  expect(price({})).toEqual({ cost: 0, open: 3 });
  expect(price({ [SWITCH]: 6.5, [END]: 0.2 })).toEqual({ cost: expect.closeTo(6.9), open: 1 });
  expect(price({ [SWITCH]: 6.5, [END]: 0.2, [LABEL]: 0.05 })).toEqual({ cost: expect.closeTo(7), open: 0 });
});

test('what goes is worth as much as it cost, and what is given away needs no price', () => {
  const before = lamp({ [SWITCH]: 6.5 });
  expect(priceOfChange(analyse(switched(before)), analyse(before))).toEqual({ cost: -6.5, open: 0 });
});

test('wire not coloured yet costs what its size does in any colour, by the metre', () => {
  const before = lamp({ 'wire mm2:2.5 RD': 0.8 });
  const after = applyChange(before, wayTo(before, 'fuse_lamp', wayCalled('twoPlaces'), { signal: 'ignition', otherId: null })!.change);
  const metres = (design: Design) => recordsOf(design, 'wire').reduce((sum, { lengthMm }) => sum + lengthMm / 1000, 0);
  const more = metres(after) - metres(before);
  expect(more).toBeGreaterThan(0.4);
  // Cut a little longer than it lies, which is the cutting list's to say.
  const { cost } = priceOfChange(analyse(before), analyse(after));
  expect(cost).toBeGreaterThanOrEqual(more * 0.8);
  expect(cost).toBeLessThan(more * 0.8 * 1.5);
});
