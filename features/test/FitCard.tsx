'use client';

import { Button } from 'antd';
import { recordsOf } from '@/core/design/design';
import { takeFit } from '@/core/diagnosis/fit';
import { unitOf } from '@/core/diagnosis/readings';
import { formatNumber } from '@/core/units/quantity';
import { offerWords } from '@/core/wording/fitWords';
import { measurementWords } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { today } from '@/core/units/days';
import { useDiagnosis } from './useDiagnosis';
import { useWireNumbers } from './useWireNumbers';
import shared from '../harness/Harness.module.css';
import styles from './Test.module.css';

/** Readings from so many on are fitted; fewer say nothing that the plan did not. */
const LEAST_READINGS = 2;

/** What all readings together say of the plan: offered as one change, and which of them fits with none of the others. */
export function FitCard() {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const numbers = useWireNumbers();
  const count = recordsOf(design, 'reading').length;
  const { answer } = useDiagnosis(count >= LEAST_READINGS ? { ask: 'fit' } : null);
  const { commit, refusal } = useRefusal();
  const fitted = answer && 'fitted' in answer ? answer.fitted : null;
  if (count < LEAST_READINGS || !fitted || (fitted.offers.length === 0 && fitted.strays.length === 0)) return null;
  const { offers, strays } = fitted;
  const take = () => commit('What was measured mends the plan', (now) => takeFit(now, index, offers, today()));
  return (
    <section aria-label="The plan mended" className={styles.fit}>
      <h3>What the readings say of the plan</h3>
      {offers.length > 0 && (
        <>
          <ul className={styles.offers}>
            {offers.map((offer) => {
              const { what, was, is } = offerWords(design, index, offer);
              return (
                <li key={what}>
                  <span>{what}</span>
                  <span className="reading">
                    {was} → <b>{is}</b>
                  </span>
                </li>
              );
            })}
          </ul>
          <Button onClick={take}>Mend the plan by them</Button>
          <span className={shared.soft}> Drop, energy and findings follow; one undo takes it back.</span>
        </>
      )}
      {strays.map(({ readingId, expected }) => {
        const reading = design.records.get(readingId);
        if (reading?.type !== 'reading') return null;
        const unit = unitOf(reading.what);
        return (
          <p key={readingId} className={styles.stray}>
            {formatNumber(reading.value, 2)} {unit} at {measurementWords(design, reading.what, numbers)} fits with none of the others, which
            want {formatNumber(expected, 2)} {unit}: read it again. If it stays, something is wrong there, and no plan is to be mended by
            it.
          </p>
        );
      })}
      {refusal}
    </section>
  );
}
