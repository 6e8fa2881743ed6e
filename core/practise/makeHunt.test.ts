import { bestWay } from './bestWay';
import { BOARDS } from './boards';
import type { NamedKind } from './hunt';
import { kindsFor, madeHunt } from './makeHunt';

test('a hunt of one’s own making shows or is told not to; every part’s fault can be made, and the finder finds it', () => {
  const { design } = BOARDS.find(({ id }) => id === 'click-no-light')!;
  const make = (kind: NamedKind, subjectId: string, ohm: number | null = null) =>
    madeHunt(design, { named: { kind, subjectId }, ohm, loadId: 'bar', says: 'x', story: '' });
  let made = 0;
  for (const id of design.records.keys())
    for (const kind of kindsFor(design, id).filter((one) => one !== 'chafed')) {
      const one = make(kind, id);
      // A dead load or contact of the board shows in its one lamp; what is stuck does not while it is on.
      expect({ id, kind, shows: one?.shows }).toEqual({ id, kind, shows: kind !== 'stuckContact' });
      made++;
    }
  expect(made).toBeGreaterThan(15);
  const weak = make('joint', 'relay-87_bar-plus', 1)!;
  expect(weak.hunt.complaints[0]!.flaw).toMatchObject({ kind: 'highJoint', ohm: 1 });
  expect(bestWay(make('openCoil', 'relay')!.hunt).isRight).toBe(true);
  expect(make('misplaced', 'relay-87_bar-plus')).toBeNull();
});

test('a worn wire is a hunt where a fuse goes by it: not on the way home, and not ahead of every fuse', () => {
  const { design } = BOARDS.find(({ id }) => id === 'click-no-light')!;
  const made = (subjectId: string) => madeHunt(design, { named: { kind: 'chafed', subjectId }, ohm: null, loadId: 'bar', says: 'x', story: '' }); // prettier-ignore
  const fuseOf = (subjectId: string) => made(subjectId)?.hunt.complaints[0]!.blows;
  expect(fuseOf('relay-87_bar-plus')).toEqual({ fuseId: 'barFuse', when: 'switchedOn' });
  expect(fuseOf('barFuse-out_relay-30')).toEqual({ fuseId: 'barFuse', when: 'atOnce' });
  expect(fuseOf('switch-out_relay-86')).toEqual({ fuseId: 'coilFuse', when: 'switchedOn' });
  expect(made('bar-minus_minusBar-bar')).toMatchObject({ shows: false });
  expect(made('battery-plus_main-in')).toBeNull();
});
