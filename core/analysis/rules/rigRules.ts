import { finding, type Finding, type Severity } from '../finding';
import type { Analysis } from '../types';
import { leastConduitMm } from '../../rig/bundles';
import { BEND_ROOM_MM, isInRoom, isTooDeep } from '../../rig/clearance';
import { isInside } from '../../rig/geometry';
import { bodyOutline } from '../../rig/bodies';
import { placeIdOf } from '../../rig/layout';
import { disagrees } from '../../rig/routeLength';
import { recordOf, recordsOf } from '../../design/design';
import type { Passage, Place, Route } from '../../design/schema';

/** Least distance between cable and an exhaust without a shield, mm. Common practice. */
export const CLEAR_OF_EXHAUST_MM = 150;
/** From here a thing in a part that moves or shakes wants more than screws in sheet, kg. Common practice. */
const HEAVY_KG = 3;
/** How far a lamp or bracket may stick out of the outline before somebody looks again, mm. */
const STICKS_OUT_MM = 400;

/** The vehicle: what cable passes, what fits where, and where the plan and the tape disagree. */
export function findRig(analysis: Analysis): Finding[] {
  if (analysis.index.places.length === 0) return [];
  return [...findPassages(analysis), ...findBundles(analysis), ...findWays(analysis), ...findPlaces(analysis), ...findPanels(analysis)];
}

/** Passages of routes that cable takes; an unused stretch is nobody's hazard yet. */
function findPassages({ index, bundles }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const route of index.routes) {
    const bundle = bundles.get(route.id);
    if (!bundle || bundle.wires.length === 0) continue;
    route.passes.forEach((passage, place) => {
      const wrong = wrongWith(passage);
      if (wrong) found.push(finding(wrong.rule, wrong.severity, [route.id], { what: passage.what, clearMm: passage.clearMm, place }));
      if (passage.holeMm !== null && passage.holeMm < bundle.diameterMm) {
        const numbers = { what: passage.what, holeMm: passage.holeMm, bundleMm: bundle.diameterMm, place };
        found.push(finding('rig.holeTooSmall', 'caution', [route.id], numbers));
      }
    });
  }
  return found;
}

type PassingRule = 'rig.bareHole' | 'rig.unsealed' | 'rig.hinge' | 'rig.exhaust' | 'rig.steering';

function wrongWith({ what, part, sealed, clearMm }: Passage): { rule: PassingRule; severity: Severity } | null {
  switch (what) {
    case 'bulkhead':
    case 'doubleSkin':
      return part === 'none' ? { rule: 'rig.bareHole', severity: 'fault' } : null;
    case 'roof':
    case 'water':
      if (part === 'none') return { rule: 'rig.bareHole', severity: 'fault' };
      return sealed ? null : { rule: 'rig.unsealed', severity: 'caution' };
    case 'hinge':
      return part === 'boot' ? null : { rule: 'rig.hinge', severity: 'caution' };
    case 'exhaust':
      if (part === 'heatShield' || (clearMm !== null && clearMm >= CLEAR_OF_EXHAUST_MM)) return null;
      return { rule: 'rig.exhaust', severity: clearMm === null ? 'caution' : 'fault' };
    case 'steering':
      return part === 'guard' ? null : { rule: 'rig.steering', severity: 'fault' };
  }
}

function findBundles({ bundles }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const { routeId, fill, wires } of bundles.values()) {
    if (!fill || fill.share <= fill.most) continue;
    const leastMm = leastConduitMm(wires.map(({ conductor }) => conductor));
    const numbers = { fillPercent: fill.share * 100, mostPercent: fill.most * 100, count: wires.length, leastMm };
    found.push(finding('rig.conduitFull', 'caution', [routeId], numbers));
  }
  return found;
}

function findWays({ index, wires, design }: Analysis): Finding[] {
  const found: Finding[] = [];
  const { layout } = index;
  for (const [wireId, run] of layout.runs) {
    const circuitId = wires.get(wireId)?.circuitId ?? null;
    if (run.routeIds === null) found.push(finding('rig.noWay', 'caution', [wireId, run.fromPlaceId, run.toPlaceId], {}, circuitId));
    if (run.broken) found.push(finding('rig.pathBroken', 'caution', [wireId], {}, circuitId));
    const wire = design.records.get(wireId);
    const wayMm = run.routedMm + run.slackMm;
    const leastMm = leastOver(run.routeIds ?? [], layout.routes);
    if (wire?.type === 'wire' && wire.lengthMeasured && leastMm !== null && wire.lengthMm < leastMm) {
      found.push(finding('rig.hingeTight', 'caution', [wireId], { leastMm, lengthMm: wire.lengthMm }, circuitId));
    }
    if (wire?.type === 'wire' && wire.lengthMeasured && run.routeIds !== null && disagrees(wire.lengthMm, wayMm)) {
      found.push(finding('rig.wireDiffers', 'note', [wireId], { measuredMm: wire.lengthMm, wayMm }, circuitId));
    }
  }
  for (const { route, length } of layout.routes.values()) {
    if (length.measured && length.loopsMm > 0 && length.mm < length.leastMm) {
      found.push(finding('rig.hingeTight', 'caution', [route.id], { leastMm: length.leastMm, lengthMm: length.mm }));
    }
    if (length.measured && length.plannedMm !== null && disagrees(length.mm, length.plannedMm)) {
      found.push(finding('rig.measuredDiffers', 'note', [route.id], { measuredMm: length.mm, plannedMm: length.plannedMm }));
    }
  }
  return found;
}

/** The least cable that a way over a hinge takes with its loops, mm; null where it crosses none. */
function leastOver(routeIds: readonly string[], routes: Analysis['index']['layout']['routes']): number | null {
  const lengths = routeIds.map((id) => routes.get(id)!.length);
  return lengths.some(({ loopsMm }) => loopsMm > 0) ? lengths.reduce((sum, { leastMm }) => sum + leastMm, 0) : null;
}

function findPlaces(analysis: Analysis): Finding[] {
  const { index } = analysis;
  const outline = bodyOutline(index.layout.rig);
  const found: Finding[] = [];
  const zones = new Map(index.zones.map((zone) => [zone.id, zone]));
  const inUse = placesInUse(analysis);
  for (const place of index.places) {
    const sameSpot = index.places.find((other) => other.id < place.id && isSameSpot(other, place));
    if (sameSpot) found.push(finding('rig.samePlace', 'caution', [place.id, sameSpot.id], {}));
    if (!isInside(place, outline) && farOutside(place, analysis)) found.push(finding('rig.outside', 'note', [place.id], {}));
    for (const room of index.keepClear) {
      if (!inUse.has(place.id) || !isInRoom(place, undefined, room)) continue;
      found.push(finding(room.kind === 'sight' ? 'rig.inSight' : 'rig.inTheWay', 'caution', [place.id, room.id], {}));
    }
  }
  for (const device of index.devices.values()) {
    const place = index.layout.places.get(device.placeId ?? '');
    if (!place) continue;
    for (const room of device.sizeMm ? index.keepClear : []) {
      // The place itself is told of already.
      if (isInRoom(place, undefined, room) || !isInRoom(place, device.sizeMm, room)) continue;
      found.push(finding(room.kind === 'sight' ? 'rig.inSight' : 'rig.inTheWay', 'caution', [device.id, room.id], {}));
    }
    if (isTooDeep(device, place)) {
      const numbers = { depthMm: device.depthMm ?? null, freeMm: place.depthMm, bendMm: BEND_ROOM_MM };
      found.push(finding('rig.tooShallow', 'caution', [device.id, place.id], numbers));
    }
    if (typeof device.depthMm === 'number' && device.depthMm > 0 && place.depthMm === null) {
      found.push(finding('rig.behindUnknown', 'note', [device.id, place.id], { depthMm: device.depthMm }));
    }
    const zone = zones.get(place.zoneId ?? '');
    if ((device.weightKg ?? 0) >= HEAVY_KG && zone?.traits?.some((trait) => trait === 'moving' || trait === 'vibration')) {
      found.push(finding('rig.heavy', 'caution', [device.id, place.id], { weightKg: device.weightKg! }));
    }
    if (zone?.traits?.includes('wet') && device.kind !== 'splice' && device.sealed !== true) {
      found.push(finding('rig.wet', 'caution', [device.id, zone.id], {}));
    }
  }
  return found;
}

/** What sits in a panel and is placed somewhere else than the panel. */
function findPanels({ design, index }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const part of recordsOf(design, 'panelPart')) {
    const [panel, device] = [recordOf(design, part.panelId, 'panel'), index.devices.get(part.deviceId)];
    if (!panel?.placeId || panel.use === 'fob' || !device?.placeId || device.placeId === panel.placeId) continue;
    found.push(finding('rig.panelElsewhere', 'caution', [device.id, panel.id, panel.placeId, device.placeId, part.id], {}));
  }
  return found;
}

function placesInUse({ index }: Analysis): Set<string | null> {
  const used = new Set<string | null>();
  for (const id of index.devices.keys()) used.add(placeIdOf(index.devices, id));
  return used;
}

function isSameSpot(a: Place, b: Place): boolean {
  return a.xMm === b.xMm && a.yMm === b.yMm && a.zMm === b.zMm;
}

function farOutside({ xMm, yMm, zMm }: Place, { index }: Analysis): boolean {
  const { lengthMm, widthMm, heightMm } = index.layout.rig;
  const beyond = (value: number, size: number) => value < -STICKS_OUT_MM || value > size + STICKS_OUT_MM;
  return beyond(xMm, lengthMm) || beyond(yMm, widthMm) || beyond(zMm, heightMm);
}

/** The part a passage wants, and whether sealed. */
export function fittingFor(what: Passage['what']): Pick<Passage, 'part' | 'sealed'> {
  switch (what) {
    case 'bulkhead':
    case 'doubleSkin':
      return { part: 'grommet', sealed: false };
    case 'roof':
    case 'water':
      return { part: 'gland', sealed: true };
    case 'hinge':
      return { part: 'boot', sealed: false };
    case 'exhaust':
      return { part: 'heatShield', sealed: false };
    case 'steering':
      return { part: 'guard', sealed: false };
  }
}

/** A route's passages with one of them changed. */
export function withPassage(route: Route, place: number, fields: Partial<Passage>): Passage[] {
  return route.passes.map((passage, at) => (at === place ? { ...passage, ...fields } : passage));
}
