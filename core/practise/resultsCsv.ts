import Papa from 'papaparse';
import type { Result } from './record';

/** A learner's record as CSV, the oldest first; when in UTC. */
export function writeResultsCsv(results: readonly Result[]): string {
  const rows = results.map(({ at, ...rest }) => ({ when: new Date(at).toISOString(), ...rest }));
  return `${Papa.unparse(rows, { columns: ['when', 'kind', 'subject', 'seed', 'points'], escapeFormulae: true })}\r\n`;
}
