import { lookCode } from '../../catalog/wireColours';
import { CUT_OUTS, EDGE_MM } from '../../catalog/cutOuts';
import { recordsOf } from '../../design/design';
import type { ColourSchool } from '../../catalog/vocabulary';
import type { Device, Panel, PanelPart } from '../../design/schema';
import { misleads } from '../../harness/cables';
import { confusedWith } from '../../harness/colourWires';
import { liveHalves } from '../../harness/liveHalves';
import { cutPanel } from '../../harness/panelFace';
import type { HarnessWire } from '../../harness/harnessWire';
import { harnessOf } from '../../harness/schedule';
import { endFault, usualEnd } from '../../harness/wireEnds';
import { findCables } from './cableRules';
import type { RuleFigures } from '../figures';
import { finding, type Finding, type Severity, type HarnessRule } from '../finding';
import type { Analysis } from '../types';

/**
 * The panels as they are cut, and the wires as they are coloured, numbered and ended. Nothing is asked of wires that nobody has begun to
 * number or colour.
 */
export function findHarness(analysis: Analysis): Finding[] {
  return [...findCuts(analysis), ...findPlugs(analysis), ...findWires(analysis), ...findCables(analysis)];
}

/** Panels in somebody’s line of sight, holes too near the edge or each other, and what reaches further back than there is room. */
function findCuts({ design, index }: Analysis): Finding[] {
  return recordsOf(design, 'panel').flatMap((panel) => {
    if (panel.use !== 'panel' && panel.use !== 'dash') return [];
    const { holes, heightMm, nearEdge, tooClose } = cutPanel(design, panel);
    const partAt = (position: number) => holes.find((hole) => hole.position === position)!.part;
    const freeMm = index.layout.places.get(panel.placeId ?? '')?.depthMm ?? null;
    const isInSight = panel.sightMm !== undefined && heightMm > panel.sightMm;
    return [
      ...glare(
        index,
        panel,
        holes.map(({ part }) => part),
      ),
      ...(isInSight ? [found('harness.inSight', 'caution', [panel.id], null, { heightMm, mostMm: panel.sightMm! })] : []),
      ...nearEdge.map((position) =>
        found('harness.holeAtEdge', 'caution', [panel.id, partAt(position).id], null, { position, leastMm: EDGE_MM }),
      ),
      ...tooClose.map(([one, other]) =>
        found('harness.holesMeet', 'caution', [panel.id, partAt(one).id, partAt(other).id], null, { one, other }),
      ),
      ...holes.flatMap(({ position, part, cutOutId }) => {
        const { depthMm, plugMm } = CUT_OUTS[cutOutId];
        // One whose own depth is known is told of where it is placed.
        const isKnown = typeof index.devices.get(part.deviceId)?.depthMm === 'number';
        if (isKnown || freeMm === null || depthMm + plugMm <= freeMm) return [];
        return [found('harness.cutTooDeep', 'caution', [panel.id, part.id], null, { position, needMm: depthMm + plugMm, freeMm })];
      }),
    ];
  });
}

/** Plugs that stay live on both sides once they are parted. */
function findPlugs({ index }: Analysis): Finding[] {
  return Array.from(index.devices.values()).flatMap((device): Finding[] =>
    device.kind === 'plug' && liveHalves(index, device).length === 2 ? [found('harness.bothLive', 'caution', [device.id], null, {})] : [],
  );
}

/** Kinds whose front shows something by its own light. */
const LIT: ReadonlySet<Device['kind']> = new Set(['load', 'shunt']);

/** Lamps of a panel that shine where somebody sleeps, and what is read in a panel the sun shines on. */
function glare(index: Analysis['index'], { id, placeId }: Panel, parts: readonly PanelPart[]): Finding[] {
  const zoneId = index.layout.places.get(placeId ?? '')?.zoneId;
  const traits = index.zones.find((zone) => zone.id === zoneId)?.traits ?? [];
  const lit = parts.filter(({ deviceId }) => {
    const device = index.devices.get(deviceId);
    return device !== undefined && (LIT.has(device.kind) || (device.kind === 'switch' && device.pilot));
  });
  const count = lit.length;
  return count === 0
    ? []
    : (['sun', 'sleep'] as const)
        .filter((by) => traits.includes(by === 'sun' ? 'sun' : 'sleeping'))
        .map((by) => found('harness.glare', 'note', [id, zoneId!], null, { by, count }));
}

function findWires({ design, index, wiring }: Analysis): Finding[] {
  const wires = recordsOf(design, 'wire');
  const isMarking = wires.some(({ number, colour }) => number !== undefined || colour !== undefined);
  const isEnding = wires.some(({ fromEnd, toEnd }) => fromEnd !== undefined || toEnd !== undefined);
  if (!isMarking && !isEnding) return [];
  const lines = harnessOf(index, wiring).wires;
  if (!isMarking) return chosenEnds(index, lines);
  return [
    ...alike(index, lines),
    ...againstSchool(index.settings.colourSchool ?? 'pole', lines),
    ...twice(lines),
    ...unended(lines),
    ...chosenEnds(index, lines),
    ...open(lines),
  ];
}

const found = <R extends HarnessRule>(rule: R, severity: Severity, subjects: string[], circuitId: string | null, numbers: RuleFigures[R]) =>
  finding(rule, severity, subjects, numbers, circuitId);

/** Two wires that look the same where one could be taken for the other. Each pair once. */
function alike(index: Analysis['index'], lines: readonly HarnessWire[]): Finding[] {
  const beside = confusedWith(index);
  const byId = new Map(lines.map((line) => [line.wire.id, line]));
  return lines.flatMap(({ wire, look, role }) => {
    if (!look || role.duty === 'return') return [];
    const twins = Array.from(beside.get(wire.id)!).filter((id) => {
      const other = byId.get(id);
      const its = other?.look;
      if (!its || other.role.duty === 'return' || id < wire.id) return false;
      return lookCode(its) === lookCode(look) && other.wire.sleeve === wire.sleeve;
    });
    return twins.map((id) => found('harness.alike', 'caution', [wire.id, id], role.circuitId, { look: lookCode(look) }));
  });
}

/**
 * A live wire in a colour that means return in the school chosen, or a return in one that means live. A sleeve over both ends counts before
 * the insulation.
 */
function againstSchool(school: ColourSchool, lines: readonly HarnessWire[]): Finding[] {
  return lines.flatMap((line) => {
    const { wire, look, role } = line;
    const says = misleads(school, line);
    if (says === null) return [];
    return [
      found('harness.returnColour', says === 'live' ? 'caution' : 'fault', [wire.id], role.circuitId, {
        look: wire.sleeve ?? lookCode(look!),
        isReturn: says === 'live',
      }),
    ];
  });
}

function twice(lines: readonly HarnessWire[]): Finding[] {
  const first = new Map<string, HarnessWire>();
  return lines.flatMap((line) => {
    const other = first.get(line.number);
    first.set(line.number, other ?? line);
    return other
      ? [found('harness.numberTwice', 'caution', [line.wire.id, other.wire.id], line.role.circuitId, { number: line.number })]
      : [];
  });
}

/** Conductors no insulated terminal is made for. */
function unended(lines: readonly HarnessWire[]): Finding[] {
  return lines.flatMap(({ wire, from, to, role }) => {
    const isBare = [from, to].some(({ ending }) => ending.fits === 'none' && CRIMPED.has(ending.kind));
    return isBare ? [found('harness.noTerminal', 'caution', [wire.id], role.circuitId, {})] : [];
  });
}

/** Ends chosen by hand that are not held where they land, or are left bare there. */
function chosenEnds({ devices }: Analysis['index'], lines: readonly HarnessWire[]): Finding[] {
  return lines.flatMap(({ wire, from, to, role }) =>
    [from, to].flatMap(({ deviceId, terminal, ending }) => {
      const device = devices.get(deviceId);
      const fault = endFault(device, ending);
      const subjects = [wire.id, deviceId];
      if (fault === 'misfit') {
        const takes = usualEnd(device, { deviceId, terminal });
        return [found('harness.endMisfit', 'caution', subjects, role.circuitId, { end: ending.kind, takes, terminal })];
      }
      const isFuse = fault === 'bareAtFuse';
      return fault === null ? [] : [found('harness.bareEnd', isFuse ? 'fault' : 'caution', subjects, role.circuitId, { terminal, isFuse })];
    }),
  );
}

const CRIMPED: ReadonlySet<string> = new Set(['ring', 'receptacle', 'blade', 'butt', 'tap']);

/** Wires with no number of their own or no colour, told once. A kit’s own wires have whatever colour they come in. */
function open(lines: readonly HarnessWire[]): Finding[] {
  const bare = lines.filter(({ wire, isNumbered, look }) => !isNumbered || (look === null && !wire.kitId));
  const [first] = bare;
  return first ? [found('harness.unfinished', 'note', [first.wire.id], null, { count: bare.length, of: lines.length })] : [];
}
