import { memo } from 'react';
import type { Rig } from '@/core/design/schema';
import { bodyOutline, sideOutline, wheels } from '@/core/rig/bodies';
import type { Projection } from './projection';
import styles from './Plan.module.css';

/** The vehicle's outline, and from the side its wheels on the ground. */
export const Body = memo(function Body({ rig, projection }: { rig: Rig; projection: Projection }) {
  if (projection.view === 'plan') {
    const points = bodyOutline(rig).map(({ xMm, yMm }) => `${projection.x(xMm)},${projection.y(yMm)}`);
    return <polygon className={styles.body} points={points.join(' ')} />;
  }
  const points = sideOutline(rig).map(({ xMm, zMm }) => `${projection.x(xMm)},${projection.y(zMm)}`);
  return (
    <g aria-hidden>
      <polygon className={styles.body} points={points.join(' ')} />
      {wheels(rig).map(({ xMm, radiusMm }) => (
        <circle key={xMm} className={styles.wheel} cx={projection.x(xMm)} cy={projection.y(radiusMm)} r={projection.px(radiusMm)} />
      ))}
      <line
        className={styles.ground}
        x1={projection.x(-400)}
        x2={projection.x(rig.lengthMm + 400)}
        y1={projection.y(0)}
        y2={projection.y(0)}
      />
    </g>
  );
});
