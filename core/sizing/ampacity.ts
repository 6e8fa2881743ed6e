import { AMPACITY_TABLES } from '../catalog/ampacity';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import type { ConductorStandard } from '../design/vocabulary';

/** Where a conductor runs and how its insulation is rated. */
export interface ConductorConditions {
  standard: ConductorStandard;
  insulationC: number;
  ambientC: number;
  engineSpace: boolean;
}

/** An ampacity with each step that led to it. */
export interface Ampacity {
  /** Final amperes. Zero where the standard does not allow this conductor here. */
  amps: number;
  /** Amperes in the table, at 30 C in free air. */
  baseA: number;
  /** The table row used; another size where this one is not tabulated. */
  row: ConductorSize | null;
  /** The insulation column used: the highest not above the cable's rating. */
  columnC: number;
  factor: number;
  factorFor: 'none' | 'ambient' | 'engineSpace';
}

/**
 * What a conductor carries under a standard. A size the table lacks takes the row of the largest tabulated size that is
 * no bigger; a hotter insulation than the table knows takes its hottest column. Above 30 C the factor is
 * sqrt((Tinsulation - Tambient) / (Tinsulation - 30)), which follows from heat rising with the square of current; in an
 * engine space it is the smaller of that and the standard's own factor. Below 30 C nothing is added.
 * Sources: the tables in catalog/ampacity.
 */
export function ampacity(size: ConductorSize, { standard, insulationC, ambientC, engineSpace }: ConductorConditions): Ampacity {
  const table = AMPACITY_TABLES[standard];
  let column = -1;
  while (column + 1 < table.insulationC.length && table.insulationC[column + 1]! <= insulationC) column++;
  const columnC = table.insulationC[column] ?? table.insulationC[0]!;
  const area = areaMm2(size) * 1.0005;
  const row = table.rows.findLast(([tabulated]) => tabulated === size || areaMm2(tabulated) <= area);
  const none: Ampacity = { amps: 0, baseA: 0, row: null, columnC, factor: 1, factorFor: 'none' };
  if (!row || column < 0) return none;

  const baseA = row[column + 1] as number;
  const ambient = ambientC > 30 ? Math.sqrt(Math.max(0, columnC - ambientC) / (columnC - 30)) : 1;
  const engine = engineSpace ? table.engineSpace[column]! : 1;
  if (engine === null) return { ...none, baseA, row: row[0], factor: 0, factorFor: 'engineSpace' };
  const factor = Math.min(ambient, engine);
  const factorFor = factor === 1 ? 'none' : engine <= ambient ? 'engineSpace' : 'ambient';
  return { amps: baseA * factor, baseA, row: row[0], columnC, factor, factorFor };
}
