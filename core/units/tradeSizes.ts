import { areaMm2, AWG_SIZES, CONDUCTOR_SIZES, METRIC_SIZES_MM2, type ConductorSize } from '../catalog/conductorSizes';

/** One thing a cable's name may mean. */
export interface SizeReading {
  conductor: ConductorSize;
  /** Copper it really holds, mm², where that is not the conductor's own area. */
  mm2: number;
  /** How the name is read. */
  meaning: string;
}

/**
 * What people write on and about cable, read every way it may be meant. One reading is sure; several must be asked about, since the
 * wrong one changes the drop two- to threefold. Common practice: "3 mm automotive" is often the outside diameter and holds about
 * 1.1 mm², "6 mm" about 4.6; "6 gauge" may be AWG or a smaller trade size; "14-2" is two cores of 14 AWG.
 */
export function readTradeSize(text: string): SizeReading[] {
  const plain = text.trim().toLowerCase().replace(',', '.').replace(/\s+/g, ' ');
  const square = /^(\d+(?:\.\d+)?) ?(?:mm2|mm²|sq ?mm|square)$/.exec(plain);
  if (square) return metric(Number(square[1]), 'cross-section');
  const cores = /^(\d{1,2}|[1-4]\/0) ?(?:\/|-|x) ?(\d)(?: ?(?:awg|ga|gauge))?$/.exec(plain);
  if (cores && !/^[1-4]\/0$/.test(plain)) return gauge(cores[1]!, `${cores[2]} cores of ${cores[1]} AWG in one sheath`);
  const sure = /^(?:awg ?)?(\d{1,2}|[1-4]\/0) ?awg$|^awg ?(\d{1,2}|[1-4]\/0)$|^([1-4]\/0)$/.exec(plain);
  if (sure) return gauge((sure[1] ?? sure[2] ?? sure[3])!, 'American Wire Gauge');
  const gauged = /^(\d{1,2}) ?(?:ga|gauge|g)$/.exec(plain);
  if (gauged) {
    const asAwg = gauge(gauged[1]!, 'American Wire Gauge');
    const [first] = asAwg;
    // Trade “gauge” cable commonly holds about a third of its name.
    return first ? [...asAwg, ...nearest(first.mm2 * TRADE_GAUGE_SHARE, 'a trade size with less copper than AWG')] : [];
  }
  const millimetres = /^(\d+(?:\.\d+)?) ?mm(?: ?(?:auto(?:motive)?|cable|dia(?:meter)?))?$/.exec(plain);
  if (millimetres) {
    const value = Number(millimetres[1]);
    const outside = nearest(outsideToMm2(value), 'measured over the insulation, as automotive cable is sold');
    return /auto|dia/.test(plain)
      ? [...outside, ...metric(value, 'cross-section in mm²')]
      : [...metric(value, 'cross-section in mm²'), ...outside];
  }
  const bare = /^\d+(?:\.\d+)?$/.exec(plain);
  if (bare) return [...metric(Number(plain), 'cross-section in mm²'), ...gauge(plain, 'American Wire Gauge')];
  return [];
}

/** How much of AWG's copper trade “gauge” cable may hold: 4.6 mm² sold as 6 gauge, of 13.3. Common practice. */
const TRADE_GAUGE_SHARE = 4.6 / 13.3;

/** Copper of automotive cable by its outside diameter, mm: 3 mm about 1.1 mm², 6 mm about 4.6. Common practice, on a power law between the two. */
function outsideToMm2(diameterMm: number): number {
  return 1.1 * (diameterMm / 3) ** (Math.log(4.6 / 1.1) / Math.log(2));
}

function metric(value: number, meaning: string): SizeReading[] {
  const size = METRIC_SIZES_MM2.find((mm2) => Math.abs(mm2 - value) < 1e-9);
  return size === undefined ? [] : [{ conductor: `mm2:${size}`, mm2: size, meaning }];
}

function gauge(name: string, meaning: string): SizeReading[] {
  const size = AWG_SIZES.find((awg) => awg === name);
  return size === undefined ? [] : [{ conductor: `awg:${size}`, mm2: areaMm2(`awg:${size}`), meaning }];
}

/** The largest conductor with no more copper than there really is: the careful side. */
function nearest(mm2: number, meaning: string): SizeReading[] {
  const sizes = CONDUCTOR_SIZES.filter((size) => size.startsWith('mm2') && areaMm2(size) <= mm2 * 1.001);
  const conductor = sizes.at(-1);
  return conductor ? [{ conductor, mm2, meaning }] : [];
}
