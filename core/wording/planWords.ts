import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { formatNumber, formatRating } from '../units/quantity';
import type { OhmsExpected } from '../plan/ohms';
import type { LiveBy } from '../devices/kind';
import type { CutOut } from '../catalog/cutOuts';
import type { Need } from '../plan/needs';
import type { Task, TaskKind } from '../plan/task';
import type { Trial } from '../plan/trials';
import { formatSmallLength } from '../units/quantity';
import type { UnitSystem } from '../catalog/vocabulary';

/** A task in words. */
export function taskWords(design: Design, task: Task): string {
  const { sitting } = task;
  return sitting ? `${wordsOf(design, task)}, sitting ${sitting.at} of ${sitting.of}` : wordsOf(design, task);
}

function wordsOf(design: Design, { kind, subjectId, testFuseA }: Task): string {
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
      return `Read ${name} at work, try it, and write it down`;
    case 'seal':
      return `Seal where ${name} goes through; a drip loop outside, lower than the hole`;
    case 'aim':
      return `Aim the lamps of ${name} and look at their light`;
    case 'refit':
      return 'Covers and trim back, fuse map in the lid, tools counted';
    case 'own':
      return name;
  }
}

/**
 * What a circuit should read with the battery off, its fuse out: red on the fuse's outgoing clip, black on the return. Under half of it, or
 * near nought, is a short.
 */
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
  make: 'Sleeve on before the joint; a pull at every crimp. A plug of the maker’s is tried by hand contact before it is cut off.',
  crimpInside: 'Sleeve on before the joint; a pull at every crimp.',
  pull: 'Never by a crimped end; a helper feeds.',
  ohms: 'An ohm range never goes on a live wire.',
  connect: 'Rings off; a spanner that cannot bridge the posts. Extinguisher at hand.',
  power:
    'Every switch off. The test fuse holds what flows by itself and blows at once on a short. One that blows is a finding, no reason for a larger one.',
};

/** What has to be at hand, or to be so. */
export function needWords(need: Need, units: UnitSystem): string {
  switch (need.kind) {
    case 'hole':
      return `drill, and a step drill or hole saw to ${formatSmallLength(need.diameterMm, units)}`;
    case 'saw':
      return need.holes.map((hole) => sawWords(hole, units)).join(', ');
    case 'die':
      return `crimp dies: ${need.dies.map((die) => (die === 'lug' ? 'lugs' : die)).join(', ')}`;
    case 'wrench':
      return `torque wrench for ${need.studs.join(', ')}`;
    case 'drawWire':
      return 'draw wire';
    case 'helper':
      return need.why === 'heavy' ? 'a second pair of hands: it is heavy' : 'a helper who feeds from the other side';
    case 'meter':
      return 'meter';
    case 'part':
      return need.isOrdered ? 'its part, which is ordered and not here yet' : 'its part, which is not at hand';
    case 'mockUp':
      return 'held up and lit in the dark before anything is drilled';
    case 'proved':
      return 'the vehicle’s own wire metered in every state before it is tapped';
    case 'testFuse':
      return `${formatRating(need.ratingA)} test fuse`;
    case 'dry':
      return 'dry, over 10 °C, degreased';
    case 'dark':
      return 'dusk or darkness';
    case 'heat':
      return 'heat gun for sleeves';
    case 'extinguisher':
      return 'extinguisher within reach';
  }
}

function sawWords(hole: CutOut['hole'], units: UnitSystem): string {
  return hole.kind === 'round'
    ? `hole saw ${formatSmallLength(hole.diameterMm, units)}`
    : `saw or file for ${formatSmallLength(hole.widthMm, units)} by ${formatSmallLength(hole.heightMm, units)}`;
}

/** What is done to try something, and what should come of it. */
export function trialWords(design: Design, trial: Trial): { act: string; should: string } {
  const name = nameOf(design, trial.deviceId);
  switch (trial.kind) {
    case 'levels':
      return { act: `${name}: through every level, slowly`, should: 'from its least light to full without a flicker or a hum, and as it was left when switched on again' }; // prettier-ignore
    case 'range':
      return { act: `${name}: from every place it is used from, doors shut, engine running`, should: 'answers at the first press every time, and nothing else answers' }; // prettier-ignore
    case 'rules':
      return { act: `${name}: each of its inputs by itself, then two at once`, should: 'each output as its rules say, and none besides' };
    case 'pilot':
      return { act: `${name}: on, off, and with its fuse out`, should: 'its pilot lamp burns when what it shows is live, and never else' };
    case 'even':
      return {
        act: `${name}: in the dark, all of it on`,
        should: 'as bright at the far end as at the near one, no piece of another white',
      };
    case 'idle':
      return { act: `${name}: everything on, the engine at idle for five minutes`, should: 'the battery’s volts stand still or rise; a lamp that dims as it goes on says that they do not' }; // prettier-ignore
    case 'hold':
      return {
        act: `${name}: set it off and look at the clock${trial.darkOnly ? '; once in the dark and once by day' : ''}`,
        should: `goes off ${formatNumber(trial.seconds, 0)} s after the last time${trial.darkOnly ? '; by day nothing comes on' : ''}`,
      };
    case 'shut':
      return { act: `${name}: shut, a clamp or the meter at the circuit’s fuse`, should: `${formatNumber(trial.amps, 2)} A: a lamp nobody sees is tried by its current` }; // prettier-ignore
    case 'cutsOut':
      return { act: `${name}: a bench supply in the battery’s place, turned down and up`, should: `lets go under ${formatNumber(trial.offV, 1)} V, comes back from ${formatNumber(trial.onV, 1)} V` }; // prettier-ignore
  }
}
