import { lookCode } from '../../catalog/wireColours';
import { areaMm2 } from '../../catalog/conductorSizes';
import { recordsOf } from '../../design/design';
import { kindOf } from '../../devices';
import { isTooThin, type CableRun } from '../../harness/cables';
import { leadsOf, poleOfLead, type LeadUse } from '../../harness/leads';
import { harnessOf } from '../../harness/schedule';
import { Reach } from '../../network/reach';
import type { DesignIndex } from '../../rig/designIndex';
import type { RuleFigures } from '../figures';
import { finding, type Finding, type Severity, type HarnessRule } from '../finding';
import type { Analysis } from '../types';

/** Cables with their cores, the leads that parts come with, and legends against what they work. */
export function findCables(analysis: Analysis): Finding[] {
  const { design, index, wiring } = analysis;
  const leads = recordsOf(design, 'lead');
  const legends = findLegends(analysis);
  if (index.cables.size === 0 && leads.length === 0) return legends;
  const harness = harnessOf(index, wiring);
  const uses = Array.from(leadsOf(leads, index, harness).values());
  return [
    ...harness.cables.flatMap((run) => inCable(index, run)),
    ...uses.flatMap(ofDevice),
    ...differing(uses.flat()),
    ...unproved(uses.flat()),
    ...openLeads(index, uses),
    ...legends,
  ];
}

const found = <R extends HarnessRule>(rule: R, severity: Severity, subjects: string[], circuitId: string | null, numbers: RuleFigures[R]) =>
  finding(rule, severity, subjects, numbers, circuitId);

/** Cores thinner than what they carry was sized, of another size, or ending elsewhere than the rest of their cable. */
function inCable(index: DesignIndex, { cable, cores }: CableRun): Finding[] {
  const used = cores.filter(({ line }) => line !== null);
  const sizes = used.flatMap((use): Finding[] => {
    const { wire, role } = use.line!;
    if (areaMm2(use.core.conductor) === areaMm2(wire.conductor)) return [];
    const numbers = { core: use.core.conductor, planned: wire.conductor, at: use.at };
    return [found(isTooThin(use) ? 'harness.coreThin' : 'harness.coreOther', isTooThin(use) ? 'fault' : 'note', [wire.id, cable.id], role.circuitId, numbers)]; // prettier-ignore
  });
  const first = used[0];
  const usual = first && endsOf(index, first.line!);
  const astray = used.flatMap((use): Finding[] => {
    const ends = endsOf(index, use.line!);
    if (usual === undefined || usual === null || ends === null || ends === usual) return [];
    return [found('harness.coreAstray', 'caution', [use.line!.wire.id, cable.id, first!.line!.wire.id], use.line!.role.circuitId, { at: use.at })]; // prettier-ignore
  });
  return [...sizes, ...astray];
}

/** The two places a wire leads between, in either order; null where one of its ends has none. */
function endsOf({ devices }: DesignIndex, { from, to }: NonNullable<CableRun['cores'][number]['line']>): string | null {
  const places = [from, to].map(({ deviceId }) => {
    const device = devices.get(deviceId);
    const body = device?.kind === 'protection' && device.mount ? devices.get(device.mount.blockId) : device;
    return body?.placeId ?? null;
  });
  return places.includes(null) ? null : [...places].sort().join('/');
}

/** One device's leads: said to be two things, in a colour that is the other pole, or two alike that are not the same. */
function ofDevice(uses: readonly LeadUse[]): Finding[] {
  const alike = uses.flatMap((one, at) =>
    uses.slice(at + 1).flatMap((other): Finding[] => {
      const isSame = lookCode(one.lead) === lookCode(other.lead) && one.lead.sleeve === other.lead.sleeve;
      if (!isSame || one.terminal === other.terminal) return [];
      return [found('harness.leadsAlike', 'caution', [one.lead.deviceId, one.lead.id, other.lead.id], null, { look: lookCode(one.lead) })];
    }),
  );
  return [
    ...alike,
    ...uses.flatMap(({ lead, standing, misleads }): Finding[] => {
      const numbers = { look: lead.sleeve ?? lookCode(lead) };
      if (standing === 'disputed') return [found('harness.leadDisputed', 'caution', [lead.deviceId, lead.id], null, {})];
      return misleads ? [found('harness.leadColour', 'caution', [lead.deviceId, lead.id], null, { ...numbers, isReturn: misleads === 'live' })] : []; // prettier-ignore
    }),
  ];
}

/**
 * One colour that is live on one part and comes home on another, once a colour: joined to its like it would be a short. A sleeve over
 * either settles it.
 */
function differing(uses: readonly LeadUse[]): Finding[] {
  const byLook = new Map<string, { live: LeadUse | undefined; home: LeadUse | undefined }>();
  for (const use of uses) {
    const pole = poleOfLead(use);
    if (pole === null) continue;
    const look = use.lead.sleeve ?? lookCode(use.lead);
    const seen = byLook.get(look) ?? { live: undefined, home: undefined };
    byLook.set(look, { ...seen, [pole]: seen[pole] ?? use });
  }
  return Array.from(byLook).flatMap(([look, { live, home }]): Finding[] => {
    // On one part the two are simply alike.
    if (!live || !home || live.lead.deviceId === home.lead.deviceId) return [];
    return [found('harness.leadsDiffer', 'caution', [live.lead.deviceId, home.lead.deviceId, live.lead.id, home.lead.id], null, { look })];
  });
}

/** Leads that wires meet, or nobody knows, and that nobody has metered: told once. */
function unproved(uses: readonly LeadUse[]): Finding[] {
  const open = uses.filter(({ standing, meets }) => standing === 'unknown' || (standing === 'said' && meets.length > 0));
  const [first] = open;
  return first ? [found('harness.leadUnproved', 'note', [first.lead.deviceId, first.lead.id], null, { count: open.length, of: uses.length })] : []; // prettier-ignore
}

/**
 * Leads of parts in use that meet nothing and are not capped: those that are live while their part works, and those nobody knows to be
 * dead.
 */
function openLeads({ devices, wires }: DesignIndex, parts: readonly LeadUse[][]): Finding[] {
  return parts.flatMap((uses): Finding[] => {
    const device = devices.get(uses[0]!.lead.deviceId)!;
    const landed = new Set(wires.flatMap(({ from, to }) => [from, to]).filter((end) => end.deviceId === device.id).map(({ terminal }) => terminal)); // prettier-ignore
    if (landed.size === 0) return [];
    const paths = kindOf(device).paths(device);
    return uses.flatMap((use): Finding[] => {
      const { lead, terminal, meets, standing } = use;
      if (lead.capped || meets.length > 0 || poleOfLead(use) === 'home') return [];
      const isFed = paths.some(({ from, to }) => (from === terminal && landed.has(to)) || (to === terminal && landed.has(from)));
      const isKnown = typeof terminal === 'string' && (isFed || poleOfLead(use) === 'live');
      // What a meter found dead is dead.
      if (!isKnown && (terminal === null || typeof terminal === 'string') && standing === 'proved') return [];
      return [found('harness.leadOpen', isKnown ? 'caution' : 'note', [device.id, lead.id], null, { look: lookCode(lead), isKnown })];
    });
  });
}

/** Positions of panels whose legend is the name of a load they have nothing to do with. */
function findLegends({ design, index, wiring }: Analysis): Finding[] {
  const named = new Map(index.loads.map((load) => [plain(load.name), load]));
  return recordsOf(design, 'panelPart').flatMap(({ id, deviceId, legend }) => {
    const load = legend === undefined ? undefined : named.get(plain(legend));
    if (!load || load.id === deviceId) return [];
    const { handles } = new Reach(index, wiring).influenceOn([load.id]);
    // What nothing works at all, as a load without a switch yet, says nothing about a legend.
    if (handles.length === 0 || handles.some((handle) => handle.deviceId === deviceId)) return [];
    return [found('harness.legend', 'caution', [id, load.id, deviceId], null, {})];
  });
}

const plain = (text: string) => text.trim().toLowerCase().replace(/\s+/g, ' ');
