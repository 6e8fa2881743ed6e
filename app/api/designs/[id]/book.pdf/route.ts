import { bookFile } from '@/server/book';
import { route } from '@/server/http';

export const GET = route(bookFile);
