import { route } from '@/server/http';
import { labelsPdf } from '@/server/labels';

export const GET = route(labelsPdf);
