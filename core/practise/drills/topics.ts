import { seeded } from '../../energy/weather';
import { diagrams, logics } from './circuits';
import { figures } from './figures';
import { colours, meterUse, pins, triggers } from './hands';
import { mistakes } from './mistakes';
import { numbers } from './numbers';
import { pictures } from './pictures';
import type { Generator, Question } from './question';
import { sizes } from './sizes';

interface Topic {
  title: string;
  about: string;
  makes: readonly Generator[];
}

/** What is drilled, each topic with what makes its questions. */
export const TOPICS = {
  pins: {
    title: 'Pins and plugs',
    about: 'relays with and without numbers, terminals by their number, pilot lamps, plug halves',
    makes: [...pins, ...numbers],
  },
  diagram: { title: 'Will it light?', about: 'a drawn board with one fault: what still lights', makes: diagrams },
  logic: { title: 'Switching logic', about: 'two places, one of two, a middle position, a door', makes: logics },
  colours: { title: 'Colours by school', about: 'what a colour says, and where it says something else', makes: colours },
  sizes: { title: 'Sizes and units', about: 'gauges and square millimetres, 14/2, outsides that are not copper', makes: sizes },
  figures: { title: 'Current, fuse, drop', about: 'in the head, then checked', makes: figures },
  meter: { title: 'Using the meter', about: 'where the leads go, which range, what it says', makes: meterUse },
  trigger: { title: 'Which wire is the trigger?', about: 'unknown wires read in several states', makes: triggers },
  mistake: {
    title: 'What is wrong here?',
    about: 'missing protection, a fuse its wire does not stand, bare plugs, batteries joined wrongly',
    makes: [...mistakes, ...pictures],
  },
} as const satisfies Record<string, Topic>;

export type TopicId = keyof typeof TOPICS;
export const TOPIC_IDS = Object.keys(TOPICS) as [TopicId, ...TopicId[]];

/** Draws of one seed before a topic is given up: what was drawn may make no question. */
const MOST_DRAWS = 50;

/** A topic's question of a seed; the same seed gives the same question. */
export function questionOf(topic: TopicId, seed: number): Question {
  const random = seeded(seed);
  const { makes } = TOPICS[topic];
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const question = makes[Math.floor(random() * makes.length)]!(random);
    if (question) return question;
  }
  throw new Error(`no question of ${topic} from ${seed}`);
}
