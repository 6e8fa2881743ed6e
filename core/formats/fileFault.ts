import type { StockRefusal } from '../harness/stock';
import type { WireRefusal } from '../harness/editWires';
import type { Unread } from '../units/unread';

/** What a list or a file is of. */
export type Listed = 'loads' | 'rig' | 'weather' | 'monitor';

type Fault =
  | { code: 'bytes'; most: number }
  | { code: 'openQuote' | 'nothing' | 'noNames' | 'noHarness' }
  | { code: 'headingAlone'; of: Listed }
  | { code: 'rows'; has: number; most: number }
  | { code: 'columnTwice'; heading: string }
  /** None of these headings is there; with what is, where one may choose among them. */
  | { code: 'noColumn'; headings: readonly string[]; choose?: readonly string[] }
  /** Faults beyond those told. */
  | { code: 'more'; count: number }
  // What stands in one cell, or in a row.
  | { code: 'unread'; why: Unread }
  | { code: 'between'; least: number; most: number; unit?: string }
  | { code: 'nameless'; what: 'load' | 'place' | 'route' }
  | { code: 'characters'; most: number }
  | { code: 'control' | 'whole' | 'strip' | 'yesOrNo' | 'common' | 'negative' | 'noExtent' | 'sameEnds' }
  | { code: 'noSuch'; what: 'circuit' | 'lamp' | 'zone' | 'place' | 'wire' | 'part'; said: string }
  | { code: 'sameSpot'; name: string }
  | { code: 'outsideVehicle'; mm: number }
  | { code: 'oneOf'; words: readonly string[] }
  | { code: 'wire'; said: string; refusal: WireRefusal }
  | { code: 'stock'; said: string; refusal: StockRefusal }
  // Rows of what was measured.
  | { code: 'hours'; has: number; needs: number; of: 'epw' | 'rows' }
  | { code: 'noPosition' | 'noHour' | 'notLater' }
  | { code: 'hoursMissing'; count: number }
  | { code: 'noTime'; said: string; like?: string }
  /** What no sun, battery or shunt gives; null where no figure stands there. */
  | { code: 'reading'; what: 'sun' | 'volts' | 'amps'; value: number | null; most: number };

/** What is wrong with a file or a pasted list, by its row and its column where it is about one. `faultWords.ts` says it. */
export type FileFault = Fault & { row?: number; column?: string };

/** How many faults of a long file are told before the rest are only counted. */
const MOST_TOLD = 8;

/** Faults as they are found, the first few kept and the rest counted. */
export class Faults {
  private readonly list: FileFault[] = [];
  private more = 0;

  add(fault: FileFault): void {
    if (this.list.length < MOST_TOLD) this.list.push(fault);
    else this.more += 1;
  }

  get any(): boolean {
    return this.list.length > 0;
  }

  get told(): FileFault[] {
    return this.more > 0 ? [...this.list, { code: 'more', count: this.more }] : this.list;
  }
}
