import { useCallback, useEffect, useState } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { sendWaiting, type SentPhotos } from './photos';

/** Tried again so often while some wait, ms. */
const AGAIN_MS = 20_000;

/** Sends photos that wait in this browser: when the page opens, when the connection is back, and when asked. */
export function usePhotos(): SentPhotos & { send(): void } {
  const designId = useDesign((state) => state.id);
  const [sent, setSent] = useState<SentPhotos>({ left: 0, refused: null });
  const send = useCallback(() => void sendWaiting(designId).then(setSent), [designId]);
  useEffect(() => {
    send();
    window.addEventListener('online', send);
    return () => window.removeEventListener('online', send);
  }, [send]);
  useEffect(() => {
    if (sent.left === 0) return;
    const timer = setInterval(send, AGAIN_MS);
    return () => clearInterval(timer);
  }, [sent.left, send]);
  return { ...sent, send };
}
