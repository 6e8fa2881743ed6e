import { route } from '@/server/http';
import { diagramPdf } from '@/server/drawings';

export const GET = route(diagramPdf);
