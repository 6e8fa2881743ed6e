import type { BenchAct, Fault } from '../design/schema';
import { subjectOf } from '../bench/faults';
import type { Judged } from '../bench/judge';
import type { Undecided } from '../bench/trial';
import { nameOf } from '../design/names';
import { recordOf, type Design } from '../design/design';
import type { Condition, Mover, WishSays } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { formatSeconds } from '../units/quantity';
import { handleName, positionWord, VEHICLE_WORDS } from './benchWords';

/** What something that is moved is called. */
export function moverName(design: Design, mover: Mover): string {
  if (mover.kind === 'vehicle') return VEHICLE_WORDS[mover.control];
  const device = recordOf(design, mover.deviceId, 'device');
  return device ? handleName(device, mover.control) : mover.deviceId;
}

/** What a position is called as something is moved to it. */
export function movedWord(design: Design, mover: Mover, position: ControlValue): string {
  const device = mover.kind === 'device' ? recordOf(design, mover.deviceId, 'device') : null;
  return device && mover.kind === 'device' ? positionWord(device, position) : String(position);
}

/** What a position is called as something stands in it: a channel is on or off, whatever its button does. */
export function standsWord(design: Design, mover: Mover, position: ControlValue): string {
  const device = mover.kind === 'device' ? recordOf(design, mover.deviceId, 'device') : null;
  if (device?.kind === 'receiver') return position === true ? 'on' : 'off';
  return movedWord(design, mover, position);
}

const conditionWords = (design: Design, { mover, position }: Condition) =>
  `${moverName(design, mover)} is ${standsWord(design, mover, position)}`;

/** A wish as what follows the name of its load: "on when Key is on and Scene switch is up". */
export function wishWords(design: Design, says: WishSays): string {
  switch (says.kind) {
    case 'on':
    case 'off': {
      const when = says.when.map((condition) => conditionWords(design, condition)).join(' and ');
      return `${says.kind} when ${when}${says.wins ? ', whatever else is wished' : ''}`;
    }
    case 'neverWith':
      return `never together with ${nameOf(design, says.otherId)}`;
    case 'staysOn':
      return `stays on ${formatSeconds(says.seconds)} once ${moverName(design, says.after.mover)} is no longer ${standsWord(design, says.after.mover, says.after.position)}`;
    case 'keyOut':
      if (says.answer === null) return 'with the key out: not decided';
      return says.answer === 'works' ? 'works with the key out as with it in' : 'off with the key out';
    case 'powerBack':
      return POWER_BACK[says.answer ?? 'open'];
    case 'whatever':
      return `does not depend on ${moverName(design, says.mover)}`;
    case 'stillWorks':
      return `still works without ${nameOf(design, says.withoutId)}`;
    case 'notByOne':
      return 'not put on by one act alone';
    case 'levelKept':
      return 'as bright as it was, off and on again';
  }
}

const POWER_BACK = {
  off: 'off when power comes back',
  asBefore: 'as before when power comes back',
  on: 'on when power comes back',
  open: 'when power comes back: not decided',
};

const WHY: Record<Undecided, string> = {
  unanswered: 'nobody has said',
  neverHappens: 'that never comes about',
  contradicts: 'another wish says the contrary then, and neither wins',
  notAllTried: 'too many ways to try them all; none that was tried broke it',
  restless: 'relays never come to rest then',
  gone: 'what it names has no such position',
  notFromHouse: 'the house battery does not feed it',
  notDimmed: 'it has no dimmer',
  levelNotSaid: 'nobody has said what its dimmer does when it is switched on again',
  noAnswer: 'the wiring has no answer',
};

/** What became of a wish, in a few words; the acts are told apart. */
export function verdictWords({ verdict, why }: Pick<Judged, 'verdict' | 'why'>): string {
  return why === null ? verdict : `undecided: ${WHY[why]}`;
}

/** What became of a wish that is not kept, and by what acts. */
export function outcomeWords(design: Design, judged: Judged): string {
  if (judged.verdict === 'broken') return brokenWords(design, judged);
  return judged.series.length === 0 ? verdictWords(judged) : `${verdictWords(judged)}, after ${seriesWords(design, judged.series)}`;
}

/** What a broken wish does: by what acts, or not even at rest, or never. */
function brokenWords(design: Design, { wish, series }: Pick<Judged, 'wish' | 'series'>): string {
  if (series.length > 0) return `not after ${seriesWords(design, series)}`;
  return wish.says.kind === 'stillWorks' ? 'in no way things can stand' : 'not even at rest';
}

/** Acts one after the other. */
export function seriesWords(design: Design, series: readonly BenchAct[]): string {
  return series.map((act) => actWords(design, act)).join(', ');
}

/** What has gone wrong with something. */
export function faultWords(design: Design, fault: Fault): string {
  return `${nameOf(design, subjectOf(fault))}: ${FAULT_WORDS[fault.kind]}`;
}

export const FAULT_WORDS: Record<Fault['kind'], string> = {
  wireOff: 'off its terminal',
  dead: 'dead',
  neverPulls: 'never pulls in',
  stuck: 'stuck closed',
};

/** An act as it is done: "Key: on", "61 s later". */
export function actWords(design: Design, act: BenchAct): string {
  if (act.kind === 'wait') return `${formatSeconds(act.seconds)} later`;
  if (act.kind === 'rest') return 'All at rest';
  if (act.kind === 'break') return faultWords(design, act.fault);
  if (act.kind === 'mend') return `${nameOf(design, subjectOf(act.fault))}: mended`;
  return `${moverName(design, act.mover)}: ${movedWord(design, act.mover, act.position)}`;
}
