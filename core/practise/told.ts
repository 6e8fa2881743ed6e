import type { Shine } from '../diagnosis/blows';
import type { Seen } from '../diagnosis/foresee';
import type { HuntAct, WireEnd } from './hunt';

/** What came of an act, as the person sees, hears, feels or reads it. */
export type Told =
  | { kind: 'volts' | 'amps'; value: number }
  /** Null: OL. */
  | { kind: 'ohms' | 'continuity' | 'diode'; value: number | null }
  /** Ohms were asked where there is voltage: what a real meter does then. */
  | { kind: 'meterLive'; volts: number }
  | { kind: 'does'; loadId: string; does: Seen['does'] }
  | { kind: 'lands'; terminal: string; wireIds: readonly string[] }
  | { kind: 'link'; isWhole: boolean; ratingA: number }
  | { kind: 'warmth'; warmth: Warmth }
  | { kind: 'smell'; smell: Smell }
  /** What the lamp in a fuse's place does. */
  | { kind: 'lamp'; shines: Shine }
  | { kind: 'mended'; isRight: boolean }
  /** What still keeps it from being done. */
  | { kind: 'proved'; left: readonly LeftOver[] }
  | { kind: 'notThere' };

export type Warmth = 'cold' | 'warm' | 'hot';
export type Smell = 'nothing' | 'hot' | 'burnt';

/** What is not as it should be once somebody says it is done. */
export type LeftOver =
  | { kind: 'wrong'; loadIds: readonly string[] }
  | { kind: 'lifted'; end: WireEnd }
  | { kind: 'fuseOut'; fuseId: string }
  | { kind: 'otherFuse'; fuseId: string; ratingA: number }
  | { kind: 'bridge' }
  | { kind: 'lamp' }
  | { kind: 'apart'; plugId: string }
  | { kind: 'isolated' };

/** What nobody should do who works on a vehicle. */
export const UNSAFE = ['ohmsLive', 'liftedLive', 'landedLive', 'mendedLive', 'biggerFuse', 'bridgedShort', 'fuseBlown'] as const;
export type Unsafe = (typeof UNSAFE)[number];

/** One act with everything that came of it. */
export interface Entry {
  act: HuntAct;
  told: readonly Told[];
  /** Relays that clicked. */
  clicks: readonly string[];
  /** Fuses that went. */
  blown: readonly string[];
  unsafe: readonly Unsafe[];
  minutes: number;
}
