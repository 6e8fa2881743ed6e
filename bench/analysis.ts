import { analyse } from '../core/analysis/analyse';
import { applyChange, updateRecords } from '../core/design/change';
import { marl } from '../demo/marl';

/** Milliseconds for applying one edit and for analysing the whole design, by size, after warming up. */
const ROUNDS = 60;

const rows = process.argv.slice(2).map((text) => {
  const design = marl(Number(text));
  const load = Array.from(design.records.values()).find((record) => record.type === 'device' && record.kind === 'load')!;
  let last = analyse(design);
  const times = { apply: [] as number[], analyse: [] as number[] };
  for (let round = 0; round < ROUNDS * 2; round++) {
    const start = performance.now();
    const edited = applyChange(design, updateRecords(design, [{ id: load.id, set: { quantity: 1 + (round % 9) } }]));
    const applied = performance.now();
    last = analyse(edited, last);
    if (round < ROUNDS) continue;
    times.apply.push(applied - start);
    times.analyse.push(performance.now() - applied);
  }
  return { circuits: Number(text), records: design.records.size, 'apply, ms': median(times.apply), 'analyse, ms': median(times.analyse) };
});
console.log(JSON.stringify(rows));

function median(values: number[]): number {
  return Number(values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!.toFixed(2));
}
