import { Carried, slot } from './carried';

const SUM = slot<{ sum: number }>('sum');
const EACH = slot<{ twice: number }>('each');

/** A sum of some numbers, and how often it was worked out. */
function summing() {
  let made = 0;
  const sumOf = (carried: Carried, ...numbers: number[]) =>
    carried.keep(SUM, numbers, () => {
      made += 1;
      return { sum: numbers.reduce((sum, one) => sum + one, 0) };
    });
  return { sumOf, made: () => made };
}

test('an answer is taken over while all it was made from is the same, and made anew otherwise', () => {
  const { sumOf, made } = summing();
  const first = new Carried();
  const one = sumOf(first, 1, 2);
  const second = new Carried(first);
  expect(sumOf(second, 1, 2)).toBe(one);
  expect(second.isTaken(SUM, '')).toBe(true);
  const third = new Carried(second);
  expect(sumOf(third, 1, 3)).toEqual({ sum: 4 });
  expect(third.isTaken(SUM, '')).toBe(false);
  expect(sumOf(new Carried(third), 1, 3, 0)).toEqual({ sum: 4 });
  expect(made()).toBe(3);
});

test('what was not asked for in between is not there to be taken over later', () => {
  const { sumOf, made } = summing();
  const first = new Carried();
  sumOf(first, 1, 2);
  sumOf(new Carried(new Carried(first)), 1, 2);
  expect(made()).toBe(2);
});

test('a working-out that has ended has let go of what was before it, and hands on its own', () => {
  const { sumOf, made } = summing();
  const first = new Carried();
  sumOf(first, 1, 2);
  const second = new Carried(first);
  sumOf(second, 1, 2);
  second.close();
  expect(second.isTaken(SUM, '')).toBe(false);
  sumOf(new Carried(second), 1, 2);
  expect(made()).toBe(1);
});

test('each id by itself; one that says the same is the object it was, though what it was made from changed', () => {
  const twice = (carried: Carried, id: string, value: number) =>
    carried.keepEach(EACH, id, [value], () => ({ twice: Math.abs(value) * 2 }), (was, now) => was.twice === now.twice); // prettier-ignore
  const first = new Carried();
  const [a, b] = [twice(first, 'a', 2), twice(first, 'b', 3)];
  const second = new Carried(first);
  expect(twice(second, 'a', -2)).toBe(a);
  expect(twice(second, 'b', 4)).not.toBe(b);
  expect(twice(second, 'c', 2)).toEqual(a);
  expect(twice(second, 'c', 2)).not.toBe(a);
});

test('what can go on is told what there was and what that was made from', () => {
  const LIST = slot<number[]>('list');
  const listOf = (carried: Carried, upTo: number) =>
    carried.keep(LIST, [upTo], (was) => [...(was?.answer ?? []), ...(was ? [was.from[0] as number] : []), upTo]);
  const first = new Carried();
  expect(listOf(first, 1)).toEqual([1]);
  expect(listOf(new Carried(first), 2)).toEqual([1, 1, 2]);
});

test('what is worked out each time is the object it was for as long as it says the same', () => {
  const first = new Carried();
  const same = (was: { sum: number }, now: { sum: number }) => was.sum === now.sum;
  const one = first.steady(SUM, { sum: 3 }, same);
  const second = new Carried(first);
  expect(second.steady(SUM, { sum: 3 }, same)).toBe(one);
  expect(new Carried(second).steady(SUM, { sum: 4 }, same)).toEqual({ sum: 4 });
});

test('what is asked of one working-out is made once, and handed on to none', () => {
  let made = 0;
  const asked = (carried: Carried) => carried.ofThis(SUM, () => ({ sum: (made += 1) }));
  const first = new Carried();
  first.close();
  expect([asked(first), asked(first)]).toEqual([{ sum: 1 }, { sum: 1 }]);
  expect(asked(new Carried(first))).toEqual({ sum: 2 });
});
