import { analyse } from '../analysis/analyse';
import { conductorTables } from '../analysis/conductorTables';
import { overWhenSolved } from '../analysis/solved';
import type { Analysis, CircuitAnalysis } from '../analysis/types';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { familyWords, RATINGS_A } from '../catalog/fuses';
import { openingTimeS } from '../catalog/fuseTimes';
import { breaksAt } from '../catalog/interrupting';
import { applyUnchecked, isEmpty, setting, updateRecords } from '../design/change';
import { deviceOf, recordOf } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import { nameOf } from '../design/names';
import type { Protection, Settings } from '../design/schema';
import { usualAlternator } from '../devices/alternator';
import { ampacity, type Ampacity } from '../sizing/ampacity';
import { sizesLike } from '../sizing/conductorChoice';
import { feedShareOf } from '../sizing/dropTargets';
import { bankShortA, familyThatBreaks, mainFamilyFor, ratingFrom } from '../sizing/breaking';
import { chooseFuse, leastFuseA } from '../sizing/fuse';
import { fuseLimitA, slotRoomA } from '../sizing/fuseLimit';
import { nearestSlot, whereIs } from '../switching/fuseBerth';
import { giveLoadItsCircuit } from '../switching/ownCircuit';
import { addMainPart } from '../switching/mainParts';
import { wireHome } from '../switching/partsByHand';
import { mountFuse, removeCircuit, resizeCircuit } from '../switching/schemes';
import { addWire } from '../switching/wires';
import { formatConductor, formatRating } from '../units/quantity';
import { familyRemedies } from './familyRemedies';
import type { Remedy } from './remedy';
import type { Finding, FindingOf } from '../analysis/finding';

/** The remedies for a finding in the design it was found in. Empty where only a person can decide. */
export function remediesFor(analysis: Analysis, finding: Finding): Remedy[] {
  return candidates(analysis, finding).filter((remedy): remedy is Remedy => remedy !== null && !isEmpty(remedy.change));
}

function candidates(analysis: Analysis, finding: Finding): (Remedy | null)[] {
  const { design } = analysis;
  const circuit = analysis.circuits.find(({ id }) => id === finding.circuitId);
  const [subject] = finding.subjects;
  switch (finding.rule) {
    case 'fuse.aboveConductor':
    case 'return.thinnerThanFuse':
      return circuit ? [smallerFuse(analysis, circuit), thickerForFuse(analysis, circuit)] : [thickerFeeder(analysis, [subject!])];
    case 'return.sharedThin':
    case 'reach.fusesTogether':
    case 'lead.belowFuses':
      return [thickerFeeder(analysis, [subject!])];
    case 'fuse.belowLoad':
    case 'fuse.continuousLoad':
    case 'fuse.notStandard':
      return circuit ? [fittingFuse(analysis, circuit) ?? asChosen(analysis, circuit)] : [];
    case 'drop.lightsLoose':
      return [{ label: 'Judge it as lighting', change: updateRecords(design, [{ id: subject!, set: { dropClass: 'critical' } }]) }];
    case 'drop.feedShare':
      return [thickerMain(analysis, subject!)];
    case 'drop.asWired':
      return circuit ? [thickerAsWired(analysis, circuit)] : [];
    case 'slot.overRating':
    case 'drop.overTarget':
    case 'drop.realCable':
      return circuit ? [asChosen(analysis, circuit)] : [];
    case 'wire.overloaded':
      return circuit && finding.numbers.amps <= circuit.peakA ? [asChosen(analysis, circuit)] : [thickerFeeder(analysis, finding.subjects)];
    case 'wire.belowMinimum':
    case 'wire.tooSmallForStandard':
      return circuit ? [asChosen(analysis, circuit)] : [thickerFeeder(analysis, [subject!])];
    case 'fuse.feederBelow':
      return [largerFeeder(analysis, subject!)];
    case 'fuse.notFed': {
      const fuse = deviceOf(design, subject!, 'protection');
      const near = whereIs(analysis.index, circuit?.worstLoadId ?? subject!);
      const mount = fuse && !finding.numbers.mounted ? nearestSlot(design, near, fuse.ratingA) : null;
      if (!mount) return [];
      return [{ label: `Put it in slot ${mount.slot} of ${nameOf(design, mount.blockId)}`, change: mountFuse(design, subject!, mount) }];
    }
    case 'fuse.aboveDevice':
    case 'slot.doubledUp':
      return circuit ? [fittingFuse(analysis, circuit)] : [];
    case 'fuse.tapReversed':
      return [turnTap(analysis, finding)];
    case 'fuse.cannotBreak':
      return [familyThatCan(analysis, finding)];
    case 'fuse.backedUp':
      return finding.severity === 'note' ? [] : [saferAhead(analysis, finding)];
    case 'fuse.opensAtStart':
      return [largerFuse(analysis, finding)];
    case 'fuse.neverClears':
    case 'fuse.slowToClear':
      return circuit ? [fittingFuse(analysis, circuit)] : [];
    case 'wire.spoiltFirst':
      return circuit ? [asChosen(analysis, circuit)] : [];
    case 'return.thinnerThanFeed':
      return [likeItsFeed(analysis, finding)];
    case 'contact.unworked': {
      // What works a coil only a person knows; the way home is always the same.
      const home = finding.numbers.terminals.filter((terminal) => terminal === 'minus' || terminal === '85');
      const [terminal] = home;
      const change = terminal === undefined ? null : wireHome(design, subject!, terminal);
      return [change && { label: `Wire its ${terminal === '85' ? 'coil' : 'minus'} home`, change }];
    }
    case 'relay.bareCoil':
      return [
        {
          label: 'Take one with a resistor across its coil',
          change: updateRecords(design, [{ id: subject!, set: { suppression: 'resistor' } }]),
        },
      ];
    case 'main.missing':
      return [insertMain(analysis)];
    case 'main.belowDemand':
      return [largerMain(analysis)];
    case 'battery.holdUnknown':
      return [true, false].map((heldDown) => ({
        label: heldDown ? 'It is held down' : 'It is loose',
        change: updateRecords(design, [{ id: subject!, set: { heldDown } }]),
      }));
    case 'main.noIsolator': {
      const change = addMainPart(design, 'isolator', analysis.main?.ratingA ?? 0);
      return [change && { label: 'Put an isolator behind the main fuse', change }];
    }
    case 'fuse.tapUnproved': {
      const tap = deviceOf(design, subject!, 'protection');
      return [tap?.mount ? { label: 'It was metered', change: updateRecords(design, [setting(tap, { mount: { ...tap.mount, metered: true } })]) } : null]; // prettier-ignore
    }
    case 'alternator.missing':
      return [usualEngine(analysis)];
    case 'load.noCircuit': {
      const change = giveLoadItsCircuit(design, subject!);
      return [change && { label: 'Give it a circuit of its own', change }];
    }
    case 'circuit.empty':
      return [{ label: 'Take the circuit out', change: removeCircuit(design, subject!) }];
    case 'strip.longRun': {
      const load = deviceOf(design, subject!, 'load');
      if (load?.rated.kind !== 'strip') return [];
      const total = load.rated.lengthMm * load.rated.pieces;
      const pieces = Math.max(load.rated.pieces, Math.ceil(total / 5000));
      const rated = { ...load.rated, pieces, lengthMm: total / pieces, join: 'parallel' as const };
      return [{ label: `Feed ${pieces} pieces side by side`, change: updateRecords(design, [setting(load, { rated })]) }];
    }
    default:
      return familyRemedies(analysis, finding);
  }
}

/** The circuit as the sizing would have it: its conductor, and its fuse where the present one does not fit. */
export function asChosen(analysis: Analysis, circuit: CircuitAnalysis): Remedy | null {
  const { choice } = circuit;
  if (!choice) return null;
  const least = leastFuseA(circuit.continuousA, circuit.peakA);
  const fuse = deviceOf(analysis.design, circuit.protectionId, 'protection');
  const most = Math.min(choice.ampacityA, fuse ? limitOf(analysis, circuit, fuse) : Infinity);
  const keep = circuit.ratingA >= least && circuit.ratingA <= most;
  const ratingA = keep ? circuit.ratingA : choice.fuseA;
  const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
  const label = `Use ${formatConductor(choice.conductor)}${keep ? '' : ` and ${formatRating(ratingA)}`}`;
  return { label, change: resizeCircuit(analysis.design, wireIds, choice.conductor, circuit.protectionId, ratingA) };
}

function smallerFuse(analysis: Analysis, circuit: CircuitAnalysis): Remedy | null {
  const fuse = deviceOf(analysis.design, circuit.protectionId, 'protection');
  const least = leastFuseA(circuit.continuousA, circuit.peakA);
  const rating = fuse && RATINGS_A[fuse.family].findLast((a) => a <= (circuit.ampacity?.amps ?? 0));
  if (rating === undefined || rating === null || rating < least) return null;
  const snug = RATINGS_A[fuse!.family].find((a) => a >= least) ?? rating;
  return { label: `Fit a ${formatRating(snug)} fuse`, change: updateRecords(analysis.design, [setting(fuse!, { ratingA: snug })]) };
}

function fittingFuse(analysis: Analysis, circuit: CircuitAnalysis): Remedy | null {
  const fuse = deviceOf(analysis.design, circuit.protectionId, 'protection');
  if (!fuse) return null;
  const most = Math.min(circuit.ampacity?.amps ?? 0, limitOf(analysis, circuit, fuse));
  const ratingA = chooseFuse(circuit.continuousA, circuit.peakA, most, RATINGS_A[fuse.family]);
  if (ratingA === null) return null;
  return { label: `Fit a ${formatRating(ratingA)} fuse`, change: updateRecords(analysis.design, [setting(fuse, { ratingA })]) };
}

function limitOf({ index, wiring, loads }: Analysis, circuit: CircuitAnalysis, fuse: Protection): number {
  const own = circuit.loadIds.map((id) => loads.get(id)!.load);
  return fuseLimitA(index, wiring, fuse, own);
}

function thickerForFuse(analysis: Analysis, circuit: CircuitAnalysis): Remedy | null {
  const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
  if (!circuit.conductor) return null;
  const leastMm2 = circuit.choice ? areaMm2(circuit.choice.conductor) : 0;
  const size = sizeFor(analysis.index.settings, circuit.conductor, circuit.ampacity, circuit.ratingA, leastMm2);
  if (!size) return null;
  return {
    label: `Use ${formatConductor(size)}`,
    change: updateRecords(
      analysis.design,
      wireIds.map((id) => ({ id, set: { conductor: size } })),
    ),
  };
}

/** The first thicker size of a circuit's own wires with which it keeps its target as it is wired too; null where none of them does. */
function thickerAsWired(analysis: Analysis, circuit: CircuitAnalysis): Remedy | null {
  const { design, index } = analysis;
  if (!circuit.conductor) return null;
  const now = areaMm2(circuit.conductor);
  const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
  for (const size of sizesLike(index.settings.conductorStandard, circuit.conductor)
    .filter((one) => areaMm2(one) > now)
    .slice(0, MOST_SIZES_UP)) {
    const change = updateRecords(
      design,
      wireIds.map((id) => ({ id, set: { conductor: size } })),
    );
    if (!overWhenSolved(analyse(applyUnchecked(design, change), analysis)).has(circuit.id))
      return { label: `Use ${formatConductor(size)}`, change };
  }
  return null;
}

/** Sizes tried upwards in the solved network: thicker than that no usual terminal of a circuit takes. */
const MOST_SIZES_UP = 5;

/** Some wires, each by its own current. */
function thickerFeeder(analysis: Analysis, wireIds: readonly string[]): Remedy | null {
  const wires = wireIds.flatMap((id) => analysis.wires.get(id) ?? []);
  const sized = wires.map(({ wire, ampacity, amps, protectionA }) => {
    return { id: wire.id, size: sizeFor(analysis.index.settings, wire.conductor, ampacity, Math.max(amps, protectionA ?? 0)) };
  });
  const sizes = new Set(sized.map(({ size }) => size));
  if (sized.length === 0 || sizes.has(null)) return null;
  return {
    label: `Use ${Array.from(sizes, (size) => formatConductor(size!)).join(' and ')}`,
    change: updateRecords(analysis.design, sized.map(({ id, size }) => ({ id, set: { conductor: size! } }))), // prettier-ignore
  };
}

/** All cables before a block that are thinner set to the first size with which they lose no more than their share. */
function thickerMain({ design, index, wires, mainFeeds }: Analysis, blockId: string): Remedy | null {
  const feed = mainFeeds.find((entry) => entry.blockId === blockId);
  if (!feed || feed.wireIds.length === 0) return null;
  const { settings } = index;
  const { ohmPerM } = conductorTables(settings);
  const cables = feed.wireIds.map((id) => wires.get(id)!);
  const allowedV = (feedShareOf(settings) / 100) * settings.nominalV;
  const lossWith = (size: ConductorSize) =>
    cables.reduce(
      (sum, { wire, amps, dropV }) => {
        const grown = areaMm2(size) > areaMm2(wire.conductor);
        return sum + dropV - (grown ? (amps * (ohmPerM(wire.conductor) - ohmPerM(size)) * wire.lengthMm) / 1000 : 0);
      },
      feed.dropV - cables.reduce((sum, { dropV }) => sum + dropV, 0),
    );
  const size = sizesLike(settings.conductorStandard, cables[0]!.wire.conductor).find((candidate) => lossWith(candidate) <= allowedV);
  if (!size) return null;
  const thin = cables.filter(({ wire }) => areaMm2(wire.conductor) < areaMm2(size));
  return {
    label: `Use ${formatConductor(size)} out and back`,
    change: updateRecords(
      design,
      thin.map(({ wire }) => setting(wire, { conductor: size })),
    ),
  };
}

function largerMain(analysis: Analysis): Remedy | null {
  const { main, protections } = analysis;
  return main && protections.has(main.protectionId) ? largerFeeder(analysis, main.protectionId) : null;
}

/** The smallest rating that suits what flows through a fuse, and where a shared wire behind it does not carry that, the first that does. */
function largerFeeder({ design, index, protections, wires }: Analysis, id: string): Remedy | null {
  const entry = protections.get(id);
  if (!entry) return null;
  const { fuse, continuousA, peakA } = entry;
  const ratingA = chooseFuse(continuousA, peakA, slotRoomA(index, fuse), RATINGS_A[fuse.family]);
  if (ratingA === null) return null;
  const edit = new Edit(design);
  edit.set(fuse, { ratingA });
  const sizes = new Set<ConductorSize>();
  for (const entryOfWire of wires.values()) {
    if (entryOfWire.protectionId !== fuse.id || entryOfWire.ampacity.amps >= ratingA) continue;
    const size = entryOfWire.circuitId === null ? sizeFor(index.settings, entryOfWire.wire.conductor, entryOfWire.ampacity, ratingA) : null;
    if (!size) return null;
    edit.set(entryOfWire.wire.id, { conductor: size });
    sizes.add(size);
  }
  const thicker = sizes.size === 0 ? '' : ` and use ${Array.from(sizes, formatConductor).join(' and ')}`;
  return { label: `Fit ${formatRating(ratingA)}${thicker}`, change: edit.change };
}

/** The first size no thinner than a wire's own, and of its school, that carries so much where it lies. */
function sizeFor(
  { conductorStandard: standard, insulationC }: Settings,
  own: ConductorSize,
  now: Pick<Ampacity, 'factor'> | null,
  wantedA: number,
  leastMm2 = 0,
): ConductorSize | null {
  const factor = now && now.factor > 0 ? now.factor : 1;
  const conditions = { standard, insulationC, ambientC: 30, engineSpace: false };
  const least = Math.max(areaMm2(own), leastMm2);
  const carries = (size: ConductorSize) => ampacity(size, conditions).amps * factor >= wantedA;
  return sizesLike(standard, own).find((size) => areaMm2(size) >= least && carries(size)) ?? null;
}

function usualEngine({ design, index }: Analysis): Remedy {
  const own = { id: newId('src'), type: 'device' as const, name: 'Alternator', zoneId: null };
  const edit = new Edit(design);
  edit.add({ ...own, ...usualAlternator(index.settings.nominalV) });
  return { label: 'Describe a usual alternator', change: edit.change };
}

/** Cuts the battery's positive cable close to the battery and puts a main fuse in. */
function insertMain(analysis: Analysis): Remedy | null {
  const { design, index, wires } = analysis;
  const { battery, settings } = index;
  const cable = index.wires.find(({ from, to }) => [from, to].some((end) => end.deviceId === battery?.id && end.terminal === 'plus'));
  const used = cable && wires.get(cable.id);
  if (!battery || !cable || !used) return null;
  const shortA = bankShortA(battery);
  const families = [mainFamilyFor(shortA, settings.nominalV), familyThatBreaks(shortA, settings.nominalV)];
  const choices = families.map((family) => ({ family, ratingA: chooseFuse(0, used.amps, used.ampacity.amps, RATINGS_A[family]) }));
  const { family, ratingA } = choices.find((choice) => choice.ratingA !== null) ?? choices[0]!;
  if (ratingA === null) return null;
  const edit = new Edit(design);
  const main = edit.add<Protection>({
    ...{ id: newId('fuse'), type: 'device', kind: 'protection', name: 'Main fuse', zoneId: battery.zoneId, family, ratingA, mount: null },
  });
  const near = cable.from.deviceId === battery.id ? 'from' : 'to';
  const leadMm = Math.min(150, cable.lengthMm / 2);
  addWire(edit, 'supply', cable[near], { deviceId: main.id, terminal: 'in' }, leadMm, cable.conductor);
  edit.set(cable, { [near]: { deviceId: main.id, terminal: 'out' }, lengthMm: cable.lengthMm - leadMm });
  return recordOf(design, settings.id, 'settings') && { label: `Put a ${formatRating(ratingA)} main fuse in`, change: edit.change };
}

/** The same rating, or the next one it comes in that the wires still carry, in a family that breaks the fault. */
function familyThatCan({ design, wires, index }: Analysis, { subjects: [id], numbers }: FindingOf<'fuse.cannotBreak'>): Remedy | null {
  const fuse = deviceOf(design, id!, 'protection');
  const { nominalV } = index.settings;
  if (!fuse || fuse.mount) return null;
  const family = familyThatBreaks(numbers.atA, nominalV);
  const ratingA = ratingFrom(family, fuse.ratingA);
  const guarded = Array.from(wires.values()).filter(({ protectionId }) => protectionId === fuse.id);
  if (breaksAt(family, nominalV) < numbers.atA || guarded.some(({ ampacity: carried }) => carried.amps < ratingA)) return null;
  return {
    label: `Fit a ${familyWords(family)}, ${formatRating(ratingA)}`,
    change: updateRecords(design, [setting(fuse, { family, ratingA })]),
  };
}

/** The fuse ahead of small ones as a class T, which ends a dead short before they burst, where every wire it guards carries its rating. */
function saferAhead({ design, wires }: Analysis, { subjects: [, id] }: Finding): Remedy | null {
  const fuse = deviceOf(design, id!, 'protection');
  if (!fuse || fuse.mount || fuse.family === 'classT') return null;
  const ratingA = ratingFrom('classT', fuse.ratingA);
  const guarded = Array.from(wires.values()).filter(({ protectionId }) => protectionId === fuse.id);
  if (guarded.some(({ ampacity: carried }) => carried.amps < ratingA)) return null;
  return {
    label: `Fit a class T fuse of ${formatRating(ratingA)} there`,
    change: updateRecords(design, [setting(fuse, { family: 'classT', ratingA })]),
  };
}

/** The next rating up that stands the start, as far as every wire behind it carries it and the slot takes it. */
function largerFuse({ design, wires, index }: Analysis, { subjects: [id], numbers }: FindingOf<'fuse.opensAtStart'>): Remedy | null {
  const fuse = deviceOf(design, id!, 'protection');
  if (!fuse) return null;
  const guarded = Array.from(wires.values()).filter(({ protectionId }) => protectionId === fuse.id);
  const mostA = Math.min(slotRoomA(index, fuse), ...guarded.map(({ ampacity: carried }) => carried.amps));
  const ratingA = RATINGS_A[fuse.family].find(
    (rating) => rating > fuse.ratingA && openingTimeS(fuse.family, numbers.amps / rating) >= numbers.seconds,
  );
  if (ratingA === undefined || ratingA > mostA) return null;
  return { label: `Fit ${formatRating(ratingA)}`, change: updateRecords(design, [setting(fuse, { ratingA })]) };
}

function turnTap({ design }: Analysis, { subjects: [id] }: Finding): Remedy | null {
  const tap = deviceOf(design, id!, 'protection');
  if (!tap?.mount) return null;
  const mount = { ...tap.mount, tap: 'supply' as const };
  return { label: 'Turn the tap round', change: updateRecords(design, [setting(tap, { mount })]) };
}

function likeItsFeed(
  { design, wires, circuits }: Analysis,
  { circuitId, numbers: { feed } }: FindingOf<'return.thinnerThanFeed'>,
): Remedy | null {
  const circuit = circuits.find(({ id }) => id === circuitId);
  const thin = circuit?.returnWireIds.filter((id) => {
    const entry = wires.get(id);
    return entry && entry.amps >= circuit.peakA - 1e-6 && areaMm2(entry.wire.conductor) < areaMm2(feed);
  });
  if (!thin?.length) return null;
  return {
    label: `Use ${formatConductor(feed)} back too`,
    change: updateRecords(
      design,
      thin.map((id) => ({ id, set: { conductor: feed } })),
    ),
  };
}
