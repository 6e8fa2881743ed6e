import { ANY_RATING_A } from '../catalog/fuses';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { ConductorStandard } from '../catalog/vocabulary';
import { candidateSizes, chooseConductor, type Governor } from './conductorChoice';
import { formulaOhmPerM } from './voltageDrop';
import { cableOhmPerM } from '../catalog/cable';

/** One run, asked on its own. */
export interface WireQuestion {
  amps: number;
  /** Length of conductor out and back, metres. */
  loopM: number;
  volts: number;
  dropPercent: number;
  standard: ConductorStandard;
  insulationC: number;
  family: 'awg' | 'mm2' | null;
  cableForm: 'sheathed' | 'single';
  basis: 'conservative' | 'formula';
}

export interface WireAnswer {
  conductor: ConductorSize;
  ampacityA: number;
  dropV: number;
  dropPercent: number;
  fuseA: number;
  governedBy: Governor;
  formulaDropV: number | null;
  cableDropV: number;
}

/**
 * The smallest conductor and fuse for a current that may flow for hours, at 30 C outside an engine space; null when no tabulated size does.
 */
export function answerWire(question: WireQuestion): WireAnswer | null {
  const { amps, loopM, volts, standard, insulationC } = question;
  const ampereMetres = amps * loopM;
  const choice = chooseConductor({
    continuousA: amps,
    peakA: amps,
    ampereMetres,
    allowedDropV: (question.dropPercent / 100) * volts,
    conditions: { standard, insulationC, ambientC: 30, engineSpace: false },
    drop: { standard, basis: question.basis, conductorC: 20 },
    cableForm: question.cableForm,
    ratings: ANY_RATING_A,
    sizes: candidateSizes(standard, question.family),
  });
  if (!choice) return null;
  const formula = formulaOhmPerM(choice.conductor, standard);
  return {
    ...choice,
    dropPercent: (choice.dropV / volts) * 100,
    formulaDropV: formula === null ? null : formula * ampereMetres,
    cableDropV: cableOhmPerM(choice.conductor, standard, 20) * ampereMetres,
  };
}
