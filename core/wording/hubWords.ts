import type { Receiver } from '../devices/receiver';
import { actS, type HubAct, type HubRule } from '../devices/ruleHub';
import { SIGNAL_WORDS } from '../devices/signalSource';
import { formatSeconds } from '../units/quantity';

/** What an output does while a rule holds. */
export const HUB_ACT_WORDS: Record<HubAct, string> = {
  steady: 'is on',
  blink: 'blinks',
  against: 'blinks in the other half of the beat',
  pulse: 'is on for a moment',
  late: 'comes on late',
};

/** The same with its time. */
export function hubActWords(rule: HubRule): string {
  const takesS = actS(rule);
  if (takesS === null) return HUB_ACT_WORDS[rule.does ?? 'steady'];
  return rule.does === 'pulse' ? `is on for ${formatSeconds(takesS)}` : `comes on ${formatSeconds(takesS)} late`;
}

/** When a rule holds: "while high beam is heard and input 2 is live". */
export function hubWhenWords({ all, none, heard = [], unheard = [] }: HubRule): string {
  const conditions = [
    ...heard.map((signal) => `${SIGNAL_WORDS[signal]} is heard`),
    ...unheard.map((signal) => `${SIGNAL_WORDS[signal]} is not heard`),
    ...all.map((port) => `input ${port} is live`),
    ...none.map((port) => `input ${port} is not live`),
  ];
  return conditions.length === 0 ? 'always' : `while ${conditions.join(' and ')}`;
}

/** A whole rule as a sentence. */
export function hubRuleWords(rule: HubRule): string {
  return `Output ${rule.output} ${rule.block ? 'stays off' : hubActWords(rule)} ${hubWhenWords(rule)}${rule.wins && !rule.block ? ', before all others' : ''}.`;
}

/** What a receiver does in each mode. */
export const MODE_WORDS: Record<Receiver['mode'], string> = { latching: 'turns on and off', momentary: 'is on while held' };
