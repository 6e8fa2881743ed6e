import { route } from '@/server/http';
import { diagramDxf } from '@/server/drawings';

export const GET = route(diagramDxf);
