import { nameOf } from '@/core/design/names';
import type { Entry } from '@/core/practise/told';
import { actWords, toldWords, UNSAFE_WORDS, type Labelled } from '@/core/practise/huntWords';
import { BRIDGE_FUSE } from '@/core/practise/world';
import styles from './Practise.module.css';

/** Everything that was done, the last on top, with what came of it. */
export function HuntLog({ board, entries }: { board: Labelled; entries: readonly Entry[] }) {
  const fuseName = (id: string) => (id === BRIDGE_FUSE ? 'The test lead’s fuse' : nameOf(board.design, id));
  return (
    <section aria-label="What was done" className={styles.log}>
      <ol reversed>
        {[...entries].reverse().map(({ act, told, clicks, blown, unsafe, minutes }, at) => (
          <li key={entries.length - at}>
            <span>{actWords(board, act)}</span>
            <small className="reading">{minutes.toFixed(1)} min</small>
            {told.map((one, place) => (
              <b key={place}>{toldWords(board, 'deviceId' in act ? act.deviceId : null, one)}</b>
            ))}
            {clicks.map((id) => (
              <i key={id}>{nameOf(board.design, id)} clicks.</i>
            ))}
            {blown.map((id) => (
              <em key={id}>{fuseName(id)} has gone.</em>
            ))}
            {unsafe
              .filter((what) => what !== 'fuseBlown')
              .map((what) => (
                <em key={what}>{UNSAFE_WORDS[what]}</em>
              ))}
          </li>
        ))}
      </ol>
    </section>
  );
}
