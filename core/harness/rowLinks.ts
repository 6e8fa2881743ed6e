import type { ConductorSize } from '../catalog/conductorSizes';
import type { WireLook } from '../catalog/wireColours';
import type { Load } from '../design/schema';
import { landingOf } from '../devices/load';
import type { DesignIndex } from '../rig/designIndex';
import { cutLength } from './cutLength';
import type { HarnessWire } from './harnessWire';

/**
 * The cable from piece to piece of a load that is a row: as thick and of the look of the wire that leads to it, and no wire of its own in
 * the design.
 */
export interface RowLink {
  load: Load;
  pole: 'plus' | 'minus';
  /** The wire it goes on from. */
  wireId: string;
  number: string;
  conductor: ConductorSize;
  look: WireLook | null;
  /** The cable it goes on in, where that wire is a core. */
  cableId: string | null;
  /** Of one piece to the next, mm. */
  lengthMm: number;
  /** How many: one fewer than the pieces. */
  count: number;
}

/** What joins the pieces of rows, out and, where they have a return of their own, home. */
export function rowLinks({ loads }: DesignIndex, wires: readonly HarnessWire[]): RowLink[] {
  return loads
    .filter(({ quantity }) => quantity > 1)
    .flatMap((load) =>
      (['plus', 'minus'] as const).flatMap((pole): RowLink[] => {
        const landing = landingOf(load, pole);
        // What a lamp's functions have in common is linked once, with the lamp.
        if (landing.deviceId !== load.id) return [];
        const leads = wires.find(({ from, to }) => [from, to].some(({ deviceId, terminal }) => deviceId === load.id && terminal === landing.terminal)); // prettier-ignore
        if (!leads) return [];
        const { wire, number, look } = leads;
        return [
          {
            load,
            pole,
            wireId: wire.id,
            number,
            conductor: wire.conductor,
            look,
            cableId: wire.core?.cableId ?? null,
            lengthMm: cutLength(load.spacingMm),
            count: load.quantity - 1,
          },
        ];
      }),
    );
}

/** The pieces a link is cut to, each with an id of its own. */
export function linkPieces({ wireId, lengthMm, count }: RowLink): { id: string; lengthMm: number }[] {
  return lengthMm === 0 ? [] : Array.from({ length: count }, (_, at) => ({ id: `${wireId}/${at + 1}`, lengthMm }));
}

/** The wire a piece belongs to, and whether it is one from piece to piece of a row. */
export function pieceOf(id: string): { wireId: string; isLink: boolean } {
  const [wireId = id, link] = id.split('/');
  return { wireId, isLink: link !== undefined };
}
