import type { Span, Use } from '../design/schema';
import { LIMITS } from '../catalog/vocabulary';
import type { Parsed } from '../units/parse';
import { isTooLong } from '../units/text';
import { unread } from '../units/unread';

/**
 * When a load runs, as people write it: `7–8:30, 17–21`, `dusk–22:30`, `dark`, `driving`, `occupied`, `20 x 60 s` a night, `6 x 120 s a
 * day`, `6 x 120 s by day`, `left on`.
 */

/** When in the day it happens so often; by night where nothing is said. */
const OVER = { daylight: ' by day', always: ' a day' } as const;

export function formatUse(use: Use | null | undefined): string {
  switch (use?.rule) {
    case undefined:
      return '';
    case 'hours':
      return formatSpans(use.spans);
    case 'dark':
      return use.untilMin === null ? 'dark' : `dusk–${formatTime(use.untilMin)}`;
    case 'motion':
      return `${use.timesPerNight} x ${use.holdS} s${use.over ? OVER[use.over] : ''}`;
    case 'leftOn':
      return 'left on';
    case 'driving':
    case 'occupied':
      return use.rule;
  }
}

/** Reads when a load runs. Nothing written means no times: its hours are spread over the day. */
export function parseUse(text: string): Parsed<Use | null> {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  const plain = text.trim().toLowerCase();
  if (plain === '' || plain === '–' || plain === '-') return { ok: true, value: null };
  if (['dark', 'night', 'dusk to dawn', 'dusk–dawn', 'dusk-dawn'].includes(plain))
    return { ok: true, value: { rule: 'dark', untilMin: null } };
  if (['driving', 'drive', 'while driving', 'engine'].includes(plain)) return { ok: true, value: { rule: 'driving' } };
  if (['occupied', 'in', 'while in', 'people'].includes(plain)) return { ok: true, value: { rule: 'occupied' } };
  if (['left on', 'always', 'all day', 'on'].includes(plain)) return { ok: true, value: { rule: 'leftOn' } };
  const dusk = /^dusk\s*(?:–|-|to|until)\s*(.+)$/.exec(plain);
  if (dusk) {
    const until = parseTime(dusk[1]!);
    return until === null ? unread({ code: 'noTime', said: dusk[1]! }) : { ok: true, value: { rule: 'dark', untilMin: until } };
  }
  const motion = /^(\d{1,4})\s*(?:x|×|times)\s*(\d{1,4}(?:\.\d+)?)\s*(s|sec|seconds|min|minutes)?(?: (a|per|by) (night|day))?$/.exec(plain);
  if (motion) {
    const holdS = Number(motion[2]) * (motion[3]?.startsWith('m') ? 60 : 1);
    if (holdS < 1 || holdS > 7200) return unread({ code: 'outside', what: 'holdS', least: 1, most: 7200 });
    if (Number(motion[1]) > 1000) return unread({ code: 'outside', what: 'timesADay', least: 0, most: 1000 });
    return {
      ok: true,
      value: {
        rule: 'motion',
        timesPerNight: Number(motion[1]),
        holdS,
        ...(motion[5] === 'day' && { over: motion[4] === 'by' ? ('daylight' as const) : ('always' as const) }),
      },
    };
  }
  const spans = parseSpans(plain);
  return spans.ok ? { ok: true, value: { rule: 'hours', spans: spans.value } } : spans;
}

/** Stretches of the day, commas between: `7–8:30, 17–21`. */
export function formatSpans(spans: readonly Span[]): string {
  return spans.map(({ fromMin, toMin }) => `${formatTime(fromMin)}–${formatTime(toMin)}`).join(', ');
}

export function parseSpans(text: string): Parsed<Span[]> {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  const plain = text.trim().toLowerCase();
  if (plain === '') return { ok: true, value: [] };
  if (plain === 'all day') return { ok: true, value: [{ fromMin: 0, toMin: 1440 }] };
  const spans: Span[] = [];
  for (const part of plain.split(/[,;]/)) {
    const match = /^\s*([\d:.h]+\s*(?:am|pm)?)\s*(?:–|-|to)\s*([\d:.h]+\s*(?:am|pm)?)\s*$/.exec(part);
    const [fromMin, toMin] = match ? [parseTime(match[1]!), parseTime(match[2]!)] : [null, null];
    if (fromMin === null || toMin === null) return unread({ code: 'noStretch', said: part.trim() });
    if (fromMin === toMin) return unread({ code: 'noExtent', said: part.trim() });
    spans.push({ fromMin, toMin });
  }
  if (spans.length > LIMITS.spans) return unread({ code: 'outside', what: 'stretches', least: 0, most: LIMITS.spans });
  return { ok: true, value: spans };
}

/** `7`, `7:30`, `22.30`, `7h30`, `7 pm`, `24` as minutes after midnight; null when it is none. */
export function parseTime(text: string): number | null {
  const match = /^(\d{1,2})(?:[:.h](\d{2}))?h?\s*(am|pm)?$/.exec(text.trim().toLowerCase());
  if (!match) return null;
  let hour = Number(match[1]);
  const minute = Number(match[2] ?? 0);
  if (match[3]) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (match[3] === 'pm' ? 12 : 0);
  }
  const minutes = hour * 60 + minute;
  return minute < 60 && minutes <= 1440 ? minutes : null;
}

function formatTime(minutes: number): string {
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)}${rest === 0 ? '' : `:${String(rest).padStart(2, '0')}`}`;
}
