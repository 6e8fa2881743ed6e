import { useMemo } from 'react';
import { nameOf } from '@/core/design/names';
import { stillLive } from '@/core/plan/stillLive';
import { LIVE_WORDS } from '@/core/wording/planWords';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './Plan.module.css';

/** What is not dead though it looks so, told before hands go in. */
export function StillLiveList() {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  const live = useMemo(() => stillLive(index, wiring), [index, wiring]);
  const words = [...new Set(live.map(({ by }) => by))].map((by) => ({
    by,
    names: live.filter((one) => one.by === by).map(({ deviceId }) => nameOf(design, deviceId)),
  }));
  return (
    <details className={styles.live}>
      <summary>Not dead though it looks so: {live.length}</summary>
      <ul>
        {words.map(({ by, names }) => (
          <li key={by}>
            <b>{names.join(', ')}</b>: {LIVE_WORDS[by]}
          </li>
        ))}
      </ul>
    </details>
  );
}
