import { Bench } from '../bench/bench';
import { judgeWishes, type Judged } from '../bench/judge';
import type { Input } from '../bench/inputs';
import { truthOf, type Truth } from '../bench/truth';
import { analyse } from '../analysis/analyse';
import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { applyChange, type Change } from '../design/change';
import type { Design } from '../design/design';
import type { Device, Wire, Wish, WishSays } from '../design/schema';
import { kindOf } from '../devices';
import { ownCurrents } from '../devices/ownDraw';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { traceWiring } from '../network/traceWiring';
import type { Way, WayChoice } from '../switching/gallery/ways';
import { spareChannels, sparePoles } from '../switching/gallery/spare';
import { wayTo } from '../switching/gallery/wayTo';
import { coresIn } from './coresIn';
import { whatItBrings } from './whatItBrings';
import { priceOfChange, type PriceOfChange } from './priceOfChange';

/** A way to switch a load, tried before it is taken: all of it read off the design as it would be. */
export interface WayTried {
  change: Change;
  after: Design;
  /** Parts of the way before that go. */
  dropped: Device[];
  added: Device[];
  wires: Wire[];
  /** Wires that are there and become another size. */
  resized: number;
  /** Wires from one place or zone to another: cores to be pulled. */
  cores: number;
  /** What more is drawn with everything at rest and the load off, Ah a day; and by coils while they are fed, A. */
  standbyAhPerDay: number;
  coilA: number;
  truth: Truth | { tooMany: number };
  /** What it hangs on. */
  dependsOn: Input[];
  /** Whether it can still be lit where an added part fails; null: not known. */
  fails: { deviceId: string; stillLit: boolean | null }[];
  /** What it does by itself: one and the same whatever else stands how, or by how things stand; or there were too many ways to try. */
  keyOut: 'works' | 'dark' | 'varies' | 'notKnown';
  powerBack: 'off' | 'asBefore' | 'on' | 'varies' | 'notKnown';
  /** The receiver, hub or dimmer that is there and takes it on. */
  ontoId: string | null;
  /** Whether its level is the same off and on again; null where nothing dims it. */
  level: Judged['verdict'] | null;
  /** What the parts list comes to more than now. */
  price: PriceOfChange;
  /** The fuse it hangs on, where that is another than now; null: as now. */
  fuseId: string | null;
  /** Findings it brings, and how many it ends. */
  brought: Finding[];
  ended: number;
  /** Free channels of receivers and hubs there are already. */
  spare: { deviceId: string; free: number }[];
  /** Switches with a pole left over, as they would be. */
  sparePoles: string[];
}

const HOURS = 24;

/** Tries a way on a copy of the design. Null where the load cannot be wired so. @throws NetworkError where its wiring has no answer */
export function tryWay(analysis: Analysis, loadId: string, way: Way, choice: WayChoice): WayTried | null {
  const { design } = analysis;
  const taken = wayTo(design, loadId, way, choice);
  if (!taken) return null;
  const { change, dropped } = taken;
  const after = applyChange(design, change);
  const index = indexDesign(after);
  const wiring = traceWiring(index);
  const added = change.added.flatMap((record) => (record.type === 'device' ? [record] : []));
  const wires = change.added.flatMap((record) => (record.type === 'wire' ? [record] : []));
  const truth = truthOf(index, wiring, loadId);
  const judge = (...says: WishSays[]) =>
    judgeWishes(index, wiring, says.map((one, at): Wish => ({ id: `try${at}`, type: 'wish', loadId, says: one }))); // prettier-ignore
  const analysed = analyse(after);
  const onto = choice.onto && index.devices.get(choice.onto.deviceId);
  const failing = [
    ...added.filter((device) => kindOf(device).isContact || device.kind === 'dimmer'),
    ...(onto ? [onto] : []),
    ...fuseOf(analysed, loadId),
  ];
  const withoutEach = judge(...failing.map(({ id }): WishSays => ({ kind: 'stillWorks', withoutId: id })));
  const [works, dark] = judge({ kind: 'keyOut', answer: 'works' }, { kind: 'keyOut', answer: 'dark' });
  const answers = ['asBefore', 'off', 'on'] as const;
  const backs = judge(...answers.map((answer): WishSays => ({ kind: 'powerBack', answer })));
  const [level] = judge({ kind: 'levelKept' });
  const [fuse] = fuseOf(analysed, loadId);
  return {
    ...{ change, after, dropped, added, wires, truth },
    cores: coresIn(index, wires),
    resized: change.updated.filter(({ from, to }) => from.type === 'wire' && to.type === 'wire' && from.conductor !== to.conductor).length,
    standbyAhPerDay: Math.max(0, restA(index, loadId) - restA(analysis.index, loadId)) * HOURS,
    coilA: Array.from(
      ownCurrents(
        added.filter(({ kind }) => kind === 'relay'),
        index.settings.nominalV,
      ).values(),
    ).reduce((sum, { amps }) => sum + amps, 0),
    dependsOn: 'inputs' in truth ? truth.inputs : [],
    fails: failing.map(({ id }, at) => ({
      deviceId: id,
      stillLit: withoutEach[at]!.verdict === 'undecided' ? null : withoutEach[at]!.verdict === 'kept',
    })),
    keyOut: oneOf(['dark', 'works'] as const, [dark!, works!]),
    level: level!.why === 'notDimmed' ? null : level!.verdict,
    price: priceOfChange(analysis, analysed),
    fuseId: fuse && fuse.id !== fuseOf(analysis, loadId)[0]?.id ? fuse.id : null,
    powerBack: oneOf(answers, backs),
    ontoId: choice.onto?.deviceId ?? null,
    ...whatItBrings(analysis, analysed),
    spare: freeByDevice(design),
    sparePoles: sparePoles(after),
  };
}

/** The answer that is kept; where none is, whether that was made out of all ways things can stand. */
function oneOf<T extends string>(answers: readonly T[], judged: readonly Judged[]): T | 'varies' | 'notKnown' {
  const kept = answers.find((_, at) => judged[at]!.verdict === 'kept');
  return kept ?? (judged.some(({ why }) => why === 'notAllTried') ? 'notKnown' : 'varies');
}

function fuseOf({ index, loads }: Analysis, loadId: string): Device[] {
  const circuit = index.circuits.find(({ id }) => id === loads.get(loadId)?.circuitId);
  const fuse = circuit && index.devices.get(circuit.protectionId);
  return fuse ? [fuse] : [];
}

/** What a design takes with everything at rest and the load itself off, A. */
function restA(index: DesignIndex, loadId: string): number {
  return new Bench(index).set(loadId, 'on', false).answer.batteryA;
}

/** What is left over on each receiver and hub. */
function freeByDevice(design: Design): WayTried['spare'] {
  const free = new Map<string, number>();
  for (const { deviceId } of spareChannels(design)) free.set(deviceId, (free.get(deviceId) ?? 0) + 1);
  return Array.from(free, ([deviceId, count]) => ({ deviceId, free: count }));
}
