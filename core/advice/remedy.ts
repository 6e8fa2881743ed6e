import type { Change } from '../design/change';

/** A change that puts a finding right, and what to write on its button. */
export interface Remedy {
  label: string;
  change: Change;
}
