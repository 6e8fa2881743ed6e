import { familyWords } from '../catalog/fuses';
import { JOINT_WORDS } from '../devices/splice';
import { formatSeconds } from '../units/quantity';
import type { JointSpot } from '../analysis/figures';
import type { CoordinationRule } from '../analysis/finding';
import type { WordsOf } from './ruleWords';

const times = (share: number) => share.toFixed(1);

/** What the rules about fuses in a chain and about contacts say. */
export const COORDINATION_RULES: WordsOf<CoordinationRule> = {
  'fuse.cannotBreak': {
    title: 'Cannot break a dead short here',
    message: (say) =>
      `${say.name()}: a short right at it can carry ${say.amps('atA')}; a ${familyWords(say.figures.family)} is made to break ${say.amps('breaksA')}.`,
    why: 'Asked to break more than it can, a fuse bursts or goes on arcing. Take a family that breaks it: terminal-mount to 10 kA, class T to 20 kA. Reckoned with a full battery at its lowest resistance and no return; ratings from makers’ data in general, from memory: read your own.',
  },
  'fuse.backedUp': {
    title: 'Relies on the fuse ahead to break a short',
    message: (say) =>
      `${say.name()}: a short right there can carry ${say.amps('atA')}, a ${familyWords(say.figures.family)} breaks ${say.amps('breaksA')}. ${say.name(1)} can break it ${
        say.figures.saves ? 'and opens too' : `but may take ${formatSeconds(say.figures.longestS)}, too long to save it`
      }.`,
    why: 'Small fuses are seldom made for a bank’s whole short-circuit current: past their breaking capacity they burst or go on arcing. A class T fuse ahead ends such a short within a hundredth of a second and saves them; slower ones do so up to about 2 kA only. Expect both fuses to be gone. Or bring the current down: a battery’s resistance from its data sheet counts instead of the careful guess, and a metre or two of thinner wire takes off much. Common practice.',
  },
  'fuse.voltage': {
    title: 'Not made for this voltage',
    message: (say) => `${say.name()} is made for ${say.volts('maxV')}; the system reaches ${say.volts('systemV')} while charging.`,
    why: 'Above its voltage a fuse may not put out the arc it draws as it opens.',
  },
  'fuse.neverClears': {
    title: 'A short at the far end may never open it',
    message: (say) =>
      `${say.name()}: a dead short at ${say.name(1)} carries only ${say.amps('endA')}, ${times(say.figures.multiple)} times the ${say.rating('ratingA')} it is rated.`,
    why: 'The run’s own resistance holds the fault current down, so the wire glows instead of the fuse opening. Thicker wire, a shorter run or a smaller fuse. Common practice: at least 6 times the rating to open fast, 3.5 times is acceptable, 2 times is the least.',
  },
  'fuse.slowToClear': {
    title: 'A short at the far end is cleared slowly',
    message: (say) =>
      `${say.name()}: a dead short at ${say.name(1)} carries ${say.amps('endA')}, ${times(say.figures.multiple)} times its rating; it may take ${times(say.figures.longestS)} s.`,
    why: 'Common practice: at least 6 times the rating (about a tenth of a second), 3.5 times (half a second) is acceptable, 2 times is the least. Reckoned with a worn battery and warm conductors.',
  },
  'fuse.opensAtStart': {
    title: 'May open as the load starts',
    message: (say) =>
      `${say.name()}: ${say.amps('amps')} for ${times(say.figures.seconds)} s as ${say.name(1)} starts, with the rest running, is more than a ${say.rating('ratingA')} fuse is likely to stand.`,
    why: 'Filaments take 8 to 12 times their current for a moment, motors 4 to 8 times. By the middle of the fuse’s time-current gates; a larger fuse, if the wire allows it.',
  },
  'fuse.aheadOpensFirst': {
    title: 'The fuse ahead opens first',
    message: (say) => `${say.name()} (${say.rating('ratingA')}) stands behind ${say.name(1)}, which is only ${say.rating('upstreamA')}.`,
    why: 'Of two fuses in a row the smaller goes. Here that is the one ahead, and it takes everything else on it down; this one guards nothing. With a harness that brings its own fuse, write at the block which one to look at first.',
  },
  'fuse.notSelective': {
    title: 'Not selective with the fuse ahead',
    message: (say) =>
      `${say.name()} (${say.rating('ratingA')}) is certain to open first only up to ${say.amps('selectiveToA')}; ${say.name(1)} ahead is ${say.rating('upstreamA')}, ${times(say.figures.ratio)} times as large.`,
    why: 'A short on one circuit may take the whole block dark. Common practice: twice the rating between blades and 1.6 times between larger fuses; by their time-current gates 3 times is certain.',
  },
  'fuse.partlySelective': {
    title: 'Only partly selective with the fuse ahead',
    message: (say) =>
      `${say.name()} is selective up to ${say.amps('selectiveToA')}; a harder short, up to ${say.amps('atA')} here, may open ${say.name(1)} too.`,
    why: 'The ratings are as far apart as practice asks, yet their gates overlap at high currents: from the gates alone three to one is certain. Carry a spare of the one ahead.',
  },
  'wire.spoiltFirst': {
    title: 'Wire overheats before the fuse has opened',
    message: (say) =>
      `${say.name(1)}: a short there may put ${times(say.figures.share)} times the heat into the conductor that its insulation stands before ${say.name()} is sure to have opened.`,
    why: 'In a short all heat stays in the copper: t = k²S²/I², IEC 60364-4-43, from memory. Thicker wire, or a smaller or faster fuse.',
  },
  'contact.overRating': {
    title: 'Contact carries too much',
    message: (say) => `${say.name()} may carry ${say.rating('ratingA')}; ${say.amps('amps')} flows there.`,
    why: 'Contacts, pins and small electronics heat and weld or burn past their rating. Radio channels and hub outputs drive relays, not lamps. Use a heavier part, or a relay.',
  },
  'contact.start': {
    title: 'Contact may weld as the load starts',
    message: (say) => `${say.name()}, rated ${say.rating('ratingA')}, makes ${say.amps('amps')} for a moment as ${say.name(1)} starts.`,
    why: 'A contact that bounces while it makes a surge sticks. Relays make about one and a half times what they break, small switches about five times their rating; from memory. A heavier contact, or a lamp without a filament.',
  },
  'contact.unworked': {
    title: 'Nothing works this contact',
    message: (say) =>
      `${say.name()}: no wire lands on ${listed(say.figures.terminals.map((terminal) => NEEDED[terminal] ?? terminal))}, ${say.figures.rests ? 'so that it never pulls in' : 'so that nothing behind it ever comes on'}.`,
    why: 'A coil needs its feed on one side and its way home on the other, electronics a plus and a minus. Until they are wired the run is sized as if the contact were closed. Draw the wires among the parts.',
  },
  'relay.bareCoil': {
    title: 'Coil without suppression',
    message: (say) => `${say.name()} is driven by ${say.name(1)}, and nothing quenches its coil.`,
    why: 'A coil let go throws a hundred volts and more back into what drives it, and transistors die of that. Take a relay with a resistor or a diode (then 86 is positive). Common practice.',
  },
  'ground.crowded': {
    title: 'Too many on one stud',
    message: (say) =>
      `${say.name()}: ${say.figures.count} terminals on one bolt, ${say.amps('amps')} together; ${say.figures.most} is the most.`,
    why: 'A stack loosens as it warms, and one poor joint then moves everything on it. At most four to a stud, ABYC E-11, from memory; beyond that a bus bar.',
  },
  'joint.ring': {
    title: 'No ring for this stud',
    message: (say) =>
      `${say.name()}: ${say.conductor('conductor')} lands on its ${say.figures.stud} stud; rings for that cable begin at ${say.figures.least}.`,
    why: 'A ring with too large a hole sits on its edge and burns there; a drilled-out or split one has too little copper left. Take a device with a larger stud, or bring the cable down to a bar first. Ranges of copper tube lugs, from memory.',
  },
  'joint.twoSizes': {
    title: 'Two sizes meet in one splice',
    message: (say) =>
      `${say.name()} joins ${say.conductor('conductor')} (${terminalWords(say.figures.thinTerminal)}) with ${say.conductor('thick')} (${terminalWords(say.figures.thickTerminal)}).`,
    why: 'A terminal that holds the thick one does not grip the thin one. Take a step-down joint, fold the thin one’s strands back, or make it a plug: red and yellow spades share one blade and mate, each crimped with its own die. Then pull on both.',
  },
  'joint.unfit': {
    title: 'Joint that does not last where it is',
    message: (say) => {
      const { made, where } = say.figures;
      if (made === 'tap' && where === 'anywhere') return `${say.name()} is a tap through the insulation and carries ${say.amps('amps')}.`;
      return `${say.name()} is ${JOINT_WORDS[made]}${SPOTS[where]}.`;
    },
    why: 'A twist works loose and warms until its tape falls off. A tap cuts strands, lets damp in and carries 3 A at most. Levers are for dry rooms that stand still, and solder alone breaks beside the joint where it is shaken. A crimp with a glue sleeve lasts in all of them. Common practice; ABYC E-11, from memory.',
  },
  'joint.flexing': {
    title: 'Joint where cable moves',
    message: (say) => `${say.name()} is in ${say.name(1)}, which moves.`,
    why: 'A joint is stiff, and the strands beside it bend alone at every opening until they break. Have one length of wire through, and the joint before or behind. Common practice.',
  },
  'joint.beforeFuse': {
    title: 'Joint before the first fuse',
    message: (say) => `${say.name()} lies between its source and the first fuse.`,
    why: 'Nothing opens when this joint touches the body: it burns until the battery is empty. Bring each wire to the battery’s side of a fuse by itself, or join behind the fuse. Common practice.',
  },
  'joint.row': {
    title: 'Two joints in one run',
    message: (say) => `${say.name()} and ${say.name(1)} are in one wire, with nothing between them.`,
    why: 'Every joint is a place where it fails. At most one to a run: draw one length through in place of the pieces. Common practice.',
  },
  'return.thinnerThanFeed': {
    title: 'Return thinner than its feed',
    message: (say) => `${say.name()} is ${say.conductor('conductor')} and brings back what ${say.name(1)} feeds.`,
    why: 'The same current flows in both, so the same copper is wanted: for heat, for drop and for clearing a fault. Common practice.',
  },
};

/** Terminals that work a contact, by what people call them. */
const NEEDED: Record<string, string> = {
  '86': '86 of its coil',
  '85': '85 of its coil',
  plus: 'its plus',
  minus: 'its minus',
  in: 'its feed',
};

function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

function terminalWords(terminal: string): string {
  if (terminal === 'none') return 'no insulated terminal';
  return terminal === 'lug' ? 'a lug' : terminal;
}

const SPOTS: Record<JointSpot, string> = {
  damp: ', where it gets wet',
  shaken: ', where it is shaken',
  anywhere: '',
};
