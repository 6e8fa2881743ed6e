import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { Offer } from '../diagnosis/fit';
import { loadDraw } from '../devices/load';
import type { DesignIndex } from '../rig/designIndex';
import { formatNumber, formatPercent, formatWatts } from '../units/quantity';

/** What the readings say of the plan, in words: what it is, what it was taken to be. */
export function offerWords(
  design: Design,
  index: DesignIndex,
  { quantity, factor, spread }: Offer,
): { what: string; was: string; is: string } {
  const about = `${formatPercent(Math.abs(factor - 1) * 100)} ${factor > 1 ? 'more' : 'less'}, give or take ${formatPercent(spread * 100)}`;
  switch (quantity.kind) {
    case 'draw': {
      const load = index.devices.get(quantity.loadId);
      const watts = load?.kind === 'load' ? loadDraw(load).watts : null;
      return { what: `${nameOf(design, quantity.loadId)} draws ${about}`, was: formatWatts(watts), is: formatWatts(watts === null ? null : watts * factor) }; // prettier-ignore
    }
    case 'run':
      return { what: `The wires of ${nameOf(design, quantity.circuitId)} lose ${about}`, was: 'as planned', is: `${formatNumber(factor, 2)} times as long` }; // prettier-ignore
    case 'joint': {
      const device = index.devices.get(quantity.deviceId);
      const milliohm = device?.kind === 'relay' ? device.contactMilliohm : device?.kind === 'groundPoint' ? device.jointMilliohm : null;
      return { what: `${nameOf(design, quantity.deviceId)} has ${about}`, was: `${formatNumber(milliohm, 1)} mΩ`, is: `${formatNumber(milliohm === null ? null : milliohm * factor, 1)} mΩ` }; // prettier-ignore
    }
    case 'ends': {
      const milliohm = index.settings.endMilliohm ?? 0;
      return {
        what: `Every crimped end has ${about}`,
        was: `${formatNumber(milliohm, 2)} mΩ`,
        is: `${formatNumber(milliohm * factor, 2)} mΩ`,
      };
    }
  }
}
