import type { Design } from '../core/design/design';
import { recordsOf } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Photo } from '../core/design/schema';

/**
 * A photo of a demo: drawn, not taken. Its picture is in demo/photos by its file's name; what it is about and the line it goes with are
 * told by name and text.
 */
interface DemoPhoto {
  file: string;
  on: string;
  caption: string;
  about: string;
  /** How the line of the logbook begins that it goes with. */
  line?: string;
}

const PHOTOS: Record<'heron' | 'pip', readonly DemoPhoto[]> = {
  heron: [
    { file: 'main-fuse', on: '2026-11-21', caption: 'Main fuse a hand from the post, isolator behind it', about: 'Main fuse', line: 'First power to ten' }, // prettier-ignore
    { file: 'galley-panel', on: '2026-11-21', caption: 'Galley panel in, two positions to spare', about: 'Galley lights switch' },
    { file: 'twisted-joint', on: '2026-11-22', caption: 'Twisted for now behind the hide panel', about: 'Awning light switch', line: 'Awning light' }, // prettier-ignore
  ],
  pip: [
    { file: 'fuse-block', on: '2025-10-11', caption: 'Fuse block as it left the workshop', about: 'Fuse block', line: 'First power' },
    { file: 'bar-lug', on: '2025-10-19', caption: 'Nuts marked after the first trip', about: 'Return bar', line: 'After the first trip' },
  ],
};

/** Edges of the pictures, px. */
const SIZE = { widthPx: 960, heightPx: 720 };

/** The photos of a demo with the files their pictures are in. */
export function picturesOf(demo: 'heron' | 'pip'): { id: string; file: string }[] {
  return PHOTOS[demo].map(({ file }) => ({ id: idOf(file), file: `demo/photos/${file}.jpg` }));
}

const idOf = (file: string) => `photo_${file.replace('-', '_')}`;

/** A demo with the records of its photos. */
export function photographed(design: Design, demo: 'heron' | 'pip'): Design {
  const edit = new Edit(design);
  for (const { file, on, caption, about, line } of PHOTOS[demo]) {
    const { id, name } = recordsOf(design, 'device').find((device) => device.name === about)!;
    const event = line === undefined ? undefined : recordsOf(design, 'event').find(({ text }) => text.startsWith(line))!;
    edit.add<Photo>({
      ...{ id: idOf(file), type: 'photo', on, caption, ...SIZE },
      ...{ about: { id, name }, ...(event && { eventId: event.id }) },
    });
  }
  return edit.design;
}
