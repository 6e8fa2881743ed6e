import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { switchingRemedies } from '../advice/switchingRemedies';
import { applyChange } from '../design/change';
import { deviceOf } from '../design/design';
import type { Receiver } from '../devices/receiver';
import { indexDesign } from '../rig/designIndex';
import { Bench } from './bench';
import { modeSheet } from './modeSheet';

/** A radio of two channels behind a fuse, that remembers its mode. */
function radio(mode: Receiver['mode'], remembers?: Receiver['remembers']) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.add({ id: 'radio', kind: 'receiver', channels: 2, mode, channelMaxA: 8, standbyA: 0.006, ...(remembers && { remembers }) });
  build.load(24, 'resistive', 0, { id: 'lamp' });
  build.wire('fuse.out', 'radio.plus');
  build.wire('radio.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.wire('radio.ch1', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.circuit('fuse', 1, 'fuse');
  return build.design();
}

const sheetOf = (design: ReturnType<typeof radio>) => {
  const { index, wiring } = analyse(design);
  return modeSheet(index, wiring, deviceOf(design, 'radio', 'receiver')!);
};
const shown = (steps: { on: boolean }[]) => steps.map(({ on }) => on);

// Common practice: a button held while power goes away turns such a kit over; its maker's sheet says which.
test('from latching to held: what each act shows, the proof, what leaves it alone, and the way back', () => {
  const sheet = sheetOf(radio('momentary', { comesAs: 'latching', holds: 2 }))!;
  expect(sheet.fuseId).toBe('fuse');
  // Pressed it latches on; its power goes; back, the button is still held: on; let go: off, so it was turned over.
  expect(shown(sheet.series)).toEqual([true, false, true, false]);
  expect(shown(sheet.check)).toEqual([true, false]);
  expect(sheet.harmless.map(({ acts, check }) => [shown(acts), shown(check)])).toEqual([
    [
      [true, true],
      [false, false],
    ],
    [
      [false, false],
      [true, true],
    ],
  ]);
  expect(sheet.isProved).toBe(true);
});

test('from held to latching the check shows it staying on', () => {
  const sheet = sheetOf(radio('latching', { comesAs: 'momentary', holds: 1 }))!;
  expect(shown(sheet.check)).toEqual([true, true]);
  expect(sheet.isProved).toBe(true);
});

test('by chance it is turned over on the bench too: a button held down while its fuse is changed; any other button does not', () => {
  const press = (bench: Bench, channel: string) => {
    bench.set('radio', channel, true).set('radio', channel, false);
    return bench.standing.memory.radio?.[channel] === true;
  };
  const after = (held: string) => {
    const bench = new Bench(indexDesign(radio('latching', { comesAs: 'latching', holds: 1 })));
    bench.set('radio', held, true).set('fuse', 'fitted', false).set('fuse', 'fitted', true).set('radio', held, false);
    return press(bench, 'ch1');
  };
  expect([after('ch1'), after('ch2')]).toEqual([false, true]);
  // One that remembers nothing forgets what was latched, and no more.
  const plain = new Bench(indexDesign(radio('latching')));
  plain.set('radio', 'ch1', true).set('fuse', 'fitted', false).set('fuse', 'fitted', true).set('radio', 'ch1', false);
  expect(press(plain, 'ch1')).toBe(true);
});

test('one that comes otherwise is to be set, until it is said to be; without a fuse of its own there is no sheet', () => {
  const design = radio('momentary', { comesAs: 'latching', holds: 1 });
  const open = (of: typeof design) => analyse(of).findings.filter(({ rule }) => rule === 'switching.modeToSet');
  expect(open(design)).toMatchObject([{ severity: 'caution', subjects: ['radio'] }]);
  const [set] = switchingRemedies(analyse(design), open(design)[0]!).map(({ change }) => applyChange(design, change));
  expect(open(set!)).toEqual([]);
  expect(sheetOf(radio('latching'))).toBeNull();
});
