import { parseArgs } from 'node:util';
import { settingsOf } from '../core/design/design';
import { nameOf } from '../core/design/names';
import { harnessOfDesign } from '../core/harness/schedule';
import { needsOf } from '../core/plan/needs';
import { leastMinutes, planWork } from '../core/plan/schedule';
import { tasksOf } from '../core/plan/tasks';
import { indexDesign } from '../core/rig/designIndex';
import { formatClock } from '../core/units/quantity';
import { needWords, TASK_CAUTIONS, taskWords } from '../core/wording/planWords';
import { loadDesign } from './designFile';
import { BadInput, numberOption } from './input';

/** `vine-knot plan`: what is to be done to build a design, in an order for one or two people, with what holds by the clock. */
export function planDesign(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { people: { type: 'string' }, hours: { type: 'string' }, cold: { type: 'boolean' }, json: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('plan takes one file');
  const people = numberOption('people', values.people, 1, 2, 1) === 2 ? 2 : 1;
  const design = loadDesign(file);
  const hours = values.hours === undefined ? null : numberOption('hours', values.hours, 1, 24, 24);
  const [index, harness] = [indexDesign(design), harnessOfDesign(design)];
  const tasks = tasksOf(design, index, harness, { isCold: values.cold === true });
  const { planned, minutes, critical } = planWork(tasks, people, hours && hours * 60);
  const { units } = settingsOf(design);
  const said = planned.map(({ task, startMinute, endMinute, person }) => ({
    ...{ id: task.id, kind: task.kind, name: taskWords(design, task), place: task.placeId && nameOf(design, task.placeId) },
    ...{ minutes: round(task.minutes), start: round(startMinute), end: round(endMinute), person: person + 1 },
    ...(hours !== null && { day: Math.floor(startMinute / (hours * 60)) + 1 }),
    ...{ after: task.after.map(({ id }) => id), caution: TASK_CAUTIONS[task.kind] ?? null },
    needs: needsOf(design, index, harness, task).map((need) => needWords(need, units)),
  }));
  const holds = tasks.flatMap(({ id, after }) => after.filter(({ holdMinutes }) => holdMinutes > 0).map((one) => ({ after: one.id, before: id, minutes: one.holdMinutes }))); // prettier-ignore
  if (values.json) {
    const output = { minutes: round(minutes), leastMinutes: round(leastMinutes(tasks, people)), people, tasks: said, order: said.map(({ id }) => id), holds, critical }; // prettier-ignore
    process.stdout.write(`${JSON.stringify(output, null, 1)}\n`);
  } else {
    for (const { start, name, place, minutes: takes } of said)
      process.stdout.write(`${clock(start)}  ${String(Math.round(takes)).padStart(4)} min  ${name}${place ? ` (${place})` : ''}\n`);
    process.stdout.write(`\n${clock(minutes)} in all, ${people === 1 ? 'alone' : 'two people'}.\n`);
  }
  return 0;
}

const round = (value: number) => Number(value.toFixed(1));
const clock = (minutes: number) => formatClock(minutes).padStart(6);
