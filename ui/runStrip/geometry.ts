import type { Device } from '@/core/design/schema';
import { areaMm2 } from '@/core/catalog/conductorSizes';
import type { CircuitAnalysis, RunStep } from '@/core/analysis/types';

/** A run laid out along its length: what is drawn where, in pixels across and in volts down. */
export interface StripGeometry {
  wires: { wireId: string; x1: number; x2: number; thickness: number; shared: boolean; lengthMm: number }[];
  glyphs: { x: number; kind: GlyphKind; deviceId: string; shared: boolean; repeat: number }[];
  /** Voltage of the supply conductor along the run. */
  supply: [x: number, volts: number][];
  /** Voltage between the two conductors along the run: the supply less the return's rise. */
  across: [x: number, volts: number][];
  /** Where whole metres or feet fall. */
  ticks: { x: number; mm: number }[];
  endX: number;
}

export type GlyphKind = Device['kind'];

/** Room for the voltage scale at the left and the end's readings at the right. */
const PAD_LEFT = 46;
const PAD_RIGHT = 64;
/** Room a device takes along the run, in which no length passes. */
const DEVICE_WIDTH = 20;
const ROW_MOST_GLYPHS = 10;

export interface StripScale {
  width: number;
  sourceV: number;
  /** Whether the drop on shared cable counts. */
  countShared: boolean;
  row: { quantity: number; spacingMm: number };
  tickMm: number;
}

export function layOutStrip(circuit: CircuitAnalysis, scale: StripScale): StripGeometry {
  const { supplyRun } = circuit;
  const shownPieces = Math.min(scale.row.quantity, ROW_MOST_GLYPHS);
  const rowMm = (scale.row.quantity - 1) * scale.row.spacingMm;
  const lengthMm = supplyRun.reduce((sum, step) => sum + (step.kind === 'wire' ? step.lengthMm : 0), rowMm);
  const devices = supplyRun.filter((step) => step.kind === 'device').length + shownPieces - 1;
  const perMm = Math.max(0, scale.width - PAD_LEFT - PAD_RIGHT - devices * DEVICE_WIDTH) / Math.max(lengthMm, 1);
  const walker = new Walker(perMm, scale);

  for (const step of supplyRun) walker.step(step);
  const fed = supplyRun.findLast((step) => step.kind === 'wire');
  const rowSupplyV = circuit.rowDropV / (circuit.returnWireIds.length > 0 ? 2 : 1);
  if (scale.row.quantity > 1 && fed?.kind === 'wire') walker.row(fed, shownPieces, scale.row, rowSupplyV);
  const returns = returnRise(circuit, scale.countShared, lengthMm - rowMm, lengthMm, circuit.rowDropV - rowSupplyV);
  return walker.finish(returns, lengthMm);
}

/** Stroke width in pixels for a conductor, growing with the root of its area as its diameter does. */
export function conductorThickness(conductor: Parameters<typeof areaMm2>[0]): number {
  return Math.min(9, 1.2 + 1.25 * Math.sqrt(areaMm2(conductor)));
}

class Walker {
  private x = PAD_LEFT;
  private mm = 0;
  private volts: number;
  private readonly geometry: StripGeometry = { wires: [], glyphs: [], supply: [], across: [], ticks: [], endX: 0 };
  /** Where length stands still because a device is drawn, so that any length can be placed. */
  private readonly marks: { mm: number; x: number }[] = [];

  constructor(
    private readonly perMm: number,
    private readonly scale: StripScale,
  ) {
    this.volts = scale.sourceV;
    this.mark();
  }

  step(step: RunStep): void {
    if (step.kind === 'device') {
      this.glyph(step.deviceKind, step.deviceId, step.shared, 1);
      return;
    }
    if (step.kind === 'joint') {
      this.lose(step.dropV, step.shared);
      this.mark();
      return;
    }
    const { wireId, lengthMm, conductor, shared, dropV } = step;
    this.wire(wireId, lengthMm, conductorThickness(conductor), shared, dropV);
  }

  row(fed: Extract<RunStep, { kind: 'wire' }>, pieces: number, { quantity, spacingMm }: StripScale['row'], dropV: number): void {
    const deviceId = this.geometry.glyphs.at(-1)!.deviceId;
    const hops = pieces - 1;
    const hopMm = ((quantity - 1) * spacingMm) / hops;
    const weights = Array.from({ length: hops }, (_, at) => hops - at);
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    weights.forEach((weight, at) => {
      this.wire(fed.wireId, hopMm, conductorThickness(fed.conductor), false, (dropV * weight) / total);
      this.glyph('load', deviceId, false, at === hops - 1 && quantity > pieces ? quantity : 1);
    });
  }

  finish(rise: (mm: number) => number, lengthMm: number): StripGeometry {
    const { geometry, scale } = this;
    geometry.endX = this.x;
    geometry.across = this.marks.map(({ mm, x }, at) => [x, geometry.supply[at]![1] - rise(mm)]);
    for (let mm = 0; mm <= lengthMm; mm += scale.tickMm) geometry.ticks.push({ mm, x: this.placeOf(mm) });
    return geometry;
  }

  private wire(wireId: string, lengthMm: number, thickness: number, shared: boolean, dropV: number): void {
    const x1 = this.x;
    this.x += lengthMm * this.perMm;
    this.mm += lengthMm;
    this.lose(dropV, shared);
    this.geometry.wires.push({ wireId, x1, x2: this.x, thickness, shared, lengthMm });
    this.mark();
  }

  private glyph(kind: GlyphKind, deviceId: string, shared: boolean, repeat: number): void {
    this.mark();
    this.geometry.glyphs.push({ x: this.x + DEVICE_WIDTH / 2, kind, deviceId, shared, repeat });
    this.x += DEVICE_WIDTH;
    this.mark();
  }

  private lose(dropV: number, shared: boolean): void {
    if (!shared || this.scale.countShared) this.volts -= dropV;
  }

  private mark(): void {
    this.marks.push({ mm: this.mm, x: this.x });
    this.geometry.supply.push([this.x, this.volts]);
  }

  private placeOf(mm: number): number {
    const after = this.marks.findIndex((mark) => mark.mm >= mm);
    if (after <= 0) return this.marks[0]!.x;
    const [a, b] = [this.marks[after - 1]!, this.marks[after]!];
    return b.mm === a.mm ? b.x : a.x + ((mm - a.mm) / (b.mm - a.mm)) * (b.x - a.x);
  }
}

/**
 * The return conductor's rise over the battery's negative, as a function of length along the supply. The return may be
 * longer or shorter than the supply: its shared and own parts are stretched over the supply's.
 */
function returnRise(circuit: CircuitAnalysis, countShared: boolean, toLoadMm: number, endMm: number, rowV: number): (mm: number) => number {
  const sharedMm = circuit.supplyRun.reduce((sum, step) => sum + (step.kind === 'wire' && step.shared ? step.lengthMm : 0), 0);
  const lossOf = (shared: boolean) =>
    circuit.returnRun.reduce((sum, step) => (step.kind !== 'device' && step.shared === shared ? sum + step.dropV : sum), 0);
  const sharedV = countShared ? lossOf(true) : 0;
  const ownV = lossOf(false);
  return (mm) => {
    const inShared = sharedMm === 0 ? 1 : Math.min(1, mm / sharedMm);
    const ownSpan = toLoadMm - sharedMm;
    const inOwn = ownSpan <= 0 ? 1 : Math.min(1, Math.max(0, (mm - sharedMm) / ownSpan));
    const inRow = endMm <= toLoadMm ? 0 : Math.min(1, Math.max(0, (mm - toLoadMm) / (endMm - toLoadMm)));
    return sharedV * inShared + ownV * inOwn + rowV * inRow * (2 - inRow);
  };
}
