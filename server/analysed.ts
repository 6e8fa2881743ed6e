import { analyse } from '@/core/analysis/analyse';
import type { Analysis } from '@/core/analysis/types';
import { seenAs, type DesignView } from '@/core/design/asBuilt';
import type { Design } from '@/core/design/design';
import { readDesign } from './stored';

/** A stored design analysed as one view shows it, going on from an earlier analysis of that view if there is one. */
export function analysed(design: Design, view: DesignView, earlier?: Analysis): Analysis {
  return analyse(seenAs(design, view), earlier);
}

/** The same of a design by its id, with all of it beside. @throws NotFound */
export async function readAnalysed(designId: string, view: DesignView): Promise<{ analysis: Analysis; whole: Design }> {
  const { design: whole, analysis } = await readDesign(designId);
  return { whole, analysis: view === 'planned' && analysis ? analysis : analysed(whole, view) };
}

/** The view an address asks for: `?as=now`, or as planned. */
export function viewOf(asked: Request | { as?: string | string[] }): DesignView {
  const as = asked instanceof Request ? new URL(asked.url).searchParams.get('as') : asked.as;
  return as === 'now' ? 'now' : 'planned';
}
