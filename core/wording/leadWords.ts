import { CABLE_MAKES, type CableMake } from '../catalog/cableMakes';
import type { Device } from '../design/schema';
import { kindOf } from '../devices';
import type { LeadRefusal } from '../harness/editLeads';
import type { LeadProof, LeadStanding } from '../harness/leads';
import { formatNumber, formatRating } from '../units/quantity';
import { terminalName } from './terminalNames';

/** Cables as they are asked for. */
export const CABLE_WORDS: Record<CableMake, string> = {
  twin: 'two cores, red and black',
  twinYellow: 'two cores, red and yellow (small craft)',
  twinMains: 'two cores, brown and blue (looks like mains)',
  three: 'three cores',
  four: 'four cores',
  five: 'five cores',
  seven: 'seven cores, trailer (ISO 1724)',
};
export const CABLE_OPTIONS = CABLE_MAKES.map((value) => ({ value, label: CABLE_WORDS[value] }));

export const STANDING_WORDS: Record<LeadStanding, string> = {
  proved: 'proved',
  said: 'said, not proved',
  disputed: 'sources differ',
  unknown: 'not known',
};

/** Why a list of leads cannot be taken, and what to write. */
export function leadRefusalWords(device: Device, refusal: LeadRefusal): string {
  switch (refusal.why) {
    case 'nothing':
      return 'write each lead as a colour and what it is: red plus, black minus';
    case 'colour':
      return `“${refusal.said}” begins with no colour`;
    case 'terminal':
      return `${device.name} has no terminal “${refusal.said}”: ${kindOf(device).terminals(device).map((one) => terminalName(device, one)).join(', ')}, or unused`; // prettier-ignore
  }
}

/** How a lead is proved, in one sentence, with what the meter reads when it is what it is thought to be. */
export function proofWords(device: Device, proof: LeadProof): string {
  const at = (terminal: string) => terminalName(device, terminal);
  const two = ([one, other]: readonly [string, string]) => `${at(one)} and ${at(other)}`;
  switch (proof.how) {
    case 'ohms':
      return `Nothing connected, ohms between ${two(proof.between)}: ${ohms(proof.lowOhm)} to ${ohms(proof.highOhm)} Ω; no other pair reads that.`;
    case 'contact':
      return `Nothing connected, ohms between ${two(proof.between)}: under 1 Ω ${positionWords(proof.position)}, open otherwise.`;
    case 'diode':
      return `Nothing connected, diode test with red on ${at(proof.between[0])} and black on ${at(proof.between[1])}: a drop one way (0.3 to 3 V), nothing the other way.`;
    case 'feed': {
      const fed = `Lead lying free, fed through a ${formatRating(proof.fuseA)} fuse: battery + to ${at(proof.plus)}, − to ${at(proof.minus)}`;
      if (proof.shows === 'volts')
        return `${fed}; then volts from ${at(proof.minus)} to ${at(proof.at)}. Never feed an outlet, and never bridge two leads to try.`;
      if (proof.shows === 'wakes') return `${fed}: it draws a few milliamperes and answers. Nothing, or the fuse gone: it is not so.`;
      return `${fed}: it ${proof.shows}. Nothing, or the fuse gone: it is not so.`;
    }
  }
}

function positionWords(position: string | null): string {
  switch (position) {
    case null:
      return 'while it is whole';
    case 'rest':
      return 'at rest';
    case 'pulledIn':
      return 'with the coil fed through a 1 A fuse';
    default:
      return `with the lever ${position}`;
  }
}

/** Two figures that mean something, as a meter shows them. */
const ohms = (ohm: number) => formatNumber(ohm, ohm >= 10 ? 0 : ohm >= 1 ? 1 : 2);
