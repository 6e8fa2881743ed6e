import Papa from 'papaparse';
import { lookCode } from '../catalog/wireColours';
import type { Analysis } from '../analysis/types';
import { nameOf } from '../design/names';
import type { HarnessEnd } from '../harness/harnessWire';
import { harnessOf } from '../harness/schedule';
import { boughtIn, partsList } from '../harness/partsList';
import { cutLots } from '../harness/schedule';
import type { UnitSystem } from '../catalog/vocabulary';
import { partNeeds, perLength, type PartNeed, type StockField } from '../harness/stock';
import { recordsOf } from '../design/design';
import { formatConductor } from '../units/quantity';
import { DUTY_WORDS, endWords, PART_GROUP_WORDS, partWords } from '../wording/harnessWords';
import { terminalName } from '../wording/terminalNames';
import { safeCell } from './safeCell';

const text = (rows: object[]) => `${Papa.unparse(rows, { newline: '\r\n' })}\r\n`;

/** The wire schedule, a line a wire; lengths in mm, as they are cut. */
export function writeWiresCsv({ index, wiring, design }: Analysis): string {
  const end = ({ deviceId, terminal }: HarnessEnd) => {
    const device = index.devices.get(deviceId);
    return [safeCell(nameOf(design, deviceId)), safeCell(device ? terminalName(device, terminal) : terminal)] as const;
  };
  return text(
    harnessOf(index, wiring).wires.map(({ wire, number, isNumbered, look, role, from, to, lengthMm, routeIds }) => ({
      number: safeCell(number),
      fixed: isNumbered ? 'yes' : 'no',
      colour: look ? lookCode(look) : '',
      cable: safeCell(nameOf(design, wire.core?.cableId)),
      core: wire.core?.at ?? '',
      sleeve: wire.sleeve ?? '',
      size: formatConductor(wire.conductor),
      from: end(from)[0],
      'from terminal': end(from)[1],
      'from end': endWords(from.ending),
      to: end(to)[0],
      'to terminal': end(to)[1],
      'to end': endWords(to.ending),
      'length mm': lengthMm,
      measured: wire.lengthMeasured ? 'yes' : 'no',
      duty: DUTY_WORDS[role.duty],
      circuit: safeCell(nameOf(design, role.circuitId ?? undefined)),
      made: wire.made?.join(' ') ?? '',
      way: safeCell(routeIds.map((id) => nameOf(design, id)).join(' > ')),
    })),
  );
}

/** The parts list, a line a thing. */
export function writePartsCsv({ index, wiring, design }: Analysis): string {
  const harness = harnessOf(index, wiring);
  const needs = partNeeds(
    partsList(index, harness, cutLots(harness, recordsOf(design, 'reel')), boughtIn(design)),
    recordsOf(design, 'stock'),
  );
  return text(
    needs.map((need) => {
      const { id, line, byLength, getCount, cost } = need;
      const said = (field: StockField) => stockText(need, field, index.settings.units);
      const { what, count, spare } = partWords(line, index.settings.units);
      return {
        group: PART_GROUP_WORDS[line.group],
        what: safeCell(what),
        count,
        spare,
        for: 'names' in line ? safeCell(line.names.join('; ')) : '',
        part: safeCell(id),
        have: said('have'),
        ordered: said('ordered'),
        price: said('price'),
        pack: said('pack'),
        supplier: safeCell(said('supplier')),
        'to get': byLength ? `${getCount} mm` : getCount,
        cost: cost ?? '',
      };
    }),
  );
}

/** What is set of a line of the parts list, as a cell of a file: lengths in mm with their unit, prices as they are typed. */
export function stockText({ stock, byLength }: PartNeed, field: StockField, units: UnitSystem): string {
  const value = stock?.[field];
  if (value === undefined) return '';
  if (typeof value === 'string') return value;
  if (!byLength) return String(value);
  return field === 'price' ? String(value * perLength(units)) : `${value} mm`;
}
