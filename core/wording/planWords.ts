import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { formatRating } from '../units/quantity';
import type { OhmsExpected } from '../plan/ohms';
import type { LiveBy } from '../plan/stillLive';
import type { Task, TaskKind } from '../plan/tasks';

/** A task in words. */
export function taskWords(design: Design, { kind, subjectId, testFuseA }: Task): string {
  const name = subjectId === null ? 'what circuits share' : nameOf(design, subjectId);
  switch (kind) {
    case 'isolate':
      return 'Isolate: battery off, its minus off its post, airbags waited for';
    case 'drill':
      return `Drill where ${name} goes through`;
    case 'prime':
      return `Deburr and prime the hole of ${name}`;
    case 'grommet':
      return `Grommet or gland into the hole of ${name}`;
    case 'cutPanel':
      return `Cut ${name}`;
    case 'fit':
      return `Fit ${name}`;
    case 'make':
      return `Make the wires of ${name}: cut, strip, crimp, label`;
    case 'pull':
      return `Pull the wires of ${name}`;
    case 'crimpInside':
      return `Crimp the far ends of ${name}, behind the grommet`;
    case 'land':
      return `Land the wires of ${name}; all fuses out`;
    case 'ohms':
      return `Check ${name} with ohms, battery off, fuses out`;
    case 'connect':
      return 'Connect the battery: plus first, minus last, isolator off until then';
    case 'power':
      return testFuseA === undefined
        ? `First power to ${name} through its own fuse: no smaller one would hold`
        : `First power to ${name} through a ${formatRating(testFuseA)} test fuse, then its own`;
    case 'test':
      return `Read ${name} at work and write it down`;
  }
}

/** What a circuit should read with the battery off, its fuse out: red on the fuse's outgoing clip, black on the return. Under half of it, or near nought, is a short. */
export function ohmsWords({ atRest, allOn, hasElectronics }: OhmsExpected): string {
  const read = (ohm: number) => `${Number(ohm.toPrecision(2))} Ω`;
  const rest = atRest === null ? 'open, or rising as electronics do' : `not under ${read(atRest)}`;
  const on = allOn === null ? 'still not near nought' : `not under ${read(allOn)}${hasElectronics ? ', electronics beside it' : ''}`;
  return `Fuse out; red on its outgoing clip, black on the return: as it is left ${rest}; everything switched on ${on}. Under half of that is a short: find it now.`;
}

/** What is not dead though it looks so, by why. */
export const LIVE_WORDS: Record<LiveBy, string> = {
  ahead: 'ahead of the isolator: live until the battery’s minus is off its post',
  sun: 'live in any light: cover the panels, or take their plugs apart',
  vehicle: 'live from the vehicle’s own battery: its fuse out, or that battery’s minus off',
  engine: 'live with the engine running: key out and kept in the pocket',
  hookup: 'mains on one side, volts on the other: unplug the hookup',
};

/** What is to be minded before hands go in; nothing where it is as safe as any work. */
export const TASK_CAUTIONS: Partial<Record<TaskKind, string>> = {
  isolate: 'Wait as long as the vehicle’s maker says before anything near an airbag is touched.',
  drill: 'Look from behind: tank, looms, airbags, brake pipes. A stop on the drill.',
  prime: 'Airing; no flame.',
  pull: 'Never by a crimped end; a helper feeds.',
  ohms: 'An ohm range never goes on a live wire.',
  connect: 'Rings off; a spanner that cannot bridge the posts. Extinguisher at hand.',
  power:
    'Every switch off. The test fuse holds what flows by itself and blows at once on a short. One that blows is a finding, no reason for a larger one.',
};
