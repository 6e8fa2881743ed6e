'use client';

import { useEffect, useState } from 'react';
import type { Photo } from '@/core/design/schema';
import { Edit } from '@/core/design/edit';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { TextField } from '@/ui/TextField';
import { photoAddress, waitingPicture } from './photos';
import styles from './Log.module.css';

/** A photo of the logbook with its caption: from the server, or from this browser while it waits. */
export function LogPhoto({ photo: { id, caption, on, widthPx, heightPx } }: { photo: Photo }) {
  const designId = useDesign((state) => state.id);
  const [source, setSource] = useState<string | null>(null);
  const [isMissing, setMissing] = useState(false);
  const { commit, refusal } = useRefusal();
  useEffect(() => {
    let isHere = true;
    void waitingPicture(designId, id).then((waiting) => isHere && setSource(waiting ?? photoAddress(designId, id)));
    return () => {
      isHere = false;
    };
  }, [designId, id]);
  const write = (text: string) =>
    commit('Caption of a photo', (now) => {
      const edit = new Edit(now);
      edit.set(id, { caption: text.trim() });
      return edit.change;
    });
  const name = caption || `Photo of ${on}`;
  return (
    <figure className={styles.photo}>
      {isMissing ? (
        <p>The picture is not on this server: it came without it in a file, or still waits in another browser.</p>
      ) : (
        source && (
          <a href={source} target="_blank" rel="noreferrer">
            {/* A picture of this server's own, at the size it is kept. */}
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src={source} alt={name} width={widthPx} height={heightPx} onError={() => setMissing(true)} />
          </a>
        )
      )}
      <figcaption>
        <TextField label={`Caption: ${name}`} text={caption} placeholder="what is seen" onCommit={write} />
        {refusal}
      </figcaption>
    </figure>
  );
}
