import { folderFile } from '@/server/book';
import { route } from '@/server/http';

export const GET = route(folderFile);
