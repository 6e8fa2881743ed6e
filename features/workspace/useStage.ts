import { usePathname } from 'next/navigation';
import { STAGES } from './stages';

/** The stage that is shown; null on a page that is none. */
export function useStage(): (typeof STAGES)[number] | null {
  const pathname = usePathname();
  return STAGES.find(({ id }) => pathname.endsWith(`/${id}`)) ?? null;
}
