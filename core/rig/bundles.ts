import { outsideDiameterMm } from '../catalog/cableDiameters';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { DesignIndex } from './designIndex';
import type { Wire } from '../design/schema';
import type { Layout } from './layout';

/**
 * Diameter of the smallest circle that holds so many equal circles, over the diameter of one times the square root of their
 * number. Source: R. L. Graham et al., Discrete Mathematics 181 (1998), 139, and E. Specht's tables, from memory.
 */
const PACKED: readonly number[] = [1, 1, 1.4143, 1.2441, 1.2072, 1.2082, 1.2248, 1.2, 1.2, 1.2045, 1.2059];
/** From eleven on a hand-made bundle is taken as loose as this. Source: harness-making practice, D = 1.2 d √n. */
const LOOSE = 1.2;

/** Outside diameter of a round bundle of conductors, mm. Of unlike ones the squares of the diameters are added. */
export function bundleDiameterMm(sizes: readonly ConductorSize[]): number {
  const diameters = sizes.map(outsideDiameterMm).sort((a, b) => b - a);
  if (diameters.length === 0) return 0;
  const squares = diameters.reduce((sum, d) => sum + d * d, 0);
  const round = (PACKED[diameters.length] ?? LOOSE) * Math.sqrt(squares);
  return Math.max(round, diameters[0]! + (diameters[1] ?? 0));
}

/** Share of a conduit's inside that its conductors fill, 0 to 1 and past it. */
export function conduitFill(sizes: readonly ConductorSize[], insideMm: number): number {
  const squares = sizes.reduce((sum, size) => sum + outsideDiameterMm(size) ** 2, 0);
  return squares / insideMm ** 2;
}

/** The most of a conduit that may be filled: 53 % by one conductor, 31 % by two, 40 % by more. Source: NEC chapter 9 table 1. */
export function mostFill(count: number): number {
  if (count <= 1) return 0.53;
  return count === 2 ? 0.31 : 0.4;
}

/** The least inside diameter of a conduit for these conductors, mm. */
export function leastConduitMm(sizes: readonly ConductorSize[]): number {
  const squares = sizes.reduce((sum, size) => sum + outsideDiameterMm(size) ** 2, 0);
  return Math.sqrt(squares / mostFill(sizes.length));
}

/** Conductors that carry no more than this share of their rating in the bundle do not count as loaded. */
export const UNLOADED_SHARE = 0.3;

/**
 * Whether a conductor counts among the loaded ones of its bundle. Source: IEC 60364-5-52 clause 523.5: one that carries not
 * more than 30 % of its grouped rating may be left out; from memory.
 * @param groupedA what it carries with all that lies beside it counted as loaded, so that none is left out that might count.
 */
export function countsAsLoaded(amps: number, groupedA: number): boolean {
  return amps > UNLOADED_SHARE * groupedA;
}

/** For each wire, the most conductors, loaded or not, that lie together anywhere on its way. */
export function mostTogether({ runs, wires }: Layout): Map<string, number> {
  const lying = new Map<string, number>();
  for (const { routeIds } of runs.values()) for (const id of routeIds ?? []) lying.set(id, (lying.get(id) ?? 0) + 1);
  const most = new Map<string, number>();
  for (const [wireId, { routeIds }] of runs) {
    let count = 1;
    for (const id of routeIds ?? []) count = Math.max(count, lying.get(id)!);
    most.set(wireId, count);
  }
  for (const cores of coresTogether(wires)) for (const id of cores) most.set(id, Math.max(cores.length, most.get(id) ?? 1));
  return most;
}

/** Wires that are cores of one cable lie together all the way, whether anybody has laid it through the vehicle or not. */
function coresTogether(wires: readonly Wire[]): string[][] {
  const cores = new Map<string, string[]>();
  for (const { id, core } of wires) if (core) cores.set(core.cableId, [...(cores.get(core.cableId) ?? []), id]);
  return Array.from(cores.values());
}

/** The conductors that lie together in one route. */
export interface Bundle {
  routeId: string;
  wires: readonly Wire[];
  /** How many of them count as loaded. */
  loaded: number;
  diameterMm: number;
  /** Share of a conduit filled and the most allowed; null where the route has no inside diameter. */
  fill: { share: number; most: number } | null;
}

/** What lies in every route. */
export function gatherBundles({ layout }: DesignIndex, isLoaded: (wireId: string) => boolean): Map<string, Bundle> {
  const lying = new Map<string, Wire[]>();
  for (const wire of layout.wires) {
    for (const routeId of layout.runs.get(wire.id)?.routeIds ?? []) {
      const beside = lying.get(routeId);
      if (beside) beside.push(wire);
      else lying.set(routeId, [wire]);
    }
  }
  const bundles = new Map<string, Bundle>();
  for (const [routeId, { route }] of layout.routes) {
    const wires = lying.get(routeId) ?? [];
    const sizes = wires.map(({ conductor }) => conductor);
    const loadedHere = wires.reduce((count, { id }) => (isLoaded(id) ? count + 1 : count), 0);
    const { insideMm } = route;
    const fill = insideMm === null ? null : { share: conduitFill(sizes, insideMm), most: mostFill(wires.length) };
    bundles.set(routeId, { routeId, wires, loaded: loadedHere, diameterMm: bundleDiameterMm(sizes), fill });
  }
  return bundles;
}

/** For each wire, the most loaded conductors that lie together with it anywhere on its way, itself among them. */
export function loadedTogether(
  bundles: ReadonlyMap<string, Bundle>,
  { runs, wires }: Layout,
  isLoaded: (wireId: string) => boolean,
): Map<string, number> {
  const together = new Map<string, number>();
  for (const [wireId, { routeIds }] of runs) {
    if (routeIds === null || routeIds.length === 0) continue;
    let most = 0;
    for (const routeId of routeIds) most = Math.max(most, bundles.get(routeId)!.loaded);
    together.set(wireId, Math.max(1, isLoaded(wireId) ? most : most + 1));
  }
  for (const cores of coresTogether(wires)) {
    const loaded = cores.filter(isLoaded).length;
    for (const id of cores) together.set(id, Math.max(together.get(id) ?? 1, isLoaded(id) ? loaded : loaded + 1));
  }
  return together;
}
