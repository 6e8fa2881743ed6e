import { analyse } from '../analysis/analyse';
import { makeDesign } from '../design/design';
import type { DesignRecord } from '../design/schema';
import { forecast, type Forecast } from '../energy/forecast';
import { settingOf } from '../energy/setting';
import { cheapest, drivingNeeded, tradeOff, type TradePoint, type TradeQuestion } from '../energy/tradeOff';
import { prepareTrip } from '../energy/trip';

/** What long work on a scenario's days can be asked for, as plain data, so that a worker can be asked. */
export type DaysQuestion = { records: DesignRecord[]; scenarioId: string } & (
  { ask: 'forecast'; year: boolean; draws: number; seed: number; startShare: number } | ({ ask: 'trade' } & TradeQuestion)
);

export type DaysAnswer =
  | { done: number }
  | { forecast: Forecast | null }
  | { trade: { points: TradePoint[]; cheapest: TradePoint | null; drivingH: number | null } | null };

const YEAR_DAYS = 365;

/** Answers a question, saying on the way how far it is. Null where there is no battery or no such scenario. */
export function answerDays(question: DaysQuestion, onAnswer: (answer: DaysAnswer) => void): void {
  const { index } = analyse(makeDesign(question.records));
  const scenario = index.scenarios.find(({ id }) => id === question.scenarioId);
  const { battery } = index;
  if (question.ask === 'forecast') {
    if (!scenario || !battery) return onAnswer({ forecast: null });
    const days = question.year ? YEAR_DAYS : settingOf(scenario).days;
    const trip = prepareTrip(index, battery, question.year ? { ...scenario, startDay: 1 } : scenario, days);
    const { draws, seed, startShare } = question;
    const onDraw = (done: number) => {
      if (done % 10 === 0) onAnswer({ done: done / draws });
      return true;
    };
    return onAnswer({ forecast: forecast(trip, { draws, seed, startShare, onDraw }) });
  }
  if (!scenario || !battery) return onAnswer({ trade: null });
  const points = tradeOff(index, battery, scenario, question, (done) => {
    onAnswer({ done: done * 0.9 });
    return true;
  });
  onAnswer({ trade: { points, cheapest: cheapest(points), drivingH: drivingNeeded(index, battery, scenario, question) } });
}
