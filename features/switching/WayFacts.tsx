'use client';

import type { WayTried } from '@/core/advice/tryWay';
import { nameOf } from '@/core/design/names';
import { kindOf } from '@/core/devices';
import { formatAmpHours, formatAmps, formatConductor, formatLength } from '@/core/units/quantity';
import { moverName } from '@/core/wording/wishWords';
import { wordFinding } from '@/core/wording/wording';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { usePrices } from '@/features/design/usePrices';
import { Facts } from './Facts';
import { priceWords } from '@/core/formats/priceWords';
import styles from './Ways.module.css';

/** Wishes that name a part which goes. */
function lostWishes({ change }: WayTried): string[] {
  const { length } = change.removed.filter(({ type }) => type === 'wish');
  return length === 0 ? [] : [`and ${length} wish${length === 1 ? '' : 'es'} that name${length === 1 ? 's' : ''} it`];
}

const NOT_KNOWN = 'not known: too many ways to try them all';
const KEY_OUT = { works: 'as with it in', dark: 'off', varies: 'that hangs on how things stand', notKnown: NOT_KNOWN };
const LEVEL = {
  kept: 'as bright as it was',
  broken: 'not as bright as it was',
  undecided: 'nobody has said what its dimmer does: say it among its parts in Circuits',
};

const POWER_BACK = {
  ...{ off: 'off', asBefore: 'as before', on: 'on' },
  varies: 'that hangs on how things stand: decide it as a wish',
  notKnown: NOT_KNOWN,
};

function wireWords(more: number, cores: number, resized: number): string {
  const words = [more > 0 && `${more} more, ${cores} of them from place to place`, resized > 0 && `${resized} of another size`].filter(
    Boolean,
  );
  return words.length === 0 ? 'none' : words.join('; ');
}

/** What a way needs, what it hangs on and what becomes of it. */
export function WayFacts({ tried }: { tried: WayTried }) {
  const design = useDesign((state) => state.design);
  const units = useUnits();
  const { after, added, dropped, wires, cores, standbyAhPerDay, coilA, dependsOn, fails, keyOut, powerBack, level, price, fuseId } = tried;
  const { brought, ended, spare, sparePoles: poles, ontoId, resized } = tried;
  const { currency } = usePrices();
  const facts: [string, React.ReactNode][] = [
    ['Parts', added.length === 0 ? 'none' : added.map((device) => `${device.name} (${kindOf(device).label})`).join(', ')],
    ['Wires', wireWords(wires.length, cores, resized)],
    [
      'It draws',
      standbyAhPerDay + coilA === 0
        ? 'nothing of its own'
        : [
            standbyAhPerDay > 0 && `${formatAmpHours(standbyAhPerDay)} a day at rest`,
            coilA > 0 && `${formatAmps(coilA)} in its coil while that is fed`,
          ]
            .filter(Boolean)
            .join(', '),
    ],
    ['It hangs on', dependsOn.length === 0 ? 'nothing one moves' : dependsOn.map((input) => moverName(after, input)).join(', ')],
    ['With the key out', KEY_OUT[keyOut]],
    ['When power comes back', POWER_BACK[powerBack]],
    ...(level === null ? [] : [['Off and on again', LEVEL[level]] as [string, React.ReactNode]]),
    ['It costs', priceWords(price, currency)],
    [
      'Where a part fails',
      fails
        .map(
          ({ deviceId, stillLit }) =>
            `without ${nameOf(after, deviceId)}: ${stillLit === null ? 'not known' : stillLit ? 'can still be lit' : 'dark'}`,
        )
        .join('; '),
    ],
  ];
  const shared = dependsOn.filter(
    (input) => input.kind === 'device' && input.deviceId !== ontoId && !added.some(({ id }) => id === input.deviceId),
  );
  if (shared.length > 0)
    facts.push(['It stays behind', `${shared.map((input) => moverName(after, input)).join(', ')}, which others are switched by too`]);
  if (fuseId !== null) facts.push(['It is guarded by', `${nameOf(after, fuseId)}, no longer by a fuse of its own`]);
  if (dropped.length > 0) facts.push(['It drops', [...dropped.map(({ name }) => name), ...lostWishes(tried)].join(', ')]);
  if (poles.length > 0)
    facts.push([
      'A pole left over',
      `${poles.map((id) => nameOf(after, id)).join(', ')}: nothing is on one of its poles; a switch with fewer would do, or it takes something else`,
    ]);
  if (spare.length > 0)
    facts.push(['Left over elsewhere', spare.map(({ deviceId, free }) => `${nameOf(design, deviceId)}: ${free} free`).join(', ')]);
  if (ended > 0) facts.push(['It ends', `${ended} finding${ended === 1 ? '' : 's'}`]);
  return (
    <>
      <Facts facts={facts} />
      {brought.map((finding) => (
        <p key={`${finding.rule} ${finding.subjects.join()}`} className={styles.brought}>
          It brings: {wordFinding(finding, after, units).message}
        </p>
      ))}
      {wires.length > 0 && (
        <details className={styles.wiring} open>
          <summary>Its wiring</summary>
          <ul>
            {wires.map((wire) => (
              <li key={wire.id}>
                {nameOf(after, wire.from.deviceId)} <b>{wire.from.terminal}</b> to {nameOf(after, wire.to.deviceId)}{' '}
                <b>{wire.to.terminal}</b>, {formatConductor(wire.conductor)}, {formatLength(wire.lengthMm, units)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
