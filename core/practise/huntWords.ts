import { LAMP, type Shine } from '../diagnosis/blows';
import { recordOf, type Design } from '../design/design';
import { nameOf } from '../design/names';
import type { TerminalRef } from '../design/schema';
import { formatNumber } from '../units/quantity';
import { handleName, positionWord, VEHICLE_WORDS } from '../wording/benchWords';
import { pointWords, wireWords, type WireNumbers } from '../wording/flawWords';
import { terminalName } from '../wording/terminalNames';
import type { HuntAct, Named, NamedKind, WireEnd } from './hunt';
import type { LeftOver, Smell, Told, Unsafe, Warmth } from './told';
import { isOwnLead, looseEnd } from './world';

/** A board's design with the numbers of its wires. */
export interface Labelled {
  design: Design;
  numbers: WireNumbers;
}

/** What each fault is called where it is named. */
export const NAMED_WORDS: Record<NamedKind, string> = {
  joint: 'broken, or a bad joint at an end',
  misplaced: 'on the wrong terminal',
  bridged: 'touches something it should not',
  chafed: 'worn through to the body',
  blown: 'blown',
  dead: 'dead itself',
  openContact: 'its contact does not make',
  stuckContact: 'its contact does not open',
  openCoil: 'its coil is open',
  dudDimmer: 'does not dim',
};

export const UNSAFE_WORDS: Record<Unsafe, string> = {
  ohmsLive: 'Ohms on a live circuit: the meter’s fuse goes, or the meter.',
  liftedLive: 'A live lead taken off: its loose end can touch the body. Isolate first.',
  landedLive: 'A lead landed live: it sparks, and a tool slips. Fuse or isolator last.',
  mendedLive: 'Mended with the battery on: isolate first.',
  biggerFuse: 'A fuse larger than planned, to try: the wire becomes the fuse.',
  bridgedShort: 'The test lead’s own fuse went: the bridge joined plus and return.',
  fuseBlown: 'A fuse went.',
};

const WARMTH_WORDS: Record<Warmth, string> = {
  cold: 'Cold.',
  warm: 'Warm to the hand.',
  hot: 'Hot: a joint or part wastes watts here.',
};

const SMELL_WORDS: Record<Smell, string> = {
  nothing: 'It smells of nothing.',
  hot: 'It smells of hot plastic.',
  burnt: 'It smells burnt: here, or at what is joined to it.',
};

export const SHINE_WORDS: Record<Shine, string> = { bright: 'The lamp is bright.', glows: 'The lamp glows.', dark: 'The lamp is dark.' };

/** Where a lead is, a loose end too. */
export function placeWords({ design, numbers }: Labelled, at: TerminalRef): string {
  for (const wireId of numbers.keys())
    for (const end of ['from', 'to'] as const)
      if (looseEnd({ wireId, end }).deviceId === at.deviceId) return `loose end of ${endWords({ design, numbers }, { wireId, end })}`;
  return pointWords(design, at);
}

/** An end of a wire, by its number and what it lands on. */
export function endWords({ design, numbers }: Labelled, { wireId, end }: WireEnd): string {
  const wire = design.records.get(wireId);
  return wire?.type === 'wire' ? `${numbers.get(wireId) ?? 'wire'} at ${pointWords(design, wire[end])}` : wireId;
}

export function namedWords(board: Labelled, { kind, subjectId }: Named): string {
  const { design, numbers } = board;
  const subject =
    design.records.get(subjectId)?.type === 'wire' ? `Wire ${wireWords(design, subjectId, numbers)}` : nameOf(design, subjectId);
  return `${subject}: ${NAMED_WORDS[kind]}`;
}

/** What was done, in words. */
export function actWords(board: Labelled, act: HuntAct): string {
  const { design, numbers } = board;
  switch (act.kind) {
    case 'flick': {
      const { mover, position } = act;
      if (mover.kind === 'vehicle') return `${VEHICLE_WORDS[mover.control]}: ${String(position)}`;
      const device = recordOf(design, mover.deviceId, 'device');
      return device ? `${handleName(device, mover.control)}: ${positionWord(device, position)}` : '';
    }
    case 'wait':
      return `Wait ${act.seconds} s`;
    case 'isolate':
      return act.off ? 'Battery’s minus lead off' : 'Battery’s minus lead on again';
    case 'pullFuse':
      return `Pull ${nameOf(design, act.fuseId)}`;
    case 'fitFuse':
      return `${nameOf(design, act.fuseId)}: a new one of ${act.ratingA} A`;
    case 'lift':
      return `Take off ${endWords(board, act)}`;
    case 'land':
      return `Land ${endWords(board, act)}`;
    case 'bridge':
      return act.lead ? `Fused lead from ${placeWords(board, act.lead.from)} to ${placeWords(board, act.lead.to)}` : 'Fused lead away';
    case 'meter':
      return `${MODE_WORDS[act.mode]}: red on ${placeWords(board, act.red)}, black on ${placeWords(board, act.black)}`;
    case 'clamp':
      return `Clamp round ${wireWords(design, act.wireId, numbers)}`;
    case 'look':
      return `Look at ${nameOf(design, act.deviceId)}`;
    case 'touch':
      return `Hand on ${design.records.get(act.subjectId)?.type === 'wire' ? wireWords(design, act.subjectId, numbers) : nameOf(design, act.subjectId)}`;
    case 'smell':
      return `Smell at ${design.records.get(act.subjectId)?.type === 'wire' ? wireWords(design, act.subjectId, numbers) : nameOf(design, act.subjectId)}`;
    case 'lamp':
      return act.fuseId === null ? 'Test lamp out' : `Test lamp in place of ${nameOf(design, act.fuseId)}`;
    case 'mend':
      return `Mend: ${namedWords(board, act.named)}`;
    case 'prove':
      return 'Try everything';
  }
}

export const MODE_WORDS = { volts: 'Volts', ohms: 'Ohms', continuity: 'Continuity', diode: 'Diode' } as const;

/** A reading as the meter's display has it. */
export function displayWords(told: Extract<Told, { kind: 'volts' | 'amps' | 'ohms' | 'continuity' | 'diode' }>): string {
  switch (told.kind) {
    case 'volts':
      return `${formatNumber(told.value, Math.abs(told.value) < 10 ? 3 : 2)} V`;
    case 'amps':
      return `${formatNumber(told.value, told.value < 10 ? 2 : 1)} A`;
    case 'diode':
      return told.value === null ? 'OL' : `${formatNumber(told.value, 3)} V`;
    case 'ohms':
      return told.value === null ? 'OL' : ohmWords(told.value);
    case 'continuity':
      return told.value !== null && told.value < BEEPS_UNDER_OHM ? `${ohmWords(told.value)}, it beeps` : 'OL, no beep';
  }
}

/** Common practice: meters beep under some thirty ohm. */
const BEEPS_UNDER_OHM = 30;

const ohmWords = (ohm: number) => (ohm >= 1000 ? `${formatNumber(ohm / 1000, 2)} kΩ` : `${formatNumber(ohm, ohm < 100 ? 1 : 0)} Ω`);

/** What came of an act, a line each. */
export function toldWords(board: Labelled, subjectId: string | null, told: Told): string {
  const { design, numbers } = board;
  switch (told.kind) {
    case 'volts':
    case 'amps':
    case 'ohms':
    case 'continuity':
    case 'diode':
      return displayWords(told);
    case 'meterLive':
      return `There are ${formatNumber(told.volts, 2)} V where it was asked for ohms: no reading, and its fuse is gone.`;
    case 'does':
      return `${nameOf(design, told.loadId)} is ${told.does}.`;
    case 'lands': {
      const device = subjectId === null ? undefined : design.records.get(subjectId);
      const terminal = device?.type === 'device' ? terminalName(device, told.terminal) : told.terminal;
      return `${terminal}: ${told.wireIds.map((id) => numbers.get(id) ?? leadWords(id)).join(', ') || 'nothing'}`;
    }
    case 'link':
      return told.isWhole ? `Its link is whole, ${told.ratingA} A.` : `Its link has gone, ${told.ratingA} A.`;
    case 'warmth':
      return WARMTH_WORDS[told.warmth];
    case 'smell':
      return SMELL_WORDS[told.smell];
    case 'lamp':
      return SHINE_WORDS[told.shines];
    case 'mended':
      return told.isRight ? 'That was it: mended.' : 'It was good: taken apart and put together again for nothing.';
    case 'proved':
      return told.left.length === 0 ? 'Everything does as it should.' : told.left.map((one) => leftWords(board, one)).join(' ');
    case 'notThere':
      return 'There is nothing to do that with.';
  }
}

function leadWords(wireId: string): string {
  if (wireId === LAMP.wire) return 'the test lamp';
  return isOwnLead(wireId) ? 'the fused lead' : 'a lead that is on no plan';
}

export function leftWords(board: Labelled, left: LeftOver): string {
  const { design } = board;
  switch (left.kind) {
    case 'wrong':
      return `Still as it was: ${left.loadIds.map((id) => nameOf(design, id)).join(', ')}.`;
    case 'lifted':
      return `Still off: ${endWords(board, left.end)}.`;
    case 'fuseOut':
      return `${nameOf(design, left.fuseId)} is out or has gone.`;
    case 'otherFuse':
      return `${nameOf(design, left.fuseId)} holds ${left.ratingA} A, which is not the plan’s.`;
    case 'bridge':
      return 'The fused lead is still there.';
    case 'apart':
      return `${nameOf(design, left.plugId)} is still apart.`;
    case 'lamp':
      return 'The test lamp is still in a fuse’s place.';
    case 'isolated':
      return 'The battery is still off.';
  }
}
