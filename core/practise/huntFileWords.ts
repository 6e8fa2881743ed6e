import { designFileWords } from '../formats/designFileWords';
import type { HuntFileFault } from './huntFile';

/** What is wrong with the file of a hunt, and what to do about it. */
export function huntFileWords(fault: HuntFileFault): string {
  switch (fault.code) {
    case 'noJson':
      return 'the file is no JSON';
    case 'unreadable':
      return 'what is wrong on the board cannot be read: ask for the file again';
    case 'notOnBoard':
      return 'what is wrong is about something the board does not have: ask for the file again';
    case 'noHunt':
      return `this is not a hunt: ${fault.field || 'the file'}: ${fault.message}`;
    case 'design':
      return designFileWords(fault.fault);
  }
}
