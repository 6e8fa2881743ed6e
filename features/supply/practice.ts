import type { ConductorStandard } from '@/core/catalog/vocabulary';

/** The schools in a person's words. */
export const PRACTICE_WORDS: { standard: Record<ConductorStandard, string> } = {
  standard: {
    'us-small-craft': 'American small craft, AWG',
    'iso-small-craft': 'Metric small craft, mm²',
    'road-vehicle': 'Road vehicle, mm²',
    'us-recreational': 'American RV, AWG',
  },
};
