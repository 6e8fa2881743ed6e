import type { RecordFields } from '../../design/change';
import type { VehicleSignal } from '../../devices/signalSource';
import type { Load, TerminalRef } from '../../design/schema';
import { end, type WayBuilder } from './builder';
import type { There } from './spare';

/** What a way may be asked for beside the load. */
export interface WayChoice {
  /** The wire of the vehicle it goes by. */
  signal: VehicleSignal;
  /** The load that shares its switch. */
  otherId: string | null;
  /** The terminal of what is there already that it is put on; absent: none is chosen. */
  onto?: TerminalRef;
  /** All of the load's circuit is switched so, at its fuse; absent: the load alone. */
  whole?: boolean;
}

/** The families ways are shown in. */
export const WAY_FAMILIES = ['hand', 'places', 'dimmed', 'radio', 'itself', 'vehicle'] as const;
export type WayFamily = (typeof WAY_FAMILIES)[number];

export const WAY_IDS = [
  ...['direct', 'switch', 'switchPilot', 'switchFind', 'switchNight', 'relay', 'relayMinus', 'button', 'oneOfTwo', 'select'],
  ...[
    'twoPlaces',
    'threePlaces',
    'twoPlacesDimmed',
    'dimmer',
    'returnDimmer',
    'sharedDimmer',
    'radio',
    'radioHeld',
    'radioRelay',
    'radioOrHand',
    'coloursRadio',
    'channel',
    'channelRelay',
  ],
  ...['motion', 'motionDark', 'door', 'roller', 'plunger', 'signal', 'follow', 'late', 'hub', 'output', 'outputRelay'],
] as const;
export type WayId = (typeof WAY_IDS)[number];

/** A ready way to switch a load. */
export interface Way {
  id: WayId;
  family: WayFamily;
  /** What is chosen for it. */
  asks?: 'signal' | 'other' | There;
  /** The signals that make sense, the usual first; absent: any. */
  signals?: readonly VehicleSignal[];
  /** Adds parts and wires. False where the load cannot be wired so. */
  build(at: WayBuilder, choice: WayChoice): boolean;
  /** It is wired at the load itself, and not for a whole circuit. */
  atLoad?: true;
  /** Loads it cannot be for; absent: none. */
  isFor?(load: Load): boolean;
}

/** A function whose plus is in common with its lamp is switched on its way home alone. */
const ownPlus = ({ partOf }: Load) => partOf?.shares !== 'plus';
const ownMinus = ({ partOf }: Load) => partOf?.shares !== 'minus';

/** A relay near the load: its contact in the run, its coil's plus side on `coil`, its minus side home. */
function relayInRun(at: WayBuilder, more: RecordFields = {}, partId = 'relay'): string {
  const relay = at.part(partId, `${at.name} relay`, more);
  at.through([relay, '30', '87']);
  return relay;
}

/** The same, its coil fed by a channel or an output there is. */
function relayOn(at: WayBuilder, onto: TerminalRef): true {
  const relay = relayInRun(at);
  at.control(onto, end(relay, '86'));
  at.toReturn(relay, '85');
  return true;
}

/** A motion sensor behind a switch that puts an end to it, with its eye for daylight or without. */
function motion(at: WayBuilder, eye: { darkOnly?: boolean }): boolean {
  const sw = at.part('switch', `${at.name} enabling switch`);
  const sensor = at.part('motion', `${at.name} motion sensor`, eye);
  at.through([sw, 'in', 'out'], [sensor, 'in', 'out']);
  at.toReturn(sensor, 'minus');
  return true;
}

/** A panel switch with a pilot lamp whose plus is joined to a terminal of the switch, or to a wire of the vehicle. */
function pilotSwitch(at: WayBuilder, lit: 'in' | 'out' | 'running'): true {
  const sw = at.part('pilotSwitch', `${at.name} switch`);
  at.through([sw, 'in', 'out']);
  if (lit === 'running') at.trigger('running', end(sw, 'lampPlus'));
  else at.link(end(sw, lit), end(sw, 'lampPlus'));
  at.toReturn(sw, 'lampMinus');
  return true;
}

function radio(at: WayBuilder, more: RecordFields = {}): string {
  const receiver = at.part('receiver', `${at.name} radio`, more);
  at.toReturn(receiver, 'minus');
  return receiver;
}

/** Two changeovers joined by two travellers, with what stands between them. */
function places(at: WayBuilder, withMiddle: boolean, makeDimmer?: () => string): true {
  const first = at.part('changeover', `${at.name} switch, first place`);
  const middle = withMiddle ? at.part('changeover', `${at.name} switch, middle place`, { form: 'doublePoleChangeover' }) : null;
  const last = at.part('changeover', `${at.name} switch, last place`);
  const after = makeDimmer ? [[makeDimmer(), 'in', 'out'] as const] : [];
  if (middle === null) {
    at.through([first, 'common', 'up'], [last, 'up', 'common'], ...after);
    at.wire(end(first, 'down'), end(last, 'down'));
    return true;
  }
  // The intermediate passes its travellers straight, or crossed.
  at.through([first, 'common', 'up'], [middle, 'common1', 'up1'], [last, 'up', 'common'], ...after);
  at.wire(end(first, 'down'), end(middle, 'common2'));
  at.wire(end(middle, 'up2'), end(last, 'down'));
  at.loadLink(end(middle, 'down1'), end(middle, 'up2'));
  at.loadLink(end(middle, 'down2'), end(middle, 'up1'));
  return true;
}

/**
 * The gallery. Each adds to a load that hangs straight on its fuse. Patterns: common practice; relay terminals by ISO 7588 and DIN 72552,
 * changeover and intermediate switches by the textbook.
 */
export const WAYS: readonly Way[] = [
  { id: 'direct', family: 'hand', build: () => true },
  {
    ...{ id: 'switch', family: 'hand', isFor: ownPlus },
    build(at) {
      at.through([at.part('switch', `${at.name} switch`), 'in', 'out']);
      return true;
    },
  },
  { id: 'switchPilot', family: 'hand', isFor: ownPlus, build: (at) => pilotSwitch(at, 'out') },
  { id: 'switchFind', family: 'hand', isFor: ownPlus, build: (at) => pilotSwitch(at, 'in') },
  { id: 'switchNight', family: 'hand', isFor: ownPlus, build: (at) => pilotSwitch(at, 'running') },
  {
    ...{ id: 'relay', family: 'hand', isFor: ownPlus },
    build(at) {
      const sw = at.part('switch', `${at.name} switch`);
      const relay = relayInRun(at);
      at.control(at.source, end(sw, 'in'));
      at.control(end(sw, 'out'), end(relay, '86'));
      at.toReturn(relay, '85');
      return true;
    },
  },
  {
    ...{ id: 'relayMinus', family: 'hand', isFor: ownPlus },
    build(at) {
      const sw = at.part('switch', `${at.name} switch`);
      const relay = relayInRun(at);
      at.control(at.source, end(relay, '86'));
      at.controlBack(end(relay, '85'), end(sw, 'in'));
      at.toReturn(sw, 'out');
      return true;
    },
  },
  {
    ...{ id: 'button', family: 'hand', isFor: ownPlus },
    build(at) {
      const button = at.part('pushButton', `${at.name} button`);
      const relay = relayInRun(at, {}, 'latchingRelay');
      at.control(at.source, end(button, 'in'));
      at.control(end(button, 'out'), end(relay, '86'));
      at.toReturn(relay, '85');
      return true;
    },
  },
  {
    ...{ id: 'oneOfTwo', atLoad: true, family: 'hand', asks: 'other', isFor: ownPlus },
    build(at, { otherId }) {
      if (otherId === null) return false;
      const sw = at.part('changeoverOff', `${at.name} or other switch`);
      at.through([sw, 'common', 'up']);
      return at.feedOther(otherId, end(sw, 'down'));
    },
  },
  {
    ...{ id: 'select', atLoad: true, family: 'hand', asks: 'other', isFor: ownPlus },
    build(at, { otherId }) {
      if (otherId === null) return false;
      const onOff = at.part('switch', `${at.name} switch`);
      const which = at.part('changeover', `${at.name} choice`);
      at.through([onOff, 'in', 'out'], [which, 'common', 'up']);
      return at.feedOther(otherId, end(which, 'down'));
    },
  },
  { id: 'twoPlaces', family: 'places', isFor: ownPlus, build: (at) => places(at, false) },
  { id: 'threePlaces', family: 'places', isFor: ownPlus, build: (at) => places(at, true) },
  {
    ...{ id: 'twoPlacesDimmed', family: 'places', isFor: ownPlus },
    build(at) {
      return places(at, false, () => {
        const dimmer = at.part('dimmer', `${at.name} dimmer`);
        at.toReturn(dimmer, 'minus');
        return dimmer;
      });
    },
  },
  {
    ...{ id: 'sharedDimmer', atLoad: true, family: 'dimmed', asks: 'dimmer', isFor: (load) => ownPlus(load) && ownMinus(load) },
    build: (at, { onto }) => onto !== undefined && (onto.terminal === 'dimmed' ? at.homeOn(onto) : at.hangOn(onto)),
  },
  {
    ...{ id: 'dimmer', family: 'dimmed', isFor: ownPlus },
    build(at) {
      const dimmer = at.part('dimmer', `${at.name} dimmer`);
      at.through([dimmer, 'in', 'out']);
      at.toReturn(dimmer, 'minus');
      return true;
    },
  },
  {
    ...{ id: 'returnDimmer', atLoad: true, family: 'dimmed', isFor: ownMinus },
    build(at) {
      const dimmer = at.part('returnDimmer', `${at.name} dimmer`);
      at.control(at.source, end(dimmer, 'plus'));
      return at.homeThrough([dimmer, 'dimmed', 'minus']);
    },
  },
  {
    ...{ id: 'channel', family: 'radio', asks: 'channel', isFor: ownPlus },
    build: (at, { onto }) => onto !== undefined && at.hangOn(onto),
  },
  {
    ...{ id: 'channelRelay', family: 'radio', asks: 'channel', isFor: ownPlus },
    build: (at, { onto }) => onto !== undefined && relayOn(at, onto),
  },
  {
    ...{ id: 'radio', family: 'radio', isFor: ownPlus },
    build(at) {
      at.through([radio(at), 'plus', 'ch1']);
      return true;
    },
  },
  {
    ...{ id: 'radioHeld', family: 'radio', isFor: ownPlus },
    build(at) {
      at.through([radio(at, { mode: 'momentary' }), 'plus', 'ch1']);
      return true;
    },
  },
  {
    ...{ id: 'radioRelay', family: 'radio', isFor: ownPlus },
    build(at) {
      const receiver = radio(at, { channelMaxA: 1 });
      const relay = relayInRun(at);
      at.control(at.source, end(receiver, 'plus'));
      at.control(end(receiver, 'ch1'), end(relay, '86'));
      at.toReturn(relay, '85');
      return true;
    },
  },
  {
    ...{ id: 'radioOrHand', family: 'radio', isFor: ownPlus },
    build(at) {
      // A changeover keeps the two ways apart: by radio, off, by hand.
      const sw = at.part('changeoverOff', `${at.name} switch`);
      const receiver = radio(at);
      at.through([sw, 'down', 'common']);
      at.wire(at.source, end(receiver, 'plus'));
      at.wire(end(receiver, 'ch1'), end(sw, 'up'));
      return true;
    },
  },
  {
    ...{ id: 'coloursRadio', atLoad: true, family: 'radio', asks: 'other', isFor: ownPlus },
    build(at, { otherId }) {
      if (otherId === null) return false;
      const colour = at.part('changeoverOff', `${at.name} or other switch`);
      const by = at.part('changeover', `${at.name} panel or radio`, { form: 'doublePoleChangeover' });
      const receiver = radio(at, { channels: 2, channelMaxA: 1 });
      const first = at.part('changeoverRelay', `${at.name} relay`);
      const second = at.part('relay', `${at.name} relay, other`);
      // The other one is fed through the first one's resting contact: never both, and the first goes before.
      at.through([first, '30', '87']);
      at.wire(end(first, '87a'), end(second, '30'));
      at.control(at.source, end(colour, 'common'));
      at.control(at.source, end(receiver, 'plus'));
      at.link(end(colour, 'up'), end(by, 'down1'));
      at.link(end(colour, 'down'), end(by, 'down2'));
      at.control(end(receiver, 'ch1'), end(by, 'up1'));
      at.control(end(receiver, 'ch2'), end(by, 'up2'));
      at.control(end(by, 'common1'), end(first, '86'));
      at.control(end(by, 'common2'), end(second, '86'));
      at.toReturn(first, '85');
      at.toReturn(second, '85');
      return at.feedOther(otherId, end(second, '87'));
    },
  },
  {
    ...{ id: 'motion', family: 'itself', isFor: ownPlus },
    build: (at) => motion(at, {}),
  },
  {
    ...{ id: 'motionDark', family: 'itself', isFor: ownPlus },
    build: (at) => motion(at, { darkOnly: true }),
  },
  {
    ...{ id: 'door', atLoad: true, family: 'itself', isFor: ownMinus },
    build: (at) => at.homeThrough([at.part('door', `${at.name} door switch`), 'lead', 'body']),
  },
  {
    ...{ id: 'roller', family: 'itself', isFor: ownPlus },
    build(at) {
      // Pressed while it is shut: its closed contact lets go then.
      at.through([at.part('roller', `${at.name} roller switch`), 'common', 'normallyClosed']);
      return true;
    },
  },
  {
    ...{ id: 'plunger', family: 'itself', isFor: ownPlus },
    build(at) {
      at.through([at.part('plunger', `${at.name} hood switch`), 'common', 'normallyClosed']);
      return true;
    },
  },
  {
    ...{ id: 'output', family: 'vehicle', asks: 'output', isFor: ownPlus },
    signals: ['reverse', 'highBeam', 'running', 'ignition', 'brake'],
    build: (at, { onto, signal }) => onto !== undefined && at.ruled(onto, signal) && at.hangOn(onto),
  },
  {
    ...{ id: 'outputRelay', family: 'vehicle', asks: 'output', isFor: ownPlus },
    signals: ['reverse', 'highBeam', 'running', 'ignition', 'brake'],
    build: (at, { onto, signal }) => onto !== undefined && at.ruled(onto, signal) && relayOn(at, onto),
  },
  {
    ...{ id: 'signal', family: 'vehicle', asks: 'signal', isFor: ownPlus },
    signals: ['ignition', 'accessory', 'running', 'highBeam', 'reverse', 'brake'],
    build(at, { signal }) {
      const relay = relayInRun(at);
      at.trigger(signal, end(relay, '86'));
      at.toReturn(relay, '85');
      return true;
    },
  },
  {
    ...{ id: 'follow', family: 'vehicle', asks: 'signal', isFor: ownPlus },
    signals: ['highBeam', 'reverse', 'running', 'accessory', 'ignition'],
    build(at, { signal }) {
      const sw = at.part('changeoverOff', `${at.name} switch`);
      const relay = relayInRun(at);
      at.trigger(signal, end(sw, 'up'));
      at.control(at.source, end(sw, 'down'));
      at.control(end(sw, 'common'), end(relay, '86'));
      at.toReturn(relay, '85');
      return true;
    },
  },
  {
    ...{ id: 'late', family: 'vehicle', asks: 'signal', isFor: ownPlus },
    signals: ['ignition', 'accessory', 'door'],
    build(at, { signal }) {
      const relay = relayInRun(at, {}, 'timerRelay');
      at.trigger(signal, end(relay, '86'));
      at.toReturn(relay, '85');
      return true;
    },
  },
  {
    ...{ id: 'hub', family: 'vehicle', asks: 'signal', isFor: ownPlus },
    signals: ['reverse', 'highBeam', 'running', 'ignition', 'brake'],
    build(at, { signal }) {
      const hub = at.part('hub', `${at.name} hub`);
      at.through([hub, 'plus', 'out1']);
      at.trigger(signal, end(hub, 'in1'));
      at.toReturn(hub, 'minus');
      return true;
    },
  },
];

export function wayCalled(id: WayId): Way {
  return WAYS.find((way) => way.id === id)!;
}
