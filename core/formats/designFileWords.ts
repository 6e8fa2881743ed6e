import { placedProblemWords } from '../wording/problemWords';
import { faultWords } from './faultWords';
import type { DesignFileFault } from './designFile';

/** What is wrong with a design file, and where. */
export function designFileWords(fault: DesignFileFault): string {
  switch (fault.code) {
    case 'bytes':
    case 'more':
      return faultWords(fault);
    case 'noJson':
      return `the file is not readable JSON: ${fault.message}`;
    case 'brokenText':
      return brokenTextWords(fault.field);
    case 'noDesign':
      return 'this is not a Vine Knot design: “format”, “schemaVersion” and “records” are expected at the top';
    case 'records':
      return `the file holds ${fault.has} records; ${fault.most} are allowed`;
    case 'newer':
      return `schema version ${fault.version} is newer than ${fault.newest}, the newest this program reads`;
    case 'record':
      return placedProblemWords(fault.problem);
    case 'field': {
      if (fault.at === undefined) return `${fault.field || 'the file'}: ${fault.message}`;
      const record = `record ${fault.at + 1}${fault.id === undefined ? '' : ` (${fault.id})`}`;
      return `${record}${fault.field === '' ? '' : `, ${fault.field}`}: ${fault.message}`;
    }
  }
}

/** Where a text has in it what could not be written out again. */
export function brokenTextWords(field: string): string {
  return `the text at “${field}” has half a character in it, or one that is none`;
}
