import { createStore, del, entries, get, set } from 'idb-keyval';
import { LIMITS } from '@/core/catalog/vocabulary';

/** A photo as it was chosen, made smaller. */
export interface SmallPhoto {
  jpeg: Blob;
  widthPx: number;
  heightPx: number;
}

/** The longer edge of a photo that is kept: a label can be read on it. */
const EDGE_PX = 1600;
const QUALITIES = [0.82, 0.7, 0.5] as const;

/**
 * Makes a photo smaller on the page; drawn anew it holds nothing of where and with what it was taken.
 * @throws Error, in words, for a file that is no picture this browser reads
 */
export async function makeSmaller(file: Blob): Promise<SmallPhoto> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('that file is no picture this browser can read; take a JPEG or PNG');
  });
  const times = Math.min(1, EDGE_PX / Math.max(picture.width, picture.height));
  const [widthPx, heightPx] = [picture.width, picture.height].map((edge) => Math.max(1, Math.round(edge * times))) as [number, number];
  const canvas = document.createElement('canvas');
  canvas.width = widthPx;
  canvas.height = heightPx;
  canvas.getContext('2d')!.drawImage(picture, 0, 0, widthPx, heightPx);
  picture.close();
  for (const quality of QUALITIES) {
    const jpeg = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));
    if (jpeg && jpeg.size <= LIMITS.photoBytes) return { jpeg, widthPx, heightPx };
  }
  throw new Error('that picture stays too large; take a smaller part of it');
}

/** Photos not yet on the server, in this browser, under design and photo. */
const waiting = () => createStore('vine-knot-photos', 'waiting');
const keyOf = (designId: string, photoId: string) => `${designId}/${photoId}`;

/** Keeps a photo in this browser until the server has it. @throws when the browser has no room */
export async function keepWaiting(designId: string, photoId: string, jpeg: Blob): Promise<void> {
  await set(keyOf(designId, photoId), await jpeg.arrayBuffer(), waiting());
}

/** A photo that waits, as an address a picture can be shown from; null for one that does not. */
export async function waitingPicture(designId: string, photoId: string): Promise<string | null> {
  const bytes = await get<ArrayBuffer>(keyOf(designId, photoId), waiting()).catch(() => undefined);
  return bytes ? await dataUrl(new Blob([bytes], { type: 'image/jpeg' })) : null;
}

function dataUrl(blob: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error('the photo could not be read'));
    reader.readAsDataURL(blob);
  });
}

/** Where a photo is on the server. */
export const photoAddress = (designId: string, photoId: string) => `/api/designs/${designId}/photos/${photoId}`;

/** What became of sending: how many wait still, and why the server refused one, if it did. */
export interface SentPhotos {
  left: number;
  refused: string | null;
}

/** Sends what waits of a design. What the server has is forgotten here; without a connection all of it waits on. */
export async function sendWaiting(designId: string): Promise<SentPhotos> {
  const all = (await entries<string, ArrayBuffer>(waiting()).catch(() => [])).filter(([key]) => key.startsWith(`${designId}/`));
  let left = all.length;
  let refused: string | null = null;
  for (const [key, bytes] of all) {
    const address = photoAddress(designId, key.slice(designId.length + 1));
    const answer = await fetch(address, { method: 'PUT', headers: { 'content-type': 'image/jpeg' }, body: bytes }).catch(() => null);
    if (!answer) break;
    if (!answer.ok) {
      const body = (await answer.json().catch(() => null)) as { error?: { message?: string } } | null;
      refused = body?.error?.message ?? `the server answered ${answer.status}`;
      continue;
    }
    await del(key, waiting());
    left -= 1;
  }
  return { left, refused };
}
