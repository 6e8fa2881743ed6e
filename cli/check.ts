import { parseArgs } from 'node:util';
import { analyse } from '../core/analysis/analyse';
import type { Analysis } from '../core/analysis/types';
import { applyChange, updateRecords } from '../core/design/change';
import { settingsOf } from '../core/design/design';
import { SETTINGS_ID } from '../core/catalog/vocabulary';
import { withSlowFindings } from '../core/analysis/rules/slowFindings';
import { nameOf } from '../core/design/names';
import { wordFinding } from '../core/wording/wording';
import { checkOutput } from '../core/formats/checkOutput';
import {
  formatAmpHours,
  formatAmps,
  formatConductor,
  formatHours,
  formatLength,
  formatPercent,
  formatRating,
  formatTemperature,
  formatVolts,
  formatWattHours,
} from '../core/units/quantity';
import { isRouted } from '../core/rig/layout';
import { loadDesign } from './designFile';
import { BadInput, standardOption } from './input';

/** `vine-knot check`: analyses a design file. Status 1 when a finding is a fault. */
export function check(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { json: { type: 'boolean' }, now: { type: 'boolean' }, standard: { type: 'string' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('check takes one file');
  const standard = standardOption(values.standard);
  let design = loadDesign(file, values.now ? 'now' : 'planned');
  if (standard) design = applyChange(design, updateRecords(design, [{ id: SETTINGS_ID, set: { conductorStandard: standard } }]));
  const analysis = withSlowFindings(analyse(design));
  process.stdout.write(values.json ? `${JSON.stringify(checkOutput(analysis), null, 1)}\n` : inWords(analysis));
  return analysis.findings.some(({ severity }) => severity === 'fault') ? 1 : 0;
}

function inWords(analysis: Analysis): string {
  const { units, name } = settingsOf(analysis.design);
  const rows = analysis.circuits.map((circuit) => [
    String(circuit.number).padStart(2, '0'),
    circuit.name,
    formatAmps(circuit.peakA),
    formatRating(circuit.ratingA),
    formatConductor(circuit.conductor),
    formatLength(circuit.loopMm, units),
    formatVolts(circuit.dropV),
    `${formatPercent(circuit.dropPercent)} of ${formatPercent(circuit.targetPercent)}`,
    circuit.verdict,
  ]);
  const { totals } = analysis;
  const facts = [
    `Connected ${formatAmps(totals.connectedA)}, at once ${formatAmps(totals.worstSimultaneousA)}, for hours ${formatAmps(totals.continuousA)}`,
    `A day ${formatWattHours(totals.dailyWh)}, ${formatAmpHours(totals.dailyAh)}; usable ${formatAmpHours(totals.usableAh)}; runtime ${formatHours(totals.runtimeH)}`,
    `Worst drop ${formatPercent(totals.worstDropPercent)}`,
  ];
  const zones = analysis.zones.map((zone) => [zone.name, formatAmps(zone.connectedA), formatPercent(zone.worstDropPercent)]);
  const wires = analysis.index.wires.map((wire) => {
    const { ambientC, routes } = analysis.exposures.get(wire.id)!;
    const routed = isRouted(analysis.index, wire.id);
    const from = wire.lengthMeasured ? 'measured' : routed ? 'by its way' : 'typed';
    const passes = routes.flatMap((route) => route.passes.map(({ what }) => what));
    return [
      nameOf(analysis.design, wire.id),
      formatLength(wire.lengthMm, units),
      from,
      formatTemperature(ambientC, units),
      [...new Set(passes)].join(', '),
    ];
  });
  const findings = analysis.findings.map((finding) => {
    const { title, message } = wordFinding(finding, analysis.design, units);
    return `${finding.severity.toUpperCase().padEnd(8)}${title}. ${message}`;
  });
  const head = ['', 'Circuit', 'At once', 'Fuse', 'Conductor', 'Loop', 'Drop', 'Of target', ''];
  return `${[name, '', table([head, ...rows]), '', table([['Zone', 'Connected', 'Worst drop'], ...zones]), '', table([['Wire', 'Length', 'From', 'Hottest', 'Passes'], ...wires]), '', ...facts, '', ...findings].join('\n')}\n`;
}

function table(rows: string[][]): string {
  const widths = rows[0]!.map((_, column) => Math.max(...rows.map((row) => row[column]!.length)));
  return rows
    .map((row) =>
      row
        .map((cell, column) => cell.padEnd(widths[column]!))
        .join('  ')
        .trimEnd(),
    )
    .join('\n');
}
