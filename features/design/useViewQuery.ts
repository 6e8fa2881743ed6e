import { useDesign } from './DesignProvider';

/** What asks a page or a file for the view the screens show: nothing as planned. */
export function useViewQuery(): string {
  return useDesign(({ view }) => (view === 'now' ? '?as=now' : ''));
}
