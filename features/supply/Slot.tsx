import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Select } from 'antd';
import type { SlotAnalysis } from '@/core/analysis/types';
import { BLADE_COLOURS, TAP_WORDS } from '@/core/catalog/fuses';
import { updateRecords } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import { TAP_LEGS, type TapLeg } from '@/core/catalog/vocabulary';
import { formatAmps, formatRating } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import styles from './FuseBlocks.module.css';

/** A slot with its fuse, and the second one where a tap shares it. */
export function Slot({ blockId, slot }: { blockId: string; slot: SlotAnalysis }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${blockId}/${slot.slot}` });
  const name = useDesign(({ design }) => nameOf(design, slot.circuitId ?? slot.protectionId ?? undefined));
  const { protectionId, ratingA, peakA, tap } = slot;
  return (
    <li ref={setNodeRef} className={`${styles.slot} ${isOver ? styles.over : ''}`}>
      <span className={`reading ${styles.slotNumber}`}>{slot.slot}</span>
      {protectionId && ratingA !== null ? (
        <>
          <Fuse id={protectionId} ratingA={ratingA} label={`${name}, ${formatRating(ratingA)}, slot ${slot.slot}`} />
          <span className={styles.circuit}>{name}</span>
          <Used peakA={peakA} ratingA={ratingA} />
        </>
      ) : (
        <span className={styles.spare}>spare</span>
      )}
      {tap && <Tap blockId={blockId} slot={slot.slot} tap={tap} />}
    </li>
  );
}

function Tap({ blockId, slot, tap }: { blockId: string; slot: number; tap: NonNullable<SlotAnalysis['tap']> }) {
  const store = useDesignStore();
  const name = useDesign(({ design }) => nameOf(design, tap.circuitId ?? tap.protectionId));
  return (
    <>
      <span className={styles.tapMark} aria-hidden>
        +
      </span>
      <Fuse id={tap.protectionId} ratingA={tap.ratingA} label={`${name}, ${formatRating(tap.ratingA)}, tap on slot ${slot}`} />
      <span className={styles.circuit}>
        <Select<TapLeg>
          size="small"
          variant="borderless"
          aria-label={`Common leg of the tap on slot ${slot}`}
          title="Which clip the tap’s common leg is in: the live one has volts with the fuse out"
          value={tap.leg}
          style={{ width: 140 }}
          popupMatchSelectWidth={false}
          status={tap.leg === 'load' ? 'warning' : undefined}
          onChange={(leg) =>
            store.commit('Turn a fuse tap', (design) =>
              updateRecords(design, [{ id: tap.protectionId, set: { mount: { blockId, slot, tap: leg } } }]),
            )
          }
          options={TAP_LEGS.map((value) => ({ value, label: TAP_WORDS[value] }))}
        />
        {name}
      </span>
      <Used peakA={tap.peakA} ratingA={tap.ratingA} />
    </>
  );
}

function Used({ peakA, ratingA }: { peakA: number; ratingA: number }) {
  return (
    <>
      <span className={styles.load} aria-hidden>
        <span style={{ width: `${Math.min(100, (peakA / ratingA) * 100)}%` }} className={peakA > ratingA ? styles.overload : ''} />
      </span>
      <span className={`reading ${styles.amps}`}>{formatAmps(peakA)}</span>
    </>
  );
}

/** A fuse one can pick up. Blade fuses carry their standard colour as a stripe, and always the rating. */
export function Fuse({ id, ratingA, label }: { id: string; ratingA: number; label: string }) {
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id });
  const colour = BLADE_COLOURS[ratingA];
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={`${styles.fuse} ${isDragging ? styles.away : ''}`}
      {...attributes}
      {...listeners}
      aria-label={label}
      title={`${label}: drag, or press Space`}
    >
      <span className={styles.stripe} data-colour={colour ?? 'none'} />
      <span className="reading">{formatRating(ratingA)}</span>
    </button>
  );
}
