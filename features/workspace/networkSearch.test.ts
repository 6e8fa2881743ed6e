import type { Finding } from '@/core/analysis/finding';
import { NetworkSearch, type Searcher } from './networkSearch';

/** A worker that answers when it is told to. */
class Told implements Searcher {
  asked: number[] = [];
  isEnded = false;
  onmessage: Searcher['onmessage'] = null;
  onerror: Searcher['onerror'] = null;

  postMessage({ job }: { job: number }) {
    this.asked.push(job);
  }

  terminate() {
    this.isEnded = true;
  }

  answer(question: number, findings: readonly string[]) {
    this.onmessage!.call(this as unknown as Worker, { data: { job: this.asked[question], findings } } as MessageEvent);
  }

  fail() {
    this.onerror!.call(this as unknown as Worker, new Event('error') as ErrorEvent);
  }
}

function searched() {
  const workers: Told[] = [];
  const search = new NetworkSearch(() => {
    const made = new Told();
    workers.push(made);
    return made;
  });
  const said: [string, readonly Finding[] | 'failed'][] = [];
  const ask = (design: string) =>
    search.ask([], { found: (findings) => said.push([design, findings]), failed: () => said.push([design, 'failed']) });
  return { workers, said, ask };
}

test('one worker searches design after design, and each is told what was found in it', () => {
  const { workers, said, ask } = searched();
  const leave = ask('Pip');
  workers[0]!.answer(0, ['of Pip']);
  leave();
  ask('Heron');
  workers[0]!.answer(1, ['of Heron']);
  expect(workers).toHaveLength(1);
  expect(said).toEqual([['Pip', ['of Pip']], ['Heron', ['of Heron']]]); // prettier-ignore
});

test('what is found in a design that was left, or has changed since, is nobody’s', () => {
  const { workers, said, ask } = searched();
  const leave = ask('Pip');
  leave();
  workers[0]!.answer(0, ['too late']);
  ask('Heron');
  workers[0]!.answer(0, ['of Pip, as Heron is open']);
  ask('Heron, changed');
  workers[0]!.answer(1, ['of Heron before']);
  expect(said).toEqual([]);
  workers[0]!.answer(2, ['of Heron']);
  expect(said).toEqual([['Heron, changed', ['of Heron']]]);
});

test('leaving a design long answered does not take back what is asked of the next', () => {
  const { workers, said, ask } = searched();
  const leave = ask('Pip');
  ask('Heron');
  leave();
  workers[0]!.answer(1, ['of Heron']);
  expect(said).toEqual([['Heron', ['of Heron']]]);
});

test('a worker that fails says so, is ended, and the next question has a new one', () => {
  const { workers, said, ask } = searched();
  ask('Pip');
  workers[0]!.fail();
  expect(said).toEqual([['Pip', 'failed']]);
  expect(workers[0]!.isEnded).toBe(true);
  ask('Pip, changed');
  expect(workers).toHaveLength(2);
  workers[1]!.answer(0, ['of Pip']);
  expect(said.at(-1)).toEqual(['Pip, changed', ['of Pip']]);
});
