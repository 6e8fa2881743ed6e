import { route } from '@/server/http';
import { reportFile } from '@/server/reports';

export const GET = route(reportFile);
