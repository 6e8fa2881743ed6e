import { askingTraits } from '../rig/traitAdvice';
import type { Analysis } from '../analysis/types';
import type { Zone } from '../design/schema';
import { PART_WORDS, PASSING_WORDS } from '../wording/rigWords';
import { adviceWords } from '../wording/traitWords';
import { nameOf } from '../design/names';
import { formatConductor, formatLength, formatPlaceMm, formatSmallLength, formatTemperature, MISSING } from '../units/quantity';
import { left, right, type ReportSection } from './reportSection';

/** The vehicle in the report: every stretch, and a page for each zone with its places and the wires that end or pass there. */
export function rigSections(analysis: Analysis): ReportSection[] {
  if (analysis.index.places.length === 0) return [];
  return [stretches(analysis), ...analysis.index.zones.map((zone) => zonePage(analysis, zone)).filter(({ rows }) => rows.length > 0)];
}

function stretches({ index, bundles }: Analysis): ReportSection {
  const { units } = index.settings;
  const { layout } = index;
  return {
    title: 'Stretches',
    text: 'Lengths are measured where it says so, the plan’s where not; the slack at a wire’s ends comes on top.',
    columns: [...left('Stretch', 'From', 'To', 'Laid'), ...right('Length', 'Conductors', 'Loaded', 'Across'), ...left('Passes')],
    rows: Array.from(layout.routes.values(), ({ route, length }) => {
      const bundle = bundles.get(route.id)!;
      return [
        route.name,
        layout.places.get(route.fromId)!.name,
        layout.places.get(route.toId)!.name,
        route.kind,
        `${formatLength(length.mm, units)}${length.measured ? ', measured' : ''}`,
        String(bundle.wires.length),
        String(bundle.loaded),
        bundle.wires.length === 0 ? MISSING : formatSmallLength(bundle.diameterMm, units),
        route.passes.map(({ what, part, sealed }) => `${PASSING_WORDS[what]}: ${PART_WORDS[part]}${sealed ? ', sealed' : ''}`).join('; '),
      ];
    }),
  };
}

function zonePage({ index, design, wires, exposures }: Analysis, zone: Zone): ReportSection {
  const { units } = index.settings;
  const places = index.places.filter(({ zoneId }) => zoneId === zone.id);
  const here = new Set(places.map(({ id }) => id));
  const placeRows = places.map((place) => [
    place.name,
    Array.from(index.devices.values())
      .filter(({ placeId }) => placeId === place.id)
      .map(({ name }) => name)
      .join(', '),
    `${formatPlaceMm(place.xMm, units)} / ${formatPlaceMm(place.yMm, units)} / ${formatPlaceMm(place.zMm, units)}`,
    place.depthMm === null ? MISSING : formatSmallLength(place.depthMm, units),
  ]);
  const wireRows = index.wires.flatMap((wire) => {
    const run = index.layout.runs.get(wire.id);
    if (!run || (!here.has(run.fromPlaceId) && !here.has(run.toPlaceId))) return [];
    const conductor = formatConductor(wire.conductor);
    const hottest = formatTemperature(exposures.get(wire.id)!.ambientC, units);
    const circuit = wires.get(wire.id)?.circuitId;
    return [
      [
        nameOf(design, wire.id),
        `${conductor}, up to ${hottest}`,
        circuit ? nameOf(design, circuit) : 'shared',
        formatLength(wire.lengthMm, units),
      ],
    ];
  });
  const advice = adviceWords(askingTraits([zone]));
  const does = [zone.engineSpace && 'engine space', ...(zone.traits ?? [])].filter(Boolean).join(', ');
  return {
    title: `Zone: ${zone.name}`,
    text: `Up to ${formatTemperature(zone.ambientC, units)}${does ? `; ${does}` : ''}${zone.purpose ? `. ${zone.purpose}` : ''}${advice ? `. In here: ${advice}` : ''}. Places first, then the wires that end here.`,
    columns: [...left('Place or wire', 'What is there', 'From front / left / floor, or circuit'), ...right('Free behind, or length')],
    rows: [...placeRows, ...wireRows],
    ownPage: true,
  };
}
