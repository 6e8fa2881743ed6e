import { route } from '@/server/http';
import { loomSvg } from '@/server/drawings';

export const GET = route(loomSvg);
