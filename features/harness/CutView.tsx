'use client';

import { Button, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { lookWords } from '@/core/catalog/wireColours';
import { setting, updateRecords } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Reel } from '@/core/design/schema';
import { pieceOf } from '@/core/harness/rowLinks';
import { wireNumbersOf, type CutLot, type Harness } from '@/core/harness/schedule';
import { formatConductor, formatLength } from '@/core/units/quantity';
import { useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { QuantityField } from '@/ui/QuantityField';
import { swatchOf } from './scheduleColumns';
import { useCutLots } from './useHarness';
import styles from './Harness.module.css';

type Commit = ReturnType<typeof useRefusal>['commit'];

/** Which pieces are cut from which reel, and the reels at hand. */
export function CutView({ harness }: { harness: Harness }) {
  const { lots, reels } = useCutLots(harness);
  const { commit, refusal } = useRefusal();
  const numbers = wireNumbersOf(harness);
  const nameOf = (id: string) => {
    const { wireId, isLink } = pieceOf(id);
    return `${numbers.get(wireId) ?? ''}${isLink ? '+' : ''}`;
  };
  return (
    <div className={styles.view} role="region" aria-label="Cut list" tabIndex={0}>
      <Reels reels={reels} lots={lots} onCommit={commit} />
      {refusal}
      <p className={styles.soft}>
        Longest piece first from each reel, so that a slip costs least. What must be bought has a tenth to spare; pieces are cut to the
        whole centimetre, never short. A plus behind a number: from piece to piece of a row.
      </p>
      {lots.map((lot) => (
        <Lot key={lotKey(lot)} lot={lot} nameOf={nameOf} />
      ))}
    </div>
  );
}

const lotKey = ({ conductor, look }: CutLot) => `${conductor} ${look ? lookWords(look) : ''}`;

function Lot({ lot, nameOf }: { lot: CutLot; nameOf(pieceId: string): string }) {
  const units = useUnits();
  const count = lot.cuts.reduce((sum, { pieces }) => sum + pieces.length, 0);
  const name = `${formatConductor(lot.conductor)}, ${lot.look ? lookWords(lot.look) : 'no colour yet'}`;
  return (
    <section aria-label={name} className={styles.lot}>
      <h3>
        {lot.look && <i aria-hidden className={styles.swatch} style={{ background: swatchOf(lot.look) }} />}
        {name}
        <span>
          {formatLength(lot.neededMm, units)} in {count === 1 ? 'one piece' : `${count} pieces`}
        </span>
      </h3>
      <ul>
        {lot.cuts.map(({ reel, pieces, leftMm }) => (
          <li key={reel.id}>
            <span className={styles.reel}>
              {reel.reel ? reel.reel.name : 'to buy'}, {formatLength(reel.lengthMm, units)}
            </span>
            <span className={styles.bar} role="img" aria-label={`${formatLength(leftMm, units)} left`}>
              {pieces.map((piece) => (
                <span
                  key={piece.id}
                  style={{ flexGrow: piece.lengthMm }}
                  title={`${nameOf(piece.id)}, ${formatLength(piece.lengthMm, units)}`}
                >
                  {piece.lengthMm / reel.lengthMm > 0.06 ? nameOf(piece.id) : ''}
                </span>
              ))}
              <span className={styles.left} style={{ flexGrow: leftMm }} />
            </span>
            <span className={styles.pieces}>
              {[...pieces]
                .sort((a, b) => b.lengthMm - a.lengthMm)
                .map((piece) => `${nameOf(piece.id)} ${formatLength(piece.lengthMm, units)}`)
                .join(' · ')}
              {'; '}
              {formatLength(leftMm, units)} left
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What wire there is to cut from. */
function Reels({ reels, lots, onCommit }: { reels: readonly Reel[]; lots: readonly CutLot[]; onCommit: Commit }) {
  const units = useUnits();
  const unitMm = units === 'metric' ? 1000 : 304.8;
  const wanted = lots.filter(({ look }) => look !== null);
  const add = (key: string) =>
    onCommit('A reel at hand', (now) => {
      const lot = wanted.find((one) => lotKey(one) === key);
      const edit = new Edit(now);
      if (lot?.look) {
        const { conductor, look } = lot;
        edit.add({ id: newId('reel'), type: 'reel', name: `Reel ${reels.length + 1}`, conductor, ...look, lengthMm: 10_000 });
      }
      return edit.change;
    });
  return (
    <section aria-label="Reels at hand" className={styles.reels}>
      <h3>Reels at hand</h3>
      {reels.map((reel) => (
        <div key={reel.id} className={styles.reelRow}>
          <i aria-hidden className={styles.swatch} style={{ background: swatchOf(reel) }} />
          <span>
            {reel.name}: {formatConductor(reel.conductor)}, {lookWords(reel)}
          </span>
          <QuantityField
            label={`Left on ${reel.name}`}
            value={reel.lengthMm / unitMm}
            decimals={1}
            unit={units === 'metric' ? 'm' : 'ft'}
            least={0.1}
            most={1000}
            width={92}
            onCommit={(value) =>
              onCommit(`Left on ${reel.name}`, (now) => updateRecords(now, [setting(reel, { lengthMm: Math.round(value * unitMm) })]))
            }
          />
          <Button
            size="small"
            aria-label={`Remove ${reel.name}`}
            icon={<Trash2 size={14} />}
            onClick={() =>
              onCommit(`Remove ${reel.name}`, (now) => {
                const edit = new Edit(now);
                edit.remove(reel.id);
                return edit.change;
              })
            }
          />
        </div>
      ))}
      {wanted.length === 0 ? (
        <p className={styles.soft}>Colour the wires first: a reel is of a colour.</p>
      ) : (
        <Select
          size="small"
          showSearch
          aria-label="Add a reel"
          placeholder="add a reel of …"
          value={null}
          style={{ width: 260 }}
          options={wanted.map((lot) => ({ value: lotKey(lot), label: `${formatConductor(lot.conductor)}, ${lookWords(lot.look!)}` }))}
          optionFilterProp="label"
          onChange={add}
        />
      )}
    </section>
  );
}
