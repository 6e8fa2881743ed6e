import { parseArgs } from 'node:util';
import { conductorKeys, round } from '../core/formats/checkOutput';
import { answerWire, type WireAnswer } from '../core/sizing/wireQuestion';
import { formatAmps, formatConductor, formatPercent, formatRating, formatVolts } from '../core/units/quantity';
import { BadInput, numberOption, standardOption } from './input';

/** `vine-knot wire`: answers one run. */
export function wire(argv: string[]): number {
  const { values } = parseArgs({
    args: argv,
    options: {
      amps: { type: 'string' },
      'length-m': { type: 'string' },
      'length-ft': { type: 'string' },
      'round-trip': { type: 'boolean' },
      'one-way': { type: 'boolean' },
      volts: { type: 'string' },
      'drop-percent': { type: 'string' },
      standard: { type: 'string' },
      insulation: { type: 'string' },
      awg: { type: 'boolean' },
      mm2: { type: 'boolean' },
      single: { type: 'boolean' },
      formula: { type: 'boolean' },
      json: { type: 'boolean' },
    },
  });
  if (values.awg && values.mm2) throw new BadInput('--awg and --mm2 exclude each other');
  if (values['round-trip'] === values['one-way']) throw new BadInput('say --round-trip or --one-way, so that the length is read right');
  const metres = lengthMetres(values['length-m'], values['length-ft']);
  const standard = standardOption(values.standard) ?? 'us-small-craft';
  const answer = answerWire({
    amps: numberOption('amps', values.amps, 0.001, 1000),
    loopM: values['one-way'] ? metres * 2 : metres,
    volts: numberOption('volts', values.volts, 1, 60, 12),
    dropPercent: numberOption('drop-percent', values['drop-percent'], 0.1, 50, 3),
    standard,
    insulationC: numberOption('insulation', values.insulation, 60, 200, standard === 'road-vehicle' ? 70 : 105),
    family: values.awg ? 'awg' : values.mm2 ? 'mm2' : null,
    cableForm: values.single ? 'single' : 'sheathed',
    basis: values.formula ? 'formula' : 'conservative',
  });
  if (!answer) throw new BadInput('no conductor in the table does all of this: shorten the run, split the load, or allow more drop');
  process.stdout.write(values.json ? `${JSON.stringify(asJson(answer), null, 1)}\n` : inWords(answer));
  return 0;
}

function lengthMetres(metres: string | undefined, feet: string | undefined): number {
  if ((metres === undefined) === (feet === undefined)) throw new BadInput('give one of --length-m and --length-ft');
  return metres !== undefined ? numberOption('length-m', metres, 0, 200) : numberOption('length-ft', feet, 0, 650) * 0.3048;
}

function asJson(answer: WireAnswer) {
  return {
    conductor: conductorKeys(answer.conductor),
    ampacityA: round(answer.ampacityA),
    dropV: round(answer.dropV),
    dropPercent: round(answer.dropPercent),
    fuseA: answer.fuseA,
    governedBy: answer.governedBy,
    formulaDropV: round(answer.formulaDropV),
    cableDropV: round(answer.cableDropV),
  };
}

function inWords(answer: WireAnswer): string {
  return [
    `${formatConductor(answer.conductor)}, carries ${formatAmps(answer.ampacityA)}, fuse ${formatRating(answer.fuseA)}`,
    `drops ${formatVolts(answer.dropV)} (${formatPercent(answer.dropPercent)}); by formula ${formatVolts(answer.formulaDropV)}, real cable at 20 °C ${formatVolts(answer.cableDropV)}`,
    `governed by ${answer.governedBy}`,
    '',
  ].join('\n');
}
