import { answerDays, type DaysAnswer, type DaysQuestion } from '@/core/advice/questions';

/** Lives through days off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<DaysQuestion>) => answerDays(data, (answer: DaysAnswer) => self.postMessage(answer));
