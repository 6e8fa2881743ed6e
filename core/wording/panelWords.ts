import type { PanelUse } from '../catalog/vocabulary';

/** What carries controls is called. */
export const PANEL_USE_WORDS: Record<PanelUse, string> = {
  panel: 'switch panel',
  dash: 'dash',
  hub: 'relay housing',
  fob: 'fob',
};
