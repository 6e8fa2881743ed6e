import type { SolvedDesign } from '../analysis/solved';
import { settingsOf } from '../design/design';
import { writeSpice, type SpiceDeck } from './spiceWrite';

/** The netlist of a design in the state it was solved in, as a deck ngspice runs unchanged. */
export function spiceOfDesign({ live, choice, analysis }: SolvedDesign): SpiceDeck {
  const { name, conductorTemperatureC } = settingsOf(analysis.design);
  return writeSpice(live.netlistNow(), `${name}, as wired`, [
    `state: ${choice.kind}; conductors at ${conductorTemperatureC} C; volts over the battery's minus`,
    'loads, lamps and drivers are B sources; an open contact is a gigaohm',
  ]);
}
