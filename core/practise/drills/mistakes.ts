import { METRIC_SIZES_MM2, type ConductorSize } from '../../catalog/conductorSizes';
import { RATINGS_A } from '../../catalog/fuses';
import { makeDesign } from '../../design/design';
import type { DesignRecord, Load, Protection, Wire } from '../../design/schema';
import { indexDesign, type DesignIndex } from '../../rig/designIndex';
import { ampacity } from '../../sizing/ampacity';
import { formatConductor } from '../../units/quantity';
import { BOARDS } from '../boards';
import { ask, pick, type Generator, type Random, type Wrong } from './question';

/** What somebody has done to a board. */
type Mistake = { kind: 'none' } | { kind: 'ahead'; wire: Wire } | { kind: 'large'; fuse: Protection; ratingA: number } | { kind: 'thin'; wire: Wire; size: ConductorSize } | { kind: 'home'; load: Load; wire: Wire }; // prettier-ignore

/** A copy of a board in which somebody has wired one thing so that nobody should, or nothing. */
function whatIsWrong(random: Random) {
  const board = pick(random, BOARDS).design;
  const index = indexDesign(board);
  const fuses = Array.from(index.devices.values()).flatMap((device) =>
    device.kind === 'protection' && device.id !== 'main' ? [device] : [],
  );
  const fuse = pick(random, fuses);
  const out = outOf(index, fuse);
  const load = pick(random, index.loads);
  const home = index.wires.find((wire) =>
    [wire.from, wire.to].some(({ deviceId, terminal }) => deviceId === load.id && terminal === 'minus'),
  );
  if (!out || !home) return null;
  const [ratingA, size] = [tooLargeFor(out.conductor), tooThinFor(fuse.ratingA)];
  const made: Mistake[] = [
    { kind: 'none' },
    { kind: 'ahead', wire: out },
    ...(ratingA === null ? [] : [{ kind: 'large', fuse, ratingA } as const]),
    ...(size === null ? [] : [{ kind: 'thin', wire: out, size } as const]),
    { kind: 'home', load, wire: home },
  ];
  const mistake = pick(random, made);
  const words = (of: Mistake) => wordsOf(index, of, fuse);
  const wrongs = made.filter((one) => one !== mistake).map((one): Wrong => [words(one), one.kind === 'none' ? `Look again: ${words(mistake)}.` : LOOK_AGAIN[one.kind]]); // prettier-ignore
  const spoilt = makeDesign(Array.from(board.records.values()).flatMap((record) => spoiltBy(mistake, record)));
  const after = indexDesign(spoilt);
  const table = {
    head: ['Fuse', 'Rating', 'First wire behind it'],
    rows: fuses.map(({ id, name }) => {
      const now = after.devices.get(id) as Protection;
      const wire = outOf(after, now);
      return [name, `${now.ratingA} A`, wire ? formatConductor(wire.conductor) : 'none'];
    }),
  };
  return ask(random, 'One thing may be wrong in this picture. What?', words(mistake), wrongs, `It is: ${words(mistake)}. ${WHY[mistake.kind]}`, { board: spoilt, table }); // prettier-ignore
}

const LOOK_AGAIN = {
  ahead: 'Follow the plus from the bar to that part: it comes from its fuse.',
  large: 'That fuse is no larger than its wire carries.',
  thin: 'That wire carries what its fuse lets through.',
  home: 'Its minus comes home to the bar.',
} as const;

const WHY = {
  none: 'Every plus begins at a fuse, each fuse guards a wire that carries it, everything comes home.',
  ahead: 'Between the bar and a fuse only the main fuse guards: a short there burns the wire.',
  large: 'A fuse guards the wire: one that lets more through than the wire carries guards nothing.',
  thin: 'A fuse guards the wire: behind it every wire has to carry what it lets through.',
  home: 'Without a way home nothing flows, and the lamp’s minus is live while its switch is on.',
} as const;

function wordsOf({ devices }: DesignIndex, mistake: Mistake, fuse: Protection): string {
  switch (mistake.kind) {
    case 'none':
      return 'nothing';
    case 'ahead':
      return `${devices.get(mistake.wire.to.deviceId)!.name} is joined ahead of ${fuse.name}`;
    case 'large':
      return `${mistake.fuse.name} is larger than its wire carries`;
    case 'thin':
      return `the first wire behind ${fuse.name} is too thin for it`;
    case 'home':
      return `${mistake.load.name} has no way home`;
  }
}

function spoiltBy(mistake: Mistake, record: DesignRecord): DesignRecord[] {
  switch (mistake.kind) {
    case 'none':
      return [record];
    case 'ahead':
      return record.type === 'wire' && record.id === mistake.wire.id
        ? [{ ...record, from: { deviceId: 'plusBar', terminal: 'bar' } }]
        : [record];
    case 'large':
      return record.type === 'device' && record.kind === 'protection' && record.id === mistake.fuse.id ? [{ ...record, ratingA: mistake.ratingA }] : [record]; // prettier-ignore
    case 'thin':
      return record.type === 'wire' && record.id === mistake.wire.id ? [{ ...record, conductor: mistake.size }] : [record];
    case 'home':
      return record.id === mistake.wire.id ? [] : [record];
  }
}

const outOf = ({ wires }: DesignIndex, { id }: Protection) => wires.find(({ from }) => from.deviceId === id && from.terminal === 'out');

const carries = (conductor: ConductorSize) => ampacity(conductor, { standard: 'iso-small-craft', insulationC: 105, ambientC: 30, engineSpace: false }).amps; // prettier-ignore

/** The smallest blade fuse that a wire does not carry, A; null where it carries them all. */
const tooLargeFor = (conductor: ConductorSize) => RATINGS_A.blade.find((rating) => rating > carries(conductor)) ?? null;

/** The thickest wire that does not carry a fuse; null where every one does. */
function tooThinFor(ratingA: number): ConductorSize | null {
  const size = METRIC_SIZES_MM2.findLast((one) => one >= 0.75 && one < 4 && carries(`mm2:${one}`) < ratingA);
  return size === undefined ? null : `mm2:${size}`;
}

export const mistakes: readonly Generator[] = [whatIsWrong];
