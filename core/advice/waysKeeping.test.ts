import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { WishSays } from '../design/schema';
import { waysKeeping } from './waysKeeping';

const idOf = (design: Design, name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;

/** Heron with nothing wished of a load but this; nothing said: what Heron's people wish of it. */
function wished(load: string, ...says: WishSays[]): { design: Design; loadId: string } {
  const design = heron();
  const edit = new Edit(design);
  const own = recordsOf(design, 'wish').filter(({ loadId }) => says.length > 0 && loadId === idOf(design, load));
  own.forEach(({ id }) => edit.remove(id));
  says.forEach((one, at) => edit.add({ id: `wish_new${at}`, type: 'wish', loadId: idOf(design, load), says: one }));
  return { design: applyChange(design, edit.change), loadId: idOf(design, load) };
}

const best = ({ design, loadId }: ReturnType<typeof wished>) => waysKeeping(analyse(design), loadId);

// By hand: which of the usual ways does what is wished. Common practice.
test('what shall be lit on reverse with the key on is best fed by that signal through a relay', () => {
  // Lit all day it is lit on reverse too: that alone asks for little.
  const vehicle = (control: 'key' | 'reverse', position: string) => ({ mover: { kind: 'vehicle', control } as const, position });
  const reversing: WishSays = { kind: 'on', when: [vehicle('key', 'on'), vehicle('reverse', 'in')] };
  expect(best(wished('Reversing lamp', reversing))[0]).toMatchObject({ wayId: 'direct', kept: 1, broken: 0 });
  const out: WishSays = { kind: 'off', when: [vehicle('reverse', 'out')] };
  const [first, second, ...others] = best(wished('Reversing lamp', reversing, out));
  expect([first, second].map((way) => [way!.wayId, way!.signal, way!.kept, way!.lost])).toEqual([
    ['signal', 'reverse', 2, 0],
    ['hub', 'reverse', 2, 0],
  ]);
  expect(others.every(({ broken }) => broken > 0)).toBe(true);
  expect(others.find(({ wayId }) => wayId === 'switch')).toMatchObject({ kept: 0, broken: 2 });
  // Off by hand it is not lit on reverse, and on by hand it is lit without: both are broken.
  expect(others.find(({ wayId, signal }) => wayId === 'follow' && signal === 'reverse')).toMatchObject({ broken: 2 });
});

test('off when power comes back: a latching channel forgets, a switch does not; one act alone: an enabling switch asks for two', () => {
  const back = best(wished('Awning strip', { kind: 'powerBack', answer: 'off' }));
  const of = (id: string) => back.find(({ wayId }) => wayId === id)!;
  expect([of('radio').kept, of('switch').kept, of('button').kept]).toEqual([1, 0, 0]);
  const two = best(wished('Awning strip', { kind: 'notByOne' }));
  expect(two[0]).toMatchObject({ broken: 0 });
  expect(two.find(({ wayId }) => wayId === 'motion')).toMatchObject({ kept: 1 });
  expect(two.find(({ wayId }) => wayId === 'switch')).toMatchObject({ broken: 1 });
});

test('a wish that names the switch which goes is told as lost, and the work can be ended', () => {
  const { design, loadId } = wished('Awning strip');
  const byHand = { mover: { kind: 'device', deviceId: idOf(design, 'Awning light switch'), control: 'position' } as const, position: 'on' };
  const edit = new Edit(design);
  edit.add({ id: 'wish_hand', type: 'wish', loadId, says: { kind: 'on', when: [byHand] } });
  const ways = best({ design: applyChange(design, edit.change), loadId });
  expect(ways.find(({ wayId }) => wayId === 'radio')!.lost).toBe(1);
  expect(ways[0]!.broken).toBe(0);
  const told: number[] = [];
  expect(waysKeeping(analyse(design), loadId, (done) => told.push(done) < 3)).toHaveLength(3);
  expect(told).toHaveLength(3);
});
