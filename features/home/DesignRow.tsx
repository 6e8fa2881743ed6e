import { Ellipsis } from 'lucide-react';
import Link from 'next/link';
import { localDay } from '@/core/units/days';
import { formatPercent } from '@/core/units/quantity';
import { dayWords, runtimeWords } from '@/core/wording/energyWords';
import type { DesignSummary } from '@/server/designs';
import { Verdict } from '@/ui/Verdict';
import { MenuButton } from '@/ui/MenuButton';
import { VEHICLE_WORDS } from './words';
import styles from './Home.module.css';

interface DesignRowProps {
  design: DesignSummary;
  onRename(): void;
  onDuplicate(): void;
  onDelete(): void;
}

/** Beside what is counted so far, or where nothing is yet. */
const SOON = { none: 'being judged', some: 'so far' };
const LATER = { none: 'open to check', some: 'or more' };
const NOT_WHOLLY = 'Not all of it was gone through for this list: open the design to see what is found';

/** One design in the list: its name, its readings, what is open in it. */
export function DesignRow({ design, onRename, onDuplicate, onDelete }: DesignRowProps) {
  const {
    id,
    name,
    vehicle,
    circuits,
    worstDropPercent,
    dailyWh,
    runtimeH,
    withoutHours,
    faults,
    cautions,
    isWhollyJudged,
    isBeingJudged,
    updatedAt,
  } = design;
  return (
    <li className={styles.row}>
      <Link href={`/d/${id}/loads`} className={styles.title}>
        <span className={styles.name}>{name}</span>
        <span className={styles.kind}>
          {VEHICLE_WORDS[vehicle]}, changed{' '}
          <time dateTime={new Date(updatedAt).toISOString()} suppressHydrationWarning>
            {localDay(new Date(updatedAt))}
          </time>
        </span>
      </Link>
      <dl className={styles.figures}>
        <Figure name="Circuits" value={String(circuits)} />
        <Figure name="Worst drop" value={formatPercent(worstDropPercent)} />
        <Figure name="A day" value={dayWords(dailyWh, withoutHours)} />
        <Figure name="Runtime" value={runtimeWords(runtimeH, withoutHours)} />
      </dl>
      <span className={styles.open}>
        {faults > 0 && <Verdict severity="fault" count={faults} />}
        {cautions > 0 && <Verdict severity="caution" count={cautions} />}
        {faults + cautions === 0 && isWhollyJudged && <Verdict severity="ok" />}
        {!isWhollyJudged && (
          <span className={styles.more} title={isBeingJudged ? undefined : NOT_WHOLLY}>
            {(isBeingJudged ? SOON : LATER)[faults + cautions === 0 ? 'none' : 'some']}
          </span>
        )}
      </span>
      <MenuButton
        type="text"
        aria-label={`More for ${name}`}
        icon={<Ellipsis size={18} />}
        items={[
          { key: 'rename', label: 'Rename…', onClick: onRename },
          { key: 'duplicate', label: 'Duplicate', onClick: onDuplicate },
          { key: 'export', label: <a href={`/api/designs/${id}/export`}>Export as JSON</a> },
          { key: 'report', label: <Link href={`/d/${id}/report`}>Report and print</Link> },
          { key: 'delete', label: 'Delete', danger: true, onClick: onDelete },
        ]}
      />
    </li>
  );
}

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd className="reading">{value}</dd>
    </div>
  );
}
