import { route } from '@/server/http';
import { getPhoto, putPhoto } from '@/server/photos';

export const GET = route(getPhoto);
export const PUT = route(putPhoto);
