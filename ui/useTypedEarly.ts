'use client';

import { useEffect, useRef } from 'react';

/**
 * Takes what a field holds once the page answers: typed, or filled in by the browser, while it was still being fetched. Nothing where it
 * is empty.
 */
export function useTypedEarly(field: () => HTMLInputElement | HTMLTextAreaElement | null | undefined, take: (text: string) => void): void {
  const first = useRef({ field, take });
  useEffect(() => {
    const text = first.current.field()?.value ?? '';
    if (text !== '') first.current.take(text);
  }, []);
}
