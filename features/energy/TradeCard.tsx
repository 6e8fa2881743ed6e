'use client';

import { Button, Progress } from 'antd';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { updateRecords } from '@/core/design/change';
import { SETTINGS_ID } from '@/core/catalog/vocabulary';
import type { TradePoint } from '@/core/energy/tradeOff';
import { formatAmpHours, formatHours, formatNumber, formatPercent, formatWatts } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { ValueAxis } from '@/ui/charts/Axes';
import { Chart } from '@/ui/charts/Chart';
import chart from '@/ui/charts/Charts.module.css';
import { QuantityField } from '@/ui/QuantityField';
import { ACCEPTED_CHANCE_PERCENT } from '@/core/energy/usualQuestions';
import { vehicleChargeA } from '@/core/energy/chargeSources';
import { useDays } from './useDays';
import styles from './Energy.module.css';

const DRAWS = 40;
/** Until the person says what is right for them; the prices are round figures. */
const USUAL = { chancePercent: ACCEPTED_CHANCE_PERCENT, pricePer100Ah: 400, pricePer100W: 120 };
const FRAME = { width: 760, height: 230, left: 60, right: 20, top: 12, bottom: 30 };

/** Battery against panel against driving, for a chance of running out one accepts. */
export function TradeCard({ scenarioId }: { scenarioId: string }) {
  const store = useDesignStore();
  const kept = useDesign(({ analysis }) => analysis.index.settings.wishes) ?? USUAL;
  const keep = (fields: Partial<typeof USUAL>) =>
    void store.commit('Change what battery and panel are weighed by', (design) =>
      updateRecords(design, [{ id: SETTINGS_ID, set: { wishes: { ...kept, ...fields } } }]),
    );
  const drivingA = useDesign(({ analysis }) => vehicleChargeA(analysis.index));
  const { chancePercent, pricePer100Ah, pricePer100W } = kept;
  const days = useDays({ ask: 'trade', scenarioId, limit: chancePercent / 100, draws: DRAWS, seed: 1, pricePer100Ah, pricePer100W }, false);
  const trade = days.answer && 'trade' in days.answer ? days.answer.trade : null;
  return (
    <section className={styles.card} aria-label="What would be enough">
      <div className={styles.row}>
        <h3>What would be enough</h3>
        <label>
          running out in at most
          <QuantityField
            label="Accepted chance of running out"
            value={chancePercent}
            unit="%"
            decimals={0}
            least={0}
            most={100}
            onCommit={(value) => keep({ chancePercent: value })}
          />
        </label>
        <label>
          100 Ah costs
          <QuantityField
            label="Price of 100 Ah"
            value={pricePer100Ah}
            unit=""
            decimals={0}
            least={0}
            most={100000}
            onCommit={(value) => keep({ pricePer100Ah: value })}
          />
        </label>
        <label>
          100 W costs
          <QuantityField
            label="Price of 100 W of panel"
            value={pricePer100W}
            unit=""
            decimals={0}
            least={0}
            most={100000}
            onCommit={(value) => keep({ pricePer100W: value })}
          />
        </label>
        {days.done === null ? (
          <Button size="small" type="primary" onClick={days.ask}>
            Work it out
          </Button>
        ) : (
          <Button size="small" onClick={days.cancel}>
            Stop
          </Button>
        )}
      </div>
      {days.done !== null && <Progress percent={Math.round(days.done * 100)} size="small" aria-label="Pairs tried" />}
      {!trade && days.done === null && (
        <p className={styles.small}>
          Tries seven sizes of battery, each with the least panel that keeps under the limit. The prices are yours to put in.
        </p>
      )}
      {trade && (
        <>
          {!days.fresh && <p className={styles.small}>The design or the question has changed since: work it out again.</p>}
          <TradeChart points={trade.points} best={trade.cheapest} />
          <p className={styles.said}>
            {trade.cheapest
              ? `Cheapest of these: ${formatAmpHours(trade.cheapest.capacityAh)} with ${trade.cheapest.panelW === 0 ? 'no panel' : `${formatWatts(trade.cheapest.panelW)} of panel`},  ${formatNumber(trade.cheapest.cost!, 0)}; it runs out in ${formatPercent(trade.cheapest.chance * 100)} of the draws.`
              : 'None of these is enough: use less, drive more or take a hookup.'}{' '}
            {trade.drivingH === 0
              ? 'As designed it keeps under the limit.'
              : drivingA === 0
                ? 'Driving brings nothing in this design: there is no alternator with a way to the house battery.'
                : trade.drivingH === null
                  ? 'With battery and panel as they are, not even eight hours of driving a day keep under the limit.'
                  : `With battery and panel as they are it takes ${formatHours(trade.drivingH)} more driving every day.`}
          </p>
        </>
      )}
    </section>
  );
}

function TradeChart({ points, best }: { points: readonly TradePoint[]; best: TradePoint | null }) {
  const most = Math.max(200, ...points.map(({ panelW }) => panelW ?? 0));
  const x = scaleLinear([0, Math.max(...points.map(({ capacityAh }) => capacityAh)) * 1.05], [FRAME.left, FRAME.width - FRAME.right]);
  const y = scaleLinear([0, most * 1.1], [FRAME.height - FRAME.bottom, FRAME.top]);
  const enough = points.filter(({ panelW }) => panelW !== null);
  const path = line<TradePoint>()
    .x(({ capacityAh }) => x(capacityAh))
    .y(({ panelW }) => y(panelW!));
  const words = ({ capacityAh, panelW, cost, asDesigned }: TradePoint) =>
    `${formatAmpHours(capacityAh)}${asDesigned ? ' as designed' : ''}: ${panelW === null ? 'no panel up to 1300 W is enough' : `${formatWatts(panelW)} of panel is enough, ${formatNumber(cost, 0)} together`}`;
  return (
    <Chart
      title="Battery against panel"
      says="on and above the line is enough"
      frame={FRAME}
      points={points.length}
      read={(at) => words(points[at]!)}
      table={{
        head: ['Battery', 'Least panel', 'Runs out', 'Cost'],
        rows: points.map(({ capacityAh, panelW, chance, cost }) => [
          formatAmpHours(capacityAh),
          formatWatts(panelW),
          formatPercent(chance * 100),
          formatNumber(cost, 0),
        ]),
      }}
    >
      {(cursor) => (
        <>
          <ValueAxis frame={FRAME} y={y} ticks={y.ticks(5)} text={(tick) => `${formatNumber(tick, 0)} W`} />
          {points.map(({ capacityAh }) => (
            <text key={capacityAh} className={chart.tick} x={x(capacityAh)} y={FRAME.height - 10} textAnchor="middle">
              {formatNumber(capacityAh, 0)} Ah
            </text>
          ))}
          <path d={path(enough) ?? ''} fill="none" stroke="var(--stem)" strokeWidth={2} />
          {points.map((point, at) => (
            <g key={point.capacityAh} transform={`translate(${x(point.capacityAh)} ${y(point.panelW ?? most * 1.1)})`}>
              {point.panelW === null ? (
                <path d="M-4 -4 L4 4 M-4 4 L4 -4" stroke="var(--brick)" strokeWidth={2} />
              ) : (
                <circle r={point === best ? 7 : 4} fill={point.asDesigned ? 'var(--copper)' : 'var(--stem)'} stroke="var(--paper-raised)" />
              )}
              {cursor === at && <circle r={10} fill="none" stroke="var(--focus)" strokeWidth={1.5} />}
              {point === best && (
                <text className={chart.label} y={-11} textAnchor="middle">
                  cheapest
                </text>
              )}
            </g>
          ))}
        </>
      )}
    </Chart>
  );
}
