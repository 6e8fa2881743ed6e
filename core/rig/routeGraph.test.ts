import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { seeded } from '../../testing/random';
import { place, route } from '../../testing/vehicle';
import { routeGraph, shortestWays, wayTo } from './routeGraph';

/** A random vehicle: places strewn about, each joined to some others, a few routes closed. */
function strewn(seed: number, placeCount: number, routeCount: number) {
  const next = seeded(seed);
  const places = Array.from({ length: placeCount }, (_, at) => place(`p${at}`, next() * 6000, next() * 2000, next() * 2500));
  const routes = Array.from({ length: routeCount }, (_, at) => {
    const from = Math.floor(next() * placeCount);
    const to = (from + 1 + Math.floor(next() * (placeCount - 1))) % placeCount;
    return route(`p${from}`, `p${to}`, { id: `r${at}`, measuredMm: Math.round(100 + next() * 4000), closed: next() < 0.1 });
  });
  return { places, routes };
}

test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])('shortest ways agree with a reference library (graphology) on random vehicle %i', (seed) => {
  const { places, routes } = strewn(seed, 20 + seed * 4, 24 + seed * 9);
  const reference = new Graph({ multi: true, type: 'undirected' });
  for (const { id } of places) reference.addNode(id);
  for (const { id, fromId, toId, measuredMm, closed } of routes) {
    if (!closed) reference.addUndirectedEdgeWithKey(id, fromId, toId, { weight: measuredMm });
  }
  const graph = routeGraph(places, routes, ({ measuredMm }) => measuredMm!);
  const lengthOf = new Map(routes.map(({ id, measuredMm }) => [id, measuredMm!]));
  for (let from = 0; from < places.length; from += 3) {
    const ways = shortestWays(graph, from);
    for (let to = 0; to < places.length; to++) {
      const path = dijkstra.bidirectional(reference, places[from]!.id, places[to]!.id, 'weight') as string[] | null;
      const mine = wayTo(ways, to);
      expect(mine === null).toBe(path === null && from !== to);
      if (!path || from === to) continue;
      const best = path.slice(1).reduce((sum, node, at) => {
        const between = reference.edges(path[at]!, node).map((edge) => reference.getEdgeAttribute(edge, 'weight') as number);
        return sum + Math.min(...between);
      }, 0);
      expect(mine!.reduce((sum, id) => sum + lengthOf.get(id)!, 0)).toBe(best);
      expect(ways.mm[to]).toBe(best);
    }
  }
});

test('the way is told route by route, in order, and a closed route is no way', () => {
  const places = [place('a', 0, 0), place('b', 1000, 0), place('c', 2000, 0), place('island', 0, 2000)];
  const routes = [
    route('a', 'b', { measuredMm: 1000 }),
    route('c', 'b', { measuredMm: 900 }),
    route('a', 'c', { measuredMm: 1500, closed: true }),
  ];
  const ways = shortestWays(
    routeGraph(places, routes, ({ measuredMm }) => measuredMm!),
    0,
  );
  expect(wayTo(ways, 2)).toEqual(['a-b', 'c-b']);
  expect(wayTo(ways, 0)).toEqual([]);
  expect(wayTo(ways, 3)).toBeNull();
});
