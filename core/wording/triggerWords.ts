import type { Refusal, TriggerRead } from '../bench/triggers';
import type { MeterMove, MeterState } from '../catalog/vocabulary';
import { SIGNAL_WORDS } from '../devices/signalSource';
import { formatVolts } from '../units/quantity';

/** What is done in the vehicle for each state that is metered. */
export const STATE_WORDS: Record<MeterState, string> = {
  off: 'Key out, all off',
  accessory: 'Key at accessory',
  on: 'Key on',
  start: 'Starter turning',
  side: 'Side lamps',
  low: 'Low beam',
  high: 'High beam',
  left: 'Left indicator, key on',
  right: 'Right indicator, key on',
  hazard: 'Hazards',
  brake: 'Brake pedal',
  reverse: 'Reverse, key on',
  door: 'Door open',
  hood: 'Hood open',
};

export const MOVE_WORDS: Record<MeterMove, string> = { steady: 'steady', flashes: 'flashes', pulses: 'restless' };

const REFUSED: Record<Refusal, string> = {
  steadyAndFlashing:
    'Steady in one state and flashing in another: a marker lamp that is an indicator too. No trigger: the relay would beat with it.',
  pulses: 'Restless: pulses or data. No trigger, and nothing may be tapped into it.',
  between:
    'Neither live nor dead: through a lamp’s filament, pulsed faster than the meter follows, or a bad ground. Meter it again with the ground lead on the battery.',
  nothing: 'What it does agrees with none of the vehicle’s controls: meter the states again, or leave it.',
};

/** What a metered wire is and what it is good for, in a sentence. */
export function triggerWords({ refused, signals, isFound, polarity, liveV, coils, isSaid, flashes, next }: TriggerRead): string {
  if (refused !== null) return REFUSED[refused];
  const go = next === null ? '' : ` Meter next: ${STATE_WORDS[next]}.`;
  if (!isFound)
    return signals.length > 4
      ? `Not known yet.${go}`
      : `${signals.map((signal) => SIGNAL_WORDS[signal]).join(' or ')}, by what was metered.${go}`;
  const what = `${polarity === 'live' ? 'Live' : 'Pulled to ground'} with ${SIGNAL_WORDS[signals[0]!]}${liveV === null || polarity === 'ground' ? '' : `, ${formatVolts(liveV)}`}`;
  const good =
    coils === 0
      ? 'it may not give a relay coil’s current'
      : `good for ${coils} relay coil${coils === 1 ? '' : 's'}${isSaid ? '' : ' as a rule, though nobody has said what it may give'}; not for lamp current`;
  const how = flashes ? ' What hangs on it flashes with it.' : polarity === 'ground' ? ' The coil’s other end goes to a fused live.' : '';
  return `${what}: ${good}.${how}`;
}
