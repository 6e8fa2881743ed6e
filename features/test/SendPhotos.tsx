'use client';

import { usePhotos } from './usePhotos';

/** Sends photos that wait in this browser whichever stage is open. */
export function SendPhotos(): null {
  usePhotos();
  return null;
}
