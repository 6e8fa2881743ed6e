import { route } from '@/server/http';
import { panelPdf } from '@/server/panels';

export const GET = route(panelPdf);
