import { useEffect, useRef, useState } from 'react';
import type { DesignPage } from '@/server/designs';
import { request } from './requests';

/** Waits after the last letter before the list is searched, ms. */
const SEARCH_AFTER_MS = 200;
/** Waits before the list is asked again for what was still being found, ms. */
const LOOK_AGAIN_MS = 1_500;
/** Most rows asked for at once. */
const MOST_ROWS = 500;

/**
 * The list of designs as far as it has been read on: the part the page came with, further ones as the end comes near, and what is searched
 * for. A first part that comes anew, as after an edit, is read on as far as the list had been. What is wrong with a design that is still
 * being looked for fills in by itself.
 * @param first the first part, as the server last drew it
 * @param onProblem what is told of a part that cannot be had
 */
export function useDesignPages(first: DesignPage, onProblem: (problem: unknown) => void) {
  const [find, setFind] = useState('');
  const [page, setPage] = useState(first);
  const [reading, setReading] = useState(false);
  const asked = useRef({ find: '', first });

  const read = async (query: Record<string, string>, take: (part: DesignPage) => DesignPage) => {
    const { find: wanted, first: began } = asked.current;
    setReading(true);
    try {
      const part = await request<DesignPage>('GET', `/api/designs?${new URLSearchParams(query).toString()}`);
      // An answer to what is no longer asked is dropped.
      if (asked.current.find === wanted && asked.current.first === began) setPage(take(part));
    } catch (error) {
      onProblem(error);
    } finally {
      setReading(false);
    }
  };

  useEffect(() => {
    const isNew = asked.current.first !== first;
    if (!isNew && asked.current.find === find) return;
    asked.current = { find, first };
    if (find === '' && (!isNew || page.designs.length <= first.designs.length)) {
      setPage(first);
      return;
    }
    const most = isNew ? Math.min(MOST_ROWS, Math.max(page.designs.length, first.designs.length, 1)) : first.designs.length || 1;
    const timer = setTimeout(() => void read({ find, most: String(most) }, (part) => part), isNew ? 0 : SEARCH_AFTER_MS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what has been read so far says how far to read, and starts nothing
  }, [find, first]);

  useEffect(() => {
    if (!page.designs.some(({ isBeingJudged }) => isBeingJudged)) return;
    let isShown = true;
    const most = String(Math.min(MOST_ROWS, page.designs.length));
    const lookAgain = async () => {
      // Nobody asked for it: where it cannot be had, what is shown stays.
      const again = await request<DesignPage>('GET', `/api/designs?${new URLSearchParams({ find, most }).toString()}`).catch(() => null);
      if (isShown) setPage({ ...page, designs: withKnown(page.designs, again?.designs ?? []) });
    };
    const timer = setTimeout(() => void lookAgain(), LOOK_AGAIN_MS);
    return () => {
      isShown = false;
      clearTimeout(timer);
    };
  }, [page, find]);

  const readOn = () => {
    if (reading || page.next === null) return;
    void read({ find, after: page.next }, (part) => ({ ...part, designs: [...page.designs, ...part.designs] }));
  };
  return { page, find, setFind, reading, readOn };
}

/** The rows shown, each as it is known by now; one nothing more is known of is looked for no further. */
function withKnown(shown: DesignPage['designs'], known: DesignPage['designs']): DesignPage['designs'] {
  const byId = new Map(known.map((design) => [design.id, design]));
  return shown.map((design) => byId.get(design.id) ?? { ...design, isBeingJudged: false });
}
