import type { Analysis, CircuitAnalysis } from './types';
import { analyse } from './analyse';
import { applyUnchecked, updateRecords } from '../design/change';
import { CONDUCTOR_STANDARDS, SETTINGS_ID, type ConductorStandard } from '../catalog/vocabulary';
import type { Ampacity } from '../sizing/ampacity';
import type { ConductorChoice } from '../sizing/conductorChoice';

/** What one school says of a circuit as it stands, and what it would fit. */
export interface SchoolView {
  standard: ConductorStandard;
  /** Of its own wires' weakest, as they are laid. */
  ampacity: Ampacity | null;
  dropPercent: number;
  formulaDropV: number | null;
  cableDropV: number;
  choice: ConductorChoice | null;
  findings: CircuitAnalysis['verdict'];
}

/** A circuit by every school, the design's own first. Insulation a school's table lacks takes its next lower column. */
export function otherSchools(analysis: Analysis, circuitId: string): SchoolView[] {
  const own = analysis.index.settings.conductorStandard;
  return [own, ...CONDUCTOR_STANDARDS.filter((standard) => standard !== own)].map((standard) => {
    const change = updateRecords(analysis.design, [{ id: SETTINGS_ID, set: { conductorStandard: standard } }]);
    const seen = standard === own ? analysis : analyse(applyUnchecked(analysis.design, change));
    const circuit = seen.circuits.find(({ id }) => id === circuitId)!;
    return {
      standard,
      ampacity: circuit.ampacity,
      dropPercent: circuit.dropPercent,
      formulaDropV: circuit.formulaDropV,
      cableDropV: circuit.cableDropV,
      choice: circuit.choice,
      findings: circuit.verdict,
    };
  });
}
