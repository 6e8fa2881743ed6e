import { cpuUsage } from 'node:process';
import { heron } from '../../demo/heron';
import { parseLength, parseHours, parseNumber, parsePlace } from '../units/parse';
import { parseDraw, splitNameAndDraw } from './drawText';
import { readTradeSize } from '../units/tradeSizes';
import { readLoadsCsv } from './loadsCsv';
import { readMonitorLog } from './monitorLog';
import { parseMonitorLine } from './monitorLine';
import { parseRates } from './ratesText';
import { readSpice } from './spiceRead';
import { parseSpans, parseUse } from './useText';
import { readWeather } from './weatherFile';

/** Texts of forty thousand characters of the kinds that make a careless pattern try every way to part them. */
const LONG = 40_000;
const TEXTS = ['1', ' ', '1 ', '-', '.', ',', '1/1 ', 'a', '1m ', '"', "1'", '\t', '1–', '1x', ' W/m x ', '½', '0,'].map((piece) =>
  piece.repeat(Math.ceil(LONG / piece.length)).slice(0, LONG),
);
const design = heron();
const READERS: Record<string, (text: string) => unknown> = {
  number: (text) => parseNumber(text, ['A']),
  hours: parseHours,
  length: (text) => parseLength(text, 'us'),
  place: (text) => parsePlace(text, 'us'),
  draw: (text) => parseDraw(text, 12, 'metric'),
  'name and draw': (text) => splitNameAndDraw(text, 12, 'metric'),
  use: parseUse,
  spans: parseSpans,
  rates: parseRates,
  'trade size': readTradeSize,
  'monitor line': parseMonitorLine,
  'monitor log': (text) => readMonitorLog(`time,volts,amps\n${text},${text},${text}`),
  'monitor headings': (text) => readMonitorLog(`${text},${text}\n1,2`),
  weather: (text) => readWeather(`time,ghi\n${text},${text}`),
  'weather headings': (text) => readWeather(`${text},${text}\n1,2`),
  SPICE: (text) => attempt(() => readSpice(`* deck\nR1 1 0 ${text}\n.end\n`)),
  'loads as CSV': (text) => readLoadsCsv(`name,watts\n${text}`, design),
};

/**
 * Milliseconds of the processor’s own time, which waiting for others does not lengthen; garbage and what other threads do still may, so it
 * is taken several times.
 */
function timed(work: () => unknown): number {
  const start = cpuUsage();
  work();
  return cpuUsage(start).user / 1000;
}

function attempt(read: () => unknown): unknown {
  try {
    return read();
  } catch (error) {
    return error;
  }
}

test.each(Object.keys(READERS))('%s: no text of forty thousand characters takes longer than reading it a few times over', (name) => {
  for (const text of TEXTS) {
    for (const around of [text, `1${text}x`, `x ${text}1`]) {
      const least = (whole: string) => Math.min(...[0, 1, 2, 3].map(() => timed(() => READERS[name]!(whole))));
      // On a busy machine everything is slow; what grows with the square of its text takes four times as long for twice of it.
      const isFine = least(around) < 50 || [0, 1, 2].some(() => least(around + around) < 3 * least(around));
      expect([name, around.slice(0, 8), isFine]).toEqual([name, around.slice(0, 8), true]);
    }
  }
});
