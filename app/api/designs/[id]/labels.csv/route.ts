import { route } from '@/server/http';
import { labelsCsv } from '@/server/labels';

export const GET = route(labelsCsv);
