import { solveDesign } from '../analysis/solved';
import { worstDrop } from '../analysis/wiredDrops';
import type { WholeAnalysis } from '../analysis/rules/slowFindings';
import type { Analysis, WireAnalysis } from '../analysis/types';
import type { DesignView } from '../design/asBuilt';
import type { Design } from '../design/design';
import type { UnitSystem } from '../catalog/vocabulary';
import { guardedBy } from './guardedBy';
import { jointsOf } from '../analysis/joints';
import { voltsLeft } from '../analysis/leastVolts';
import { protectionTree } from '../analysis/protectionChain';
import { studName, studsOf } from '../analysis/studs';
import { zoneDrops } from '../analysis/zoneDrops';
import { studWords } from '../catalog/terminals';
import type { FeedCable } from '../devices/feedCable';
import { feedShareOf } from '../sizing/dropTargets';
import { CHEMISTRY_FACTS } from '../catalog/chemistries';
import { familyWords, TAP_WORDS } from '../catalog/fuses';
import { AMPACITY_TABLES } from '../catalog/ampacity';
import { SOURCES } from '../catalog/sources';
import { nameOf } from '../design/names';
import { dayWords, runtimeWords } from '../wording/energyWords';
import { wordFinding } from '../wording/wording';
import { adviceWords } from '../wording/traitWords';
import {
  formatAmpHours,
  formatAmps,
  formatConductor,
  formatLength,
  formatNumber,
  formatPercent,
  formatRating,
  formatTemperature,
  formatVolts,
  formatWattHours,
  formatWatts,
  MISSING,
} from '../units/quantity';
import { CAUTIONS } from './cautions';
import { rigSections } from './reportRig';
import { left, right, type Report, type ReportSection } from './reportSection';
import { choicesMade } from './reportChoices';
import { harnessSections } from './reportHarness';
import { readingsTaken } from './reportReadings';
import { wishes } from './reportWishes';
import { howFar } from './reportWork';

/** As the screens have it: solved as wired with everything on, and of the cables alone. */
function worstDropText(analysis: Analysis): string {
  const solved = solveDesign(analysis, { kind: 'allOn' });
  const worst = worstDrop(analysis, 'live' in solved ? solved.drops : null);
  if (!worst) return MISSING;
  return `${formatPercent(worst.percent)}${worst.wiredPercent === null ? '' : `, cables ${formatPercent(worst.cablePercent)}`}`;
}

/** @param whole the design with all that is planned, fitted, there for now or taken out, where that is more than the view analysed */
export function makeReport(analysis: WholeAnalysis, view: DesignView = 'planned', whole: Design = analysis.design): Report {
  const { totals, index, bank } = analysis;
  const { settings } = index;
  return {
    title: settings.name,
    subject: `${settings.nominalV}-volt house system, ${view === 'now' ? 'as it is now' : 'as designed'}`,
    facts: [
      { name: 'Connected', value: formatAmps(totals.connectedA) },
      { name: 'Most at once', value: formatAmps(totals.worstSimultaneousA) },
      { name: 'For hours', value: formatAmps(totals.continuousA) },
      {
        name: 'A day',
        value: `${dayWords(totals.dailyWh, totals.withoutHours)}, ${formatAmpHours(totals.dailyAh)}`,
      },
      { name: 'Usable', value: bank ? `${formatAmpHours(bank.usableAh)} of ${formatAmpHours(bank.capacityAh)}` : MISSING },
      { name: 'Runtime', value: runtimeWords(totals.runtimeH, totals.withoutHours) },
      { name: 'Worst drop', value: worstDropText(analysis) },
    ],
    sections: [
      findings(analysis),
      circuits(analysis),
      fuseMap(analysis),
      protection(analysis),
      cables(analysis),
      joints(analysis),
      studs(analysis),
      loads(analysis),
      zones(analysis),
      wishes(analysis),
      energy(analysis),
      charging(analysis),
      ...rigSections(analysis),
      ...harnessSections(analysis),
      readingsTaken(analysis),
      howFar(whole),
      ...choicesMade(analysis),
    ].filter((section) => section.rows.length > 0),
    cautions: CAUTIONS,
    sources: [
      AMPACITY_TABLES[settings.conductorStandard].source,
      settings.conductorStandard === 'road-vehicle' ? SOURCES.roadCable : SOURCES.class5,
      SOURCES.copper,
      SOURCES.bladeFuses,
      SOURCES.coordination,
      SOURCES.batteries,
      SOURCES.fromMemory,
    ],
  };
}

function findings({ findings: found, design, index }: Analysis): ReportSection {
  return {
    title: 'What is open',
    columns: left('', 'What', 'Why it matters'),
    rows: found.map((finding) => {
      const { title, message, why } = wordFinding(finding, design, index.settings.units);
      return [finding.severity, `${title}. ${message}`, why];
    }),
  };
}

function circuits({ circuits: list, design, index }: Analysis): ReportSection {
  const { units } = index.settings;
  return {
    title: 'Circuits',
    text: 'Drop to the farthest load with everything on the circuit running; loop is the conductor out and back it is counted over.',
    columns: [...left('No', 'Circuit', 'Zone'), ...right('At once', 'For hours', 'Fuse', 'Conductor', 'Carries', 'Loop', 'Drop', 'Target')],
    rows: list.map((circuit) => [
      String(circuit.number).padStart(2, '0'),
      circuit.name,
      nameOf(design, circuit.zoneId ?? undefined),
      formatAmps(circuit.peakA),
      formatAmps(circuit.continuousA),
      formatRating(circuit.ratingA),
      formatConductor(circuit.conductor),
      formatAmps(circuit.ampacity?.amps ?? null),
      formatLength(circuit.loopMm, units),
      `${formatVolts(circuit.dropV)}, ${formatPercent(circuit.dropPercent)}`,
      formatPercent(circuit.targetPercent),
    ]),
  };
}

function fuseMap({ blocks, design }: Analysis): ReportSection {
  return {
    title: 'Fuse map',
    columns: [...left('Block', 'Slot', 'Circuit'), ...right('Fuse', 'At once')],
    rows: blocks.flatMap((block) =>
      block.slots.flatMap(({ slot, circuitId, protectionId, ratingA, peakA, tap }) => {
        const row = (where: string, id: string | null, amps: number | null, peak: number) => [
          nameOf(design, block.id),
          where,
          id === null ? 'spare' : nameOf(design, id),
          formatRating(amps),
          id === null ? MISSING : formatAmps(peak),
        ];
        const own = row(String(slot), circuitId ?? protectionId, ratingA, peakA);
        if (!tap) return [own];
        return [own, row(`${slot}, ${TAP_WORDS[tap.leg]}`, tap.circuitId ?? tap.protectionId, tap.ratingA, tap.peakA)];
      }),
    ),
  };
}

function protection(analysis: Analysis): ReportSection {
  return {
    title: 'Fuses in their chain',
    text: 'The greatest short-circuit current right at each, with a new, full battery and cold wires, which it must break; and the least at the far end of what it guards, with a worn battery and warm wires, which it must end. By the gates of its family it ends the latter within the time given; up to the current given it opens before the one ahead.',
    columns: [
      ...left('Fuse or breaker', 'Behind'),
      ...right('Rating', 'Greatest short at it', 'Breaks', 'Least short at the end', 'Within', 'Selective to'),
    ],
    rows: protectionTree(analysis).map(({ entry, depth }) => [
      `${'\u00a0\u00a0\u00a0'.repeat(depth)}${nameOf(analysis.design, entry.circuitId ?? entry.id)}`,
      entry.upstreamId === null ? 'the battery' : nameOf(analysis.design, entry.upstreamId),
      formatRating(entry.fuse.ratingA),
      formatAmps(entry.atA),
      formatAmps(entry.breaksA),
      formatAmps(entry.endA),
      entry.endClears && Number.isFinite(entry.endClears.longestS) ? `${formatNumber(entry.endClears.longestS, 2)} s` : MISSING,
      entry.selectiveToA === null ? MISSING : entry.selectiveToA >= entry.atA ? 'always' : formatAmps(entry.selectiveToA),
    ]),
  };
}

function cables(analysis: Analysis): ReportSection {
  const { wires, design, index } = analysis;
  const { units } = index.settings;
  const shared = Array.from(wires.values()).filter(({ circuitId }) => circuitId === null);
  return {
    title: 'Battery, main protection and cables',
    text: [batteryWords(index), ...feedWords(analysis)].join('. '),
    columns: [...left('Cable', 'Side'), ...right('Length', 'Conductor', 'At once', 'Carries'), ...left('Guarded by'), ...right('Drop')],
    rows: shared.map((entry) => cableRow(entry, design, units)),
  };
}

function cableRow(entry: WireAnalysis, design: Design, units: UnitSystem): string[] {
  const { wire, side, amps, ampacity, dropV } = entry;
  return [
    nameOf(design, wire.id),
    side,
    `${formatLength(wire.lengthMm, units)}${wire.lengthMeasured ? ', measured' : ''}`,
    formatConductor(wire.conductor),
    formatAmps(amps),
    formatAmps(ampacity.amps),
    guardedBy(entry, design),
    formatVolts(dropV),
  ];
}

function feedWords({ mainFeeds, design, index }: Analysis): string[] {
  const share = formatPercent(feedShareOf(index.settings));
  return mainFeeds.map(
    ({ blockId, dropV, dropPercent }) =>
      `Before ${nameOf(design, blockId)} ${formatVolts(dropV)} (${formatPercent(dropPercent)}) is lost, all on; its share is ${share}`,
  );
}

function batteryWords({ battery, devices }: Analysis['index']): string {
  const mains = Array.from(devices.values()).flatMap((device) =>
    device.kind === 'protection' && !device.mount ? [`${device.name}: ${familyWords(device.family)}, ${formatRating(device.ratingA)}`] : [],
  );
  const words = battery
    ? [
        `${battery.name}: ${battery.count} × ${formatAmpHours(battery.capacityAh)}, ${CHEMISTRY_FACTS[battery.chemistry].label.toLowerCase()}`,
      ]
    : [];
  return [...words, ...mains].join('. ');
}

function joints(analysis: Analysis): ReportSection {
  return {
    title: 'Ends and joints',
    text: 'Insulated terminals by colour; larger conductors take lugs with a die of their own. Joints in rows: one fewer than the pieces, on each pole.',
    columns: [
      ...left('Circuit'),
      ...right('Ends'),
      ...left('Conductor', 'Terminal'),
      ...right('Stands a pull of', 'Joints in rows'),
      ...left('Where it passes'),
    ],
    rows: analysis.circuits.flatMap((circuit) => {
      const { ends, rowJoints, asking } = jointsOf(analysis, circuit);
      return ends.map(({ conductor, count, terminal, pullN }, at) => [
        at === 0 ? nameOf(analysis.design, circuit.id) : '',
        String(count),
        formatConductor(conductor),
        terminal === 'none' ? 'none fits' : terminal,
        pullN === null ? MISSING : `${formatNumber(pullN, 0)} N`,
        at === 0 ? String(rowJoints) : '',
        at === 0 ? adviceWords(asking) : '',
      ]);
    }),
  };
}

function studs(analysis: Analysis): ReportSection {
  return {
    title: 'Studs and rings',
    text: 'What is bolted where, and the smallest stud that rings of the thickest cable there are made for. At most four rings to a bolt.',
    columns: left('Stud of', 'Its size', 'Rings', 'Least stud for them'),
    rows: studsOf(analysis).map(({ deviceId, terminal, stud, rings, least }) => [
      studName(nameOf(analysis.design, deviceId), terminal),
      stud ? studWords(stud) : MISSING,
      rings.map(({ conductor, count }) => `${count} × ${formatConductor(conductor)}`).join(', '),
      studWords(least),
    ]),
  };
}

function loads(analysis: Analysis): ReportSection {
  const { loads: list, design } = analysis;
  const volts = voltsLeft(analysis);
  return {
    title: 'Loads',
    text: 'A measured draw replaces the rated one. Volts: what is left at the load with everything on its way running, the battery rested at its usable depth, and with the engine idling.',
    columns: [
      ...left('Load', 'Zone', 'Circuit'),
      ...right('Pieces', 'Rated', 'Measured', 'Draw', 'Hours a day', 'A day', 'Battery low', 'At idle'),
    ],
    rows: Array.from(list.values(), (entry) => {
      const { load, draw, circuitId, dailyHours, dailyWh } = entry;
      const got = circuitId === null ? null : (volts?.(entry) ?? null);
      return [
        load.name,
        nameOf(design, load.zoneId ?? undefined),
        nameOf(design, circuitId ?? undefined),
        String(load.quantity),
        formatWatts(draw.ratedWatts),
        draw.basis === 'measured' ? formatWatts(draw.watts) : MISSING,
        formatAmps(draw.amps),
        formatNumber(dailyHours, 1),
        formatWattHours(dailyWh),
        formatVolts(got?.lowV ?? null),
        formatVolts(got?.idleV ?? null),
      ];
    }),
  };
}

function zones(analysis: Analysis): ReportSection {
  const { zones: list, index } = analysis;
  const { units } = index.settings;
  const drops = new Map(zoneDrops(analysis).map((drop) => [drop.id, drop]));
  const air = new Map(
    index.zones.map((zone) => [zone.id, `${formatTemperature(zone.ambientC, units)}${zone.engineSpace ? ', engine space' : ''}`]),
  );
  return {
    title: 'Zones',
    columns: [
      ...left('Zone', 'Hottest air'),
      ...right('Loads', 'Connected', 'At once', 'Worst drop', 'Mean drop', 'Lamps differ by', 'A day'),
    ],
    rows: list.map((zone) => [
      zone.name,
      air.get(zone.id)!,
      String(zone.loadCount),
      formatAmps(zone.connectedA),
      formatAmps(zone.peakA),
      formatPercent(zone.worstDropPercent),
      formatPercent(drops.get(zone.id)?.meanPercent ?? null),
      formatVolts(drops.get(zone.id)?.lampSpreadV ?? null),
      formatWattHours(zone.dailyWh),
    ]),
  };
}

function energy({ scenarios, totals: { withoutHours } }: Analysis): ReportSection {
  return {
    title: 'Energy and runtime without charging',
    drawsDays: true,
    text: 'Runtime from full at 18:00 until the first load is cut. What is off and stands by is counted in the day.',
    columns: [...left('Scenario'), ...right('A day', 'A day', 'Standby', 'Most at once', 'Runtime')],
    rows: scenarios.map(({ name, dailyWh, dailyAh, standbyWh, peakA, runtimeH }) => [
      name,
      dayWords(dailyWh, withoutHours),
      formatAmpHours(dailyAh),
      formatWattHours(standbyWh),
      formatAmps(peakA),
      runtimeWords(runtimeH, withoutHours),
    ]),
  };
}

/** What charges, with the figures that its parts are chosen by. */
function charging({ index, design }: Analysis): ReportSection {
  const rows: string[][] = [];
  const toBattery = (cable: FeedCable | undefined) => {
    if (!cable) return '; its cable to the battery is not described';
    const { conductor, lengthMm, batteryFuseA, sourceFuseA } = cable;
    const fuses = `fuse at the battery ${formatRating(batteryFuseA)}, at its own end ${formatRating(sourceFuseA)}`;
    return `; to the battery ${formatConductor(conductor)}, ${formatLength(lengthMm, index.settings.units)}, ${fuses}`;
  };
  for (const device of index.devices.values()) {
    switch (device.kind) {
      case 'solarPanel': {
        const way = device.regulated
          ? 'a controller of its own'
          : device.controllerId
            ? nameOf(design, device.controllerId)
            : 'nothing yet';
        const each = `${device.count} × ${formatWatts(device.watts)}, ${formatVolts(device.openV)} open, ${formatAmps(device.shortA)} short-circuit`;
        rows.push([device.name, each, `through ${way}`]);
        break;
      }
      case 'solarController':
        rows.push([
          device.name,
          `${device.method}, ${formatRating(device.maxA)}`,
          `panels to ${formatVolts(device.maxPanelV)}${toBattery(device.cable)}`,
        ]);
        break;
      case 'alternator':
        rows.push([
          device.name,
          `${formatRating(device.ratedA)}, ${formatVolts(device.outputV)}`,
          `vehicle takes ${formatAmps(device.vehicleA)}`,
        ]);
        break;
      case 'dcDcCharger': {
        const cable = `${formatConductor(device.inputConductor)}, ${formatLength(device.inputLengthMm, index.settings.units)}, fuse ${formatRating(device.inputFuseA)}`;
        rows.push([
          device.name,
          `${formatRating(device.maxA)} at ${formatVolts(device.outputV)}`,
          `input ${cable}${toBattery(device.cable)}`,
        ]);
        break;
      }
      case 'splitRelay':
        rows.push([device.name, formatRating(device.ratingA), `between starter and house battery${toBattery(device.cable)}`]);
        break;
      case 'charger':
        rows.push([device.name, `${formatRating(device.maxA)} at ${formatVolts(device.outputV)}`, `on hookup${toBattery(device.cable)}`]);
        break;
    }
  }
  return { title: 'Charging', columns: left('Source', 'What', 'How'), rows };
}
