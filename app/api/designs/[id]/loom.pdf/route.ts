import { route } from '@/server/http';
import { loomPdf } from '@/server/drawings';

export const GET = route(loomPdf);
