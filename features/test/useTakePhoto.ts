import { useState } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import { useDesignStore } from '@/features/design/DesignProvider';
import { today } from '@/core/units/days';
import { keepWaiting, makeSmaller } from './photos';

/** Takes a chosen picture for a line of the logbook: made smaller, kept in this browser, then written down and sent. */
export function useTakePhoto(onKept: () => void): { take(file: Blob, eventId: string): Promise<void>; problem: string | null } {
  const store = useDesignStore();
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: Blob, eventId: string) => {
    try {
      setProblem(null);
      const { jpeg, widthPx, heightPx } = await makeSmaller(file);
      const id = newId('photo');
      await keepWaiting(store.getState().id, id, jpeg);
      const refused = store.commit('Add a photo', (now) => {
        const edit = new Edit(now);
        edit.add({ id, type: 'photo', on: today(), caption: '', widthPx, heightPx, eventId });
        return edit.change;
      });
      setProblem(refused);
      onKept();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'the photo could not be kept');
    }
  };
  return { take, problem };
}
