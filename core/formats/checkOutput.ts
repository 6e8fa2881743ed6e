import { voltsLeft } from '../analysis/leastVolts';
import type { Analysis } from '../analysis/types';
import { awgOf, metricOf, type ConductorSize } from '../catalog/conductorSizes';
import { nameOf } from '../design/names';
import { wordFinding } from '../wording/wording';
import type { Finding } from '../analysis/finding';
import type { Ampacity } from '../sizing/ampacity';
import { feedShareOf } from '../sizing/dropTargets';

/** The headless check's answer, the same figures the screens show. Rounded to six significant digits. */
export function checkOutput(analysis: Analysis) {
  const { circuits, zones, totals, findings, index, exposures, wires } = analysis;
  const volts = voltsLeft(analysis);
  const left = (loadId: string | null) => (loadId !== null && volts ? volts(analysis.loads.get(loadId)!) : null);
  const zoneName = new Map(zones.map(({ id, name }) => [id, name]));
  const finding = (found: Finding) => ({
    rule: found.rule,
    severity: found.severity,
    subjects: found.subjects,
    message: wordFinding(found, analysis.design, index.settings.units).message,
  });
  return {
    circuits: circuits.map((circuit) => ({
      id: circuit.id,
      name: circuit.name,
      zone: circuit.zoneId === null ? null : (zoneName.get(circuit.zoneId) ?? null),
      continuousA: round(circuit.continuousA),
      peakA: round(circuit.peakA),
      conductor: conductorKeys(circuit.conductor),
      loopM: round(circuit.loopMm / 1000),
      dropV: round(circuit.dropV),
      dropPercent: round(circuit.dropPercent),
      targetPercent: circuit.targetPercent,
      batteryLowV: round(left(circuit.worstLoadId)?.lowV ?? null),
      atIdleV: round(left(circuit.worstLoadId)?.idleV ?? null),
      fuseA: circuit.ratingA,
      governedBy: circuit.choice?.governedBy ?? null,
      ampacity: ampacityKeys(circuit.ampacity),
      protection: protectionKeys(analysis, circuit.protectionId),
      findings: findings.filter(({ circuitId }) => circuitId === circuit.id).map(finding),
    })),
    zones: zones.map((zone) => ({
      name: zone.name,
      worstDropPercent: round(zone.worstDropPercent),
      connectedA: round(zone.connectedA),
      peakA: round(zone.peakA),
      continuousA: round(zone.continuousA),
    })),
    wires: index.wires.map((wire) => {
      const run = index.layout.runs.get(wire.id);
      const exposure = exposures.get(wire.id)!;
      return {
        id: wire.id,
        name: nameOf(analysis.design, wire.id),
        conductor: conductorKeys(wire.conductor),
        lengthM: round(wire.lengthMm / 1000),
        measured: wire.lengthMeasured,
        routes: run?.routeIds ? exposure.routes.map(({ name }) => name) : null,
        exposures: {
          ambientC: exposure.ambientC,
          engineSpace: exposure.engineSpace,
          loadedTogether: wires.get(wire.id)?.ampacity.loaded ?? 1,
          wet: exposure.zones.some(({ traits }) => traits?.includes('wet')),
          passes: exposure.routes.flatMap(({ passes }) => passes.map(({ what }) => what)),
        },
      };
    }),
    protections: Array.from(analysis.protections.values(), ({ id }) => ({
      id,
      name: nameOf(analysis.design, id),
      ...protectionKeys(analysis, id)!,
    })),
    mainFeeds: analysis.mainFeeds.map(({ blockId, dropV, dropPercent }) => ({
      id: blockId,
      name: nameOf(analysis.design, blockId),
      dropV: round(dropV),
      dropPercent: round(dropPercent),
      sharePercent: feedShareOf(index.settings),
    })),
    totals: {
      connectedA: round(totals.connectedA),
      worstSimultaneousA: round(totals.worstSimultaneousA),
      continuousA: round(totals.continuousA),
      dailyWh: round(totals.dailyWh),
      dailyAh: round(totals.dailyAh),
      usableAh: round(totals.usableAh),
      runtimeH: round(totals.runtimeH),
      worstDropPercent: round(totals.worstDropPercent),
    },
    findings: findings.map(finding),
  };
}

/** An ampacity with every step: the table's amperes, each factor, and what is left. */
function ampacityKeys(carried: Ampacity | null) {
  if (!carried) return null;
  const { amps, baseA, columnC, factor, factorFor, bundleFactor, loaded } = carried;
  return {
    amps: round(amps),
    tableA: baseA,
    insulationC: columnC,
    heatFactor: round(factor / bundleFactor),
    heatFor: factorFor,
    bundleFactor,
    loaded,
  };
}

/** A fuse or breaker in its chain; null while nothing feeds it. */
function protectionKeys({ protections, design }: Analysis, id: string) {
  const entry = protections.get(id);
  if (!entry) return null;
  const { fuse, upstreamId, atA, endA, endClears, selectiveToA, heat, start } = entry;
  return {
    family: fuse.family,
    ratingA: fuse.ratingA,
    behind: upstreamId === null ? null : nameOf(design, upstreamId),
    shortAtItA: round(atA),
    breaksA: entry.breaksA,
    shortAtEndA: round(endA),
    // Past what a number can say it never opens.
    clearsEndS: endClears && Number.isFinite(endClears.longestS) ? round(endClears.longestS) : null,
    surelyFirstToA: round(selectiveToA),
    heatShare: heat && round(heat.share),
    startA: start && round(start.amps),
  };
}

export type CheckOutput = ReturnType<typeof checkOutput>;

export function conductorKeys(size: ConductorSize | null): { mm2: number | null; awg: string | null } {
  return { mm2: size && metricOf(size), awg: size && awgOf(size) };
}

export function round(value: number): number;
export function round(value: number | null): number | null;
export function round(value: number | null): number | null {
  return value === null ? null : Number(value.toPrecision(6));
}
