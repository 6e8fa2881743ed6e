import { useMemo } from 'react';
import { nameOf } from '@/core/design/names';
import { linesByPlace, type PlaceLines } from '@/core/logbook/whereLines';
import { useDesign } from '@/features/design/DesignProvider';
import { apart } from '@/features/rig/apart';
import { Body } from '@/features/rig/Body';
import { NO_PAN, project } from '@/features/rig/projection';
import styles from './Log.module.css';

/** The drawing's own width, in its own units; it is as wide as its column. */
const WIDE = 300;
const MARK = 18;

/**
 * The vehicle from above with what the logbook has of each place; one that is chosen leads to its newest line. Nothing where no line is
 * about a place.
 */
export function LogRig({ onChoose }: { onChoose(eventId: string): void }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const { rig } = index.layout;
  const high = Math.round(((WIDE - 40) * rig.widthMm) / rig.lengthMm) + 40;
  const projection = useMemo(() => project(rig, 'plan', WIDE, high, NO_PAN), [rig, high]);
  const marks = useMemo(() => {
    const known = linesByPlace(design, index).map((lines) => ({ lines, ...projection.at(index.layout.places.get(lines.placeId)!) }));
    return apart(known, MARK + 2, { left: MARK, right: WIDE - MARK, top: MARK / 2, bottom: high - MARK / 2 });
  }, [design, index, projection, high]);
  if (marks.length === 0) return null;
  return (
    <section aria-label="Where in the vehicle">
      <h3>Where in the vehicle</h3>
      <svg viewBox={`0 0 ${WIDE} ${high}`} role="group" aria-label="Lines by place" className={styles.rig}>
        <Body rig={rig} projection={projection} />
        {marks.map(({ lines, x, y }) => {
          const says = `${nameOf(design, lines.placeId)}: ${countWords(lines)}`;
          const choose = () => onChoose(lines.eventIds[0]!);
          return (
            <g
              key={lines.placeId}
              role="button"
              tabIndex={0}
              aria-label={says}
              className={lines.photos > 0 ? `${styles.mark} ${styles.pictured}` : styles.mark}
              onClick={choose}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                choose();
              }}
            >
              <title>{says}</title>
              <circle cx={x} cy={y} r={MARK / 2} />
              <text x={x} y={y} dy="0.35em" textAnchor="middle">
                {lines.eventIds.length}
              </text>
            </g>
          );
        })}
      </svg>
      <p className={styles.key}>How many lines are about each place; filled where a photo goes with them.</p>
    </section>
  );
}

function countWords({ eventIds, photos }: PlaceLines): string {
  const lines = eventIds.length === 1 ? 'one line' : `${eventIds.length} lines`;
  return photos === 0 ? lines : `${lines}, ${photos === 1 ? 'one photo' : `${photos} photos`}`;
}
