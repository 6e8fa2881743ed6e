import { route } from '@/server/http';
import { fuseMapPdf } from '@/server/labels';

export const GET = route(fuseMapPdf);
