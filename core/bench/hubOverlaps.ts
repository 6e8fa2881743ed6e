import { VEHICLE_CONTROLS } from '../catalog/vocabulary';
import { actS, type HubRule, type RuleHub } from '../devices/ruleHub';
import type { VehicleSignal } from '../devices/signalSource';
import { FOLLOWS, PARKED, SIGNAL_LIVE, type VehicleSide } from './vehicleSide';

/**
 * Two rules of one output that may both hold, ask for different things, and of which nobody said which wins; by their places among the
 * hub's rules.
 */
export interface HubOverlap {
  output: number;
  one: number;
  other: number;
}

/** Every overlap of a hub that is undecided. What is wired to an input is taken as free to be live or not. */
export function hubOverlaps({ rules }: Pick<RuleHub, 'rules'>): HubOverlap[] {
  return rules.flatMap((one, at) =>
    rules.slice(at + 1).flatMap((other, later): HubOverlap[] => {
      const isOpen =
        one.output === other.output &&
        !one.block &&
        !other.block &&
        !doTheSame(one, other) &&
        (one.wins ?? false) === (other.wins ?? false);
      return isOpen && mayBothHold(one, other) && !isBlocked(rules, one, other)
        ? [{ output: one.output, one: at, other: at + 1 + later }]
        : [];
    }),
  );
}

function doTheSame(one: HubRule, other: HubRule): boolean {
  return (one.does ?? 'steady') === (other.does ?? 'steady') && actS(one) === actS(other);
}

/** Both sets of conditions as one. */
function together(one: HubRule, other: HubRule) {
  const both = <T>(list: (rule: HubRule) => readonly T[] | undefined) => [...new Set([...(list(one) ?? []), ...(list(other) ?? [])])];
  return {
    all: both((rule) => rule.all),
    none: both((rule) => rule.none),
    heard: both((rule) => rule.heard),
    unheard: both((rule) => rule.unheard),
  };
}

function mayBothHold(one: HubRule, other: HubRule): boolean {
  const { all, none, heard, unheard } = together(one, other);
  if (all.some((port) => none.includes(port))) return false;
  return sidesOf([...heard, ...unheard]).some(
    (side) => heard.every((signal) => SIGNAL_LIVE[signal](side)) && !unheard.some((signal) => SIGNAL_LIVE[signal](side)),
  );
}

/** Every way the vehicle's controls can stand that some of its signals follow. */
function sidesOf(signals: readonly VehicleSignal[]): VehicleSide[] {
  const controls = [...new Set(signals.flatMap((signal) => FOLLOWS[signal]))];
  return controls.reduce<VehicleSide[]>(
    (sides, control) =>
      sides.flatMap((side) => VEHICLE_CONTROLS[control].map((position): VehicleSide => ({ ...side, [control]: position }))),
    [PARKED],
  );
}

/** Whether a blocking rule puts the output off whenever both hold. */
function isBlocked(rules: readonly HubRule[], one: HubRule, other: HubRule): boolean {
  const both = together(one, other);
  const within = <T>(wanted: readonly T[] | undefined, there: readonly T[]) => (wanted ?? []).every((each) => there.includes(each));
  return rules.some(
    (rule) =>
      rule.block &&
      rule.output === one.output &&
      within(rule.all, both.all) &&
      within(rule.none, both.none) &&
      within(rule.heard, both.heard) &&
      within(rule.unheard, both.unheard),
  );
}
