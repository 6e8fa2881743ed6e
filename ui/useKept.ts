import { useCallback, useEffect, useState } from 'react';
import type * as z from 'zod/mini';

/**
 * What somebody is in the middle of, kept in this browser so that a page that is put to sleep loses none of it, and the same in every tab.
 * What does not read back as what it was is let go.
 * @param schema always the same one
 * @param fresh what there is while nothing is kept
 */
export function useKept<T>(key: string, schema: z.ZodMiniType<T>, fresh: () => T): [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => readKept(key, schema) ?? fresh());
  const put = useCallback(
    (next: T) => {
      setValue(next);
      try {
        window.localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A full or forbidden store costs the safety net alone.
      }
    },
    [key],
  );
  useEffect(() => {
    const heard = ({ key: changed }: StorageEvent) => {
      const next = changed === key ? readKept(key, schema) : null;
      if (next !== null) setValue(next);
    };
    window.addEventListener('storage', heard);
    return () => window.removeEventListener('storage', heard);
  }, [key, schema]);
  return [value, put];
}

/** What is kept under a key now; null where nothing is, or nothing that reads. */
export function readKept<T>(key: string, schema: z.ZodMiniType<T>): T | null {
  if (typeof window === 'undefined') return null;
  try {
    const parsed = schema.safeParse(JSON.parse(window.localStorage.getItem(key) ?? 'null'));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
