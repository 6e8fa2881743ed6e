'use client';

import { Button } from 'antd';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { lookWords } from '@/core/catalog/wireColours';
import { nameOf } from '@/core/design/names';
import type { PinCard } from '@/core/harness/pinCards';
import { screwsOf, type Screw } from '@/core/harness/screws';
import { formatConductor } from '@/core/units/quantity';
import { endWords, pinWords } from '@/core/wording/harnessWords';
import { useDesign } from '@/features/design/DesignProvider';
import { swatchOf } from './scheduleColumns';
import styles from './Pins.module.css';

/** One end at a time in the order it is landed, large, for lying on one’s back under a dash; on paper all of them, large. */
export function ScrewsView({ cards }: { cards: readonly PinCard[] }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const screws = useMemo(() => screwsOf(index, cards), [index, cards]);
  const [wanted, setAt] = useState(0);
  const at = Math.min(wanted, screws.length - 1);
  const screw = screws[at];
  if (!screw) return null;
  const go = (by: number) => setAt(Math.max(0, Math.min(screws.length - 1, at + by)));
  const onKeyDown = ({ key }: KeyboardEvent) => {
    if (key === 'ArrowRight' || key === 'ArrowDown') go(1);
    if (key === 'ArrowLeft' || key === 'ArrowUp') go(-1);
  };
  return (
    <>
      <section aria-label="One screw at a time" className={styles.screws} tabIndex={0} onKeyDown={onKeyDown}>
        <p aria-live="polite" className={styles.screw}>
          <Words screw={screw} />
        </p>
        <div className={styles.steps}>
          <Button size="large" aria-label="The one before" disabled={at === 0} icon={<ChevronLeft />} onClick={() => go(-1)} />
          <span className="reading">
            {at + 1} of {screws.length}
          </span>
          <Button
            size="large"
            type="primary"
            aria-label="Next"
            disabled={at === screws.length - 1}
            icon={<ChevronRight />}
            onClick={() => go(1)}
          />
        </div>
      </section>
      <ol className={styles.onPaper}>
        {screws.map((one) => (
          <li key={`${one.device.id}${one.at}`}>
            <Words screw={one} />
          </li>
        ))}
      </ol>
    </>
  );
}

function Words({ screw: { device, terminal, line, far, at, of } }: { screw: Screw }) {
  const design = useDesign((state) => state.design);
  const end = line.from.deviceId === far.deviceId && line.from.terminal === far.terminal ? line.to : line.from;
  return (
    <>
      <small>
        {device.name}
        {device.placeId && `, ${nameOf(design, device.placeId)}`}: {at} of {of}
      </small>
      <b>{pinWords(device, terminal)}</b>
      <span>
        {line.look && <i aria-hidden className={styles.stroke} style={{ background: swatchOf(line.look) }} />}
        <b className="reading">{line.number}</b> {line.look ? lookWords(line.look) : ''} {formatConductor(line.wire.conductor)},{' '}
        {endWords(end.ending)}
      </span>
      <small>from {nameOf(design, far.deviceId)}</small>
    </>
  );
}
