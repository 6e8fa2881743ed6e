import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { lookCode, type WireColour, type WireLook } from '../catalog/wireColours';
import type { PassPart, ProtectionFamily } from '../catalog/vocabulary';
import type { Ending } from './wireEnds';
import type { CutLot, Harness } from './schedule';
import { recordsOf, type Design } from '../design/design';
import type { CableCore, Device, Kit, Lead, Route } from '../design/schema';
import { cutLength } from './cutLength';
import type { DesignIndex } from '../rig/designIndex';
import { outsideDiameterMm } from '../catalog/cableDiameters';
import { kindOf } from '../devices';

/** The groups a parts list is read in. */
export const PART_GROUPS = ['kits', 'wire', 'terminals', 'joints', 'fuses', 'parts', 'passages', 'fixing'] as const;
export type PartGroup = (typeof PART_GROUPS)[number];

/** Something to have before the work begins, as plain facts; `core/wording` says it. */
export type PartLine =
  | { group: 'wire'; what: 'wire'; conductor: ConductorSize; look: WireLook | null; count: number; spareMm: number; buyMm: number }
  | { group: 'wire'; what: 'cable'; cores: readonly CableCore[]; count: number; spareMm: number; names: string[] }
  | { group: 'kits'; what: 'kit' | 'lacking'; name: string; count: number; names: string[] }
  | { group: 'terminals'; what: Ending['kind']; conductor: ConductorSize; ending: Ending; count: number; spare: number }
  | { group: 'joints'; what: JointPart; conductor: ConductorSize; boreMm: number; count: number; spare: number }
  | { group: 'joints'; what: 'lever'; ways: number; count: number; spare: number }
  | { group: 'joints'; what: 'tap' | 'cap'; count: number; spare: number }
  | { group: 'joints'; what: 'colourSleeve'; colour: WireColour; count: number; spare: number }
  | { group: 'fuses'; what: ProtectionFamily; ratingA: number; count: number; spare: number }
  | { group: 'parts'; like: Device; count: number; names: string[] }
  | { group: 'passages'; what: PassPart; holeMm: number | null; count: number }
  | { group: 'fixing'; what: 'clip' | 'label'; count: number };

type JointPart = 'joint' | 'sleeve';

/** A clip every so far along a loom, mm. Common practice: 200 to 300. */
const CLIP_MM = 250;
/** Terminals spoilt in crimping. Common practice: one in ten, one at least. */
const SPARE_SHARE = 0.1;
/** Kinds that are no part to buy: the vehicle's own, or bought by the load they are. */
const NOT_BOUGHT: ReadonlySet<Device['kind']> = new Set(['load', 'signalSource', 'vehicleFeed', 'splice', 'groundPoint', 'protection']);

/**
 * Everything the design needs, counted: wire with what is cut, terminals by size, joints, fuses with spares to carry, parts, grommets and
 * glands, clips and labels.
 */
export function partsList(index: DesignIndex, harness: Harness, lots: readonly CutLot[], { kits, leads }: Bought): PartLine[] {
  return [
    ...ofKits(kits, index),
    ...lots.map(({ conductor, look, neededMm, leftMm, buyMm }): PartLine => ({
      group: 'wire',
      what: 'wire',
      conductor,
      look,
      count: neededMm,
      spareMm: leftMm,
      buyMm: buyMm.reduce((sum, mm) => sum + mm, 0),
    })),
    ...cables(harness),
    ...terminals(harness),
    ...joints(index, harness),
    ...otherJoints(index, harness, leads),
    ...colourSleeves(harness, leads),
    ...fuses(index),
    ...parts(index),
    ...passages(index, harness),
    ...fixing(index, harness),
  ];
}

/** What of a design is in records of its own beside its wires. */
export interface Bought {
  kits: readonly Kit[];
  leads: readonly Lead[];
}

/** Those records of a design. */
export function boughtIn(design: Design): Bought {
  return { kits: recordsOf(design, 'kit'), leads: recordsOf(design, 'lead') };
}

/** Each kit with what is of it, and what it needs and does not bring. */
function ofKits(kits: readonly Kit[], { devices }: DesignIndex): PartLine[] {
  const own = (kit: Kit) => Array.from(devices.values()).filter(({ kitId }) => kitId === kit.id).map(({ name }) => name); // prettier-ignore
  return kits.flatMap((kit): PartLine[] => [
    { group: 'kits', what: 'kit', name: kit.name, count: 1, names: own(kit) },
    ...kit.lacks.map((name): PartLine => ({ group: 'kits', what: 'lacking', name, count: 1, names: [kit.name] })),
  ]);
}

/** Cable by what is in it, a tenth to spare. */
function cables({ cables: runs }: Harness): PartLine[] {
  const lines = new Map<string, Extract<PartLine, { what: 'cable' }>>();
  for (const { cable, lengthMm, linkMm, make } of runs) {
    if (lengthMm === 0) continue;
    const line = lines.get(make) ?? { group: 'wire', what: 'cable', cores: cable.cores, count: 0, spareMm: 0, names: [] };
    line.count += lengthMm + linkMm;
    line.spareMm = cutLength(line.count * SPARE_SHARE);
    line.names.push(cable.name);
    lines.set(make, line);
  }
  return Array.from(lines.values());
}

/** Sleeves of another colour, one for each end. */
function colourSleeves({ wires }: Harness, leads: readonly Lead[]): PartLine[] {
  const counts = new Map<WireColour, number>();
  for (const sleeve of [...wires.map(({ wire }) => wire.sleeve), ...leads.map((lead) => lead.sleeve)])
    if (sleeve) counts.set(sleeve, (counts.get(sleeve) ?? 0) + 2);
  return Array.from(counts, ([colour, count]) => ({ group: 'joints', what: 'colourSleeve', colour, count, spare: Math.max(1, Math.ceil(count * SPARE_SHARE)) })); // prettier-ignore
}

/** What is crimped on at each end; what ends in a joint shares its sleeve with the others there and is counted as a joint. */
function terminals({ wires }: Harness): PartLine[] {
  const lines = new Map<string, Extract<PartLine, { group: 'terminals' }>>();
  // What comes in a kit comes with its ends.
  for (const { wire, from, to } of wires.filter((line) => !line.wire.kitId))
    for (const { ending } of [from, to]) {
      if (ending.kind === 'butt' || ending.kind === 'bare') continue;
      const key = [ending.kind, ending.stud, ending.bladeMm, ending.fits, isByColour(ending) ? '' : wire.conductor].join(); // prettier-ignore
      const line = lines.get(key);
      if (line) line.count++;
      else lines.set(key, { group: 'terminals', what: ending.kind, conductor: wire.conductor, ending, count: 1, spare: 0 });
    }
  return Array.from(lines.values(), (line) => ({ ...line, spare: Math.max(1, Math.ceil(line.count * SPARE_SHARE)) })).sort(
    (a, b) =>
      a.what.localeCompare(b.what) ||
      areaMm2(a.conductor) - areaMm2(b.conductor) ||
      (a.ending.stud ?? '').localeCompare(b.ending.stud ?? ''),
  );
}

/** Whether one barrel's colour says which sizes it takes. */
const isByColour = ({ fits }: Ending) => fits === 'red' || fits === 'blue' || fits === 'yellow';

/** Shrink sleeve sold, supplied bore to recovered, mm: 3:1 with glue. Source: makers' lists, from memory. */
const SLEEVES_MM = [3, 4.8, 6, 9, 12, 18, 24, 39];

/**
 * Joints: one at each crimped splice, a sleeve alone at a soldered one, one for each wire that ends on a part's own lead, one at each piece
 * of a row but the last, where three meet. Each with a sleeve of a bore at least a fifth over the thickest wire.
 */
function joints({ devices }: DesignIndex, { wires, links }: Harness): PartLine[] {
  const at = new Map<string, ConductorSize[]>();
  for (const { wire, from, to } of wires)
    for (const end of [from, to]) {
      if (end.ending.kind !== 'butt') continue;
      const device = devices.get(end.deviceId);
      const isSplice = device?.kind === 'splice';
      if (isSplice && device.made !== undefined && device.made !== 'solder') continue;
      const key = isSplice ? end.deviceId : `${end.deviceId}/${end.terminal}`;
      at.set(key, [...(at.get(key) ?? []), wire.conductor]);
    }
  // What comes, what goes on and the piece's own lead: three in all but the last. The first piece's joint is there already.
  for (const { load, pole, conductor, count } of links)
    for (let piece = 0; piece <= count; piece++)
      at.set(
        piece === 0 ? `${load.id}/${pole}` : `${load.id}/${pole}/${piece}`,
        Array.from({ length: piece < count ? 3 : 1 }, () => conductor),
      );
  const lines = new Map<string, Extract<PartLine, { what: JointPart }>>();
  for (const [key, conductors] of at) {
    const device = devices.get(key);
    const isSoldered = device?.kind === 'splice' && device.made === 'solder';
    const conductor = conductors.reduce((most, one) => (areaMm2(one) > areaMm2(most) ? one : most));
    const thickMm = outsideDiameterMm(conductor) * (conductors.length > 2 ? 2 : 1);
    const boreMm = SLEEVES_MM.find((mm) => mm >= thickMm * 1.2) ?? SLEEVES_MM.at(-1)!;
    for (const what of isSoldered ? (['sleeve'] as const) : (['joint', 'sleeve'] as const)) {
      const key = `${what} ${what === 'joint' ? conductor : boreMm}`;
      const line = lines.get(key);
      if (line) line.count++;
      else lines.set(key, { group: 'joints', what, conductor, boreMm, count: 1, spare: 0 });
    }
  }
  return Array.from(lines.values(), (line) => ({ ...line, spare: Math.max(1, Math.ceil(line.count * SPARE_SHARE)) })).sort(
    (a, b) => a.what.localeCompare(b.what) || areaMm2(a.conductor) - areaMm2(b.conductor) || a.boreMm - b.boreMm,
  );
}

/** Lever connectors by their ways, taps, and caps for leads that meet nothing. What is only twisted takes nothing but tape. */
function otherJoints({ devices }: DesignIndex, { wires }: Harness, leads: readonly Lead[]): PartLine[] {
  const ways = new Map<number, number>();
  let taps = 0;
  for (const device of devices.values()) {
    if (device.kind !== 'splice') continue;
    if (device.made === 'tap') taps++;
    if (device.made !== 'lever') continue;
    const ends = wires.flatMap(({ from, to }) => [from, to]).filter(({ deviceId }) => deviceId === device.id).length;
    const has = LEVER_WAYS.find((count) => count >= ends) ?? LEVER_WAYS.at(-1)!;
    ways.set(has, (ways.get(has) ?? 0) + 1);
  }
  const caps = leads.filter(({ capped }) => capped).length;
  const spare = (count: number) => Math.max(1, Math.ceil(count * SPARE_SHARE));
  return [
    ...Array.from(ways, ([count, number]): PartLine => ({ group: 'joints', what: 'lever', ways: count, count: number, spare: spare(number) })), // prettier-ignore
    ...(taps > 0 ? [{ group: 'joints' as const, what: 'tap' as const, count: taps, spare: spare(taps) }] : []),
    ...(caps > 0 ? [{ group: 'joints' as const, what: 'cap' as const, count: caps, spare: spare(caps) }] : []),
  ];
}
/** Lever connectors by how many wires they take. Common practice. */
const LEVER_WAYS = [2, 3, 5];

/** Fuses by family and rating. Spares to carry, common practice: two of each blade fuse, one of what costs more; breakers are set again. */
function fuses({ devices }: DesignIndex): PartLine[] {
  const lines = new Map<string, Extract<PartLine, { group: 'fuses' }>>();
  for (const device of devices.values()) {
    if (device.kind !== 'protection' || device.kitId) continue;
    const { family, ratingA } = device;
    const key = `${family} ${ratingA}`;
    const line = lines.get(key);
    if (line) line.count++;
    else
      lines.set(key, {
        group: 'fuses',
        what: family,
        ratingA,
        count: 1,
        spare: family === 'breaker' ? 0 : family === 'blade' || family === 'glass' ? 2 : 1,
      });
  }
  return Array.from(lines.values()).sort((a, b) => a.what.localeCompare(b.what) || a.ratingA - b.ratingA);
}

/** Parts of the wiring by kind and what tells them apart. */
function parts({ devices }: DesignIndex): PartLine[] {
  const lines = new Map<string, Extract<PartLine, { group: 'parts' }>>();
  for (const device of devices.values()) {
    if (NOT_BOUGHT.has(device.kind) || device.kitId) continue;
    const key = JSON.stringify([device.kind, traits(device)]);
    const line = lines.get(key);
    const count = device.kind === 'battery' ? device.count : 1;
    if (!line) lines.set(key, { group: 'parts', like: device, count, names: [device.name] });
    else {
      line.count += count;
      line.names.push(device.name);
    }
  }
  return Array.from(lines.values()).sort((a, b) => a.like.kind.localeCompare(b.like.kind));
}

/** What tells two parts of a kind apart in a shop. */
function traits(device: Device): readonly unknown[] {
  return kindOf(device).traits?.(device) ?? ['ratingA' in device ? device.ratingA : null];
}

/** Grommets, glands and boots where the wires go through something. */
function passages({ routes }: DesignIndex, { wires }: Harness): PartLine[] {
  const used = new Set(wires.flatMap(({ routeIds }) => routeIds));
  const lines = new Map<string, Extract<PartLine, { group: 'passages' }>>();
  for (const { passes } of routes.filter(({ id }: Route) => used.has(id)))
    for (const { part, holeMm } of passes) {
      if (part === 'none') continue;
      const key = `${part} ${holeMm ?? ''}`;
      const line = lines.get(key);
      if (line) line.count++;
      else lines.set(key, { group: 'passages', what: part, holeMm, count: 1 });
    }
  return Array.from(lines.values()).sort((a, b) => a.what.localeCompare(b.what) || (a.holeMm ?? 0) - (b.holeMm ?? 0));
}

/** Clips along every stretch that carries something, and a label at each end of every wire. */
function fixing({ layout }: DesignIndex, { wires }: Harness): PartLine[] {
  const used = new Set(wires.flatMap(({ routeIds }) => routeIds));
  const clips = Array.from(used).reduce((sum, id) => sum + Math.ceil((layout.routes.get(id)?.length.mm ?? 0) / CLIP_MM) + 1, 0);
  return [
    ...(clips > 0 ? [{ group: 'fixing' as const, what: 'clip' as const, count: clips }] : []),
    { group: 'fixing', what: 'label', count: wires.length * 2 },
  ];
}

/** What tells a line from every other, whatever units it is read in: what is at hand of it goes by this. */
export function partKey(line: PartLine): string {
  switch (line.group) {
    case 'kits':
      return `${line.what} ${line.name} ${line.what === 'lacking' ? line.names[0]! : ''}`.trim();
    case 'wire':
      return line.what === 'cable'
        ? `cable ${line.cores.map((core) => `${core.conductor}${lookCode(core)}`).join('+')}`.slice(0, MOST_KEY)
        : `wire ${line.conductor} ${line.look ? lookCode(line.look) : '-'}`;
    case 'terminals': {
      const { kind, stud, bladeMm, fits } = line.ending;
      return `end ${kind} ${stud ?? bladeMm ?? '-'} ${fits} ${isByColour(line.ending) ? '' : line.conductor}`.trim();
    }
    case 'joints':
      return jointKey(line);
    case 'fuses':
      return `fuse ${line.what} ${line.ratingA}`;
    case 'parts':
      return `part ${line.like.kind} ${JSON.stringify(traits(line.like))}`.slice(0, MOST_KEY);
    case 'passages':
      return `passage ${line.what} ${line.holeMm ?? '-'}`;
    case 'fixing':
      return line.what;
  }
}
/** As long as a record takes. */
const MOST_KEY = 200;

function jointKey(line: Extract<PartLine, { group: 'joints' }>): string {
  switch (line.what) {
    case 'colourSleeve':
      return `sleeve ${line.colour}`;
    case 'joint':
      return `joint ${line.conductor}`;
    case 'sleeve':
      return `sleeve ${line.boreMm}`;
    case 'lever':
      return `lever ${line.ways}`;
    default:
      return line.what;
  }
}
