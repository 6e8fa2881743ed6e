import { setting, updateRecords } from '../design/change';
import { deviceOf, recordsOf } from '../design/design';
import type { Analysis } from '../analysis/types';
import type { Finding } from '../analysis/finding';
import { hubActWords } from '../wording/hubWords';
import { removePart } from '../switching/partsByHand';
import type { Remedy } from './remedy';

/** Remedies for what switches the wrong way: wires changed over, one dimmer of two taken out. */
export function switchingRemedies(analysis: Analysis, { rule, subjects: [subject, , last], numbers }: Finding): Remedy[] {
  if (rule === 'switching.coilTurned') return [changedOver(analysis, subject!, '85', '86', 'Change its coil’s wires over')];
  if (rule === 'switching.litWhileShut')
    return [changedOver(analysis, subject!, 'normallyOpen', 'normallyClosed', 'Hang it on the normally closed contact')];
  if (rule === 'switching.hubUndecided') return [numbers.one, numbers.other].map((at) => winning(analysis, subject!, at));
  if (rule === 'switching.modeToSet') {
    const receiver = deviceOf(analysis.design, subject!, 'receiver')!;
    const remembers = { ...receiver.remembers!, comesAs: receiver.mode };
    return [{ label: 'It is set and proved', change: updateRecords(analysis.design, [setting(receiver, { remembers })]) }];
  }
  if (rule !== 'switching.twoDimmers') return [];
  const change = removePart(analysis.design, last!);
  return change ? [{ label: 'Take the second dimmer out', change }] : [];
}

/** One of two rules of a hub goes before the other, by its place from 1. */
function winning({ design }: Analysis, hubId: string, at: number): Remedy {
  const hub = deviceOf(design, hubId, 'ruleHub')!;
  const rules = hub.rules.map((one, place) => (place === at - 1 ? { ...one, wins: true } : one));
  return {
    label: `Rule ${at} goes before: it ${hubActWords(hub.rules[at - 1]!)}`,
    change: updateRecords(design, [setting(hub, { rules })]),
  };
}

/** What landed on one terminal lands on the other. */
function changedOver({ design }: Analysis, deviceId: string, one: string, other: string, label: string): Remedy {
  const updates = recordsOf(design, 'wire').flatMap((wire) =>
    (['from', 'to'] as const).flatMap((side) => {
      const { deviceId: at, terminal } = wire[side];
      if (at !== deviceId || (terminal !== one && terminal !== other)) return [];
      return [setting(wire, { [side]: { deviceId, terminal: terminal === one ? other : one } })];
    }),
  );
  return { label, change: updateRecords(design, updates) };
}
