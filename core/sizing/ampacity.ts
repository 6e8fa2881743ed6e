import { AMPACITY_TABLES, BUNDLE_FACTORS } from '../catalog/ampacity';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import type { ConductorStandard } from '../catalog/vocabulary';

/** Where a conductor runs and how its insulation is rated. */
export interface ConductorConditions {
  standard: ConductorStandard;
  insulationC: number;
  ambientC: number;
  engineSpace: boolean;
  /** Loaded conductors laid together with it, itself among them; absent: alone. */
  loaded?: number;
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
  /** Everything the table's amperes are multiplied by. */
  factor: number;
  /** What the part of it for heat is for. */
  factorFor: 'none' | 'ambient' | 'engineSpace';
  /** The part of it for the bundle, and how many loaded conductors lie in that. */
  bundleFactor: number;
  loaded: number;
}

/**
 * What a conductor carries under a standard. A size the table lacks takes the row of the largest tabulated size that is
 * no bigger; a hotter insulation than the table knows takes its hottest column. Above 30 C the factor is
 * sqrt((Tinsulation - Tambient) / (Tinsulation - 30)), which follows from heat rising with the square of current; in an
 * engine space it is the smaller of that and the standard's own factor. Below 30 C nothing is added. Loaded conductors laid
 * together take the standard's factor for their number on top.
 * Sources: the tables in catalog/ampacity.
 */
export function ampacity(size: ConductorSize, { standard, insulationC, ambientC, engineSpace, loaded = 1 }: ConductorConditions): Ampacity {
  const table = AMPACITY_TABLES[standard];
  let column = -1;
  while (column + 1 < table.insulationC.length && table.insulationC[column + 1]! <= insulationC) column++;
  const columnC = table.insulationC[column] ?? table.insulationC[0]!;
  const row = rowOf(standard, size);
  const none: Ampacity = { amps: 0, baseA: 0, row: null, columnC, factor: 1, factorFor: 'none', bundleFactor: 1, loaded };
  if (!row || column < 0) return none;

  const baseA = row[column + 1] as number;
  const ambient = ambientC > 30 ? Math.sqrt(Math.max(0, columnC - ambientC) / (columnC - 30)) : 1;
  const engine = engineSpace ? table.engineSpace[column]! : 1;
  if (engine === null) return { ...none, baseA, row: row[0], factor: 0, factorFor: 'engineSpace' };
  const heat = Math.min(ambient, engine);
  const factorFor = heat === 1 ? 'none' : engine <= ambient ? 'engineSpace' : 'ambient';
  const bundled = bundleFactor(standard, loaded);
  const factor = heat * bundled;
  return { amps: baseA * factor, baseA, row: row[0], columnC, factor, factorFor, bundleFactor: bundled, loaded };
}

type Row = (typeof AMPACITY_TABLES)[ConductorStandard]['rows'][number];

/** Each standard's row for each size that was asked for: the tables never change, and every wire asks at every key press. */
const ROWS = new Map<ConductorStandard, Map<ConductorSize, Row | undefined>>();

function rowOf(standard: ConductorStandard, size: ConductorSize): Row | undefined {
  let rows = ROWS.get(standard);
  if (!rows) ROWS.set(standard, (rows = new Map<ConductorSize, Row | undefined>()));
  if (!rows.has(size)) {
    const area = areaMm2(size) * 1.0005;
    rows.set(
      size,
      AMPACITY_TABLES[standard].rows.findLast(([tabulated]) => tabulated === size || areaMm2(tabulated) <= area),
    );
  }
  return rows.get(size);
}

/** What a standard multiplies ampacity by for so many loaded conductors laid together. Source: catalog/ampacity. */
export function bundleFactor(standard: ConductorStandard, loaded: number): number {
  return BUNDLE_FACTORS[standard].findLast(([from]) => loaded >= from)?.[1] ?? 1;
}
