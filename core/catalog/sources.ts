/**
 * Where each table comes from, shown beside every figure drawn from it. All tables were entered from memory of the
 * published ones: people check their own copy before they build.
 */
export const SOURCES = {
  copper: 'IEC 60028: annealed copper, 1/58 ohm mm²/m at 20 °C, 0.00393 per kelvin',
  awg: 'ASTM B258: American Wire Gauge diameters',
  class5: 'IEC 60228, class 5 flexible conductors, plain: greatest resistance at 20 °C',
  roadCable: 'ISO 6722 / ISO 19642 road-vehicle cable: greatest resistance at 20 °C',
  usSmallCraft: 'ABYC E-11 (American small craft): ampacity, least circular mils, drop formula with K = 10.75',
  isoSmallCraft: 'ISO 10133, now ISO 13297 (metric small craft): ampacity, drop formula with 0.0164',
  roadVehicle: 'Road-vehicle PVC 70 °C cable: ampacity at 30 °C, as tabulated in automotive engineering handbooks',
  usRecreational:
    'NEC 551 (American recreational vehicles, low voltage) up to 10 AWG, table 310.16 at 60 °C above; resistance by chapter 9, table 8',
  bladeFuses: 'ISO 8820-3 blade fuses: ratings and colours',
  coordination:
    'Opening times by ISO 8820-3 (blades) and makers’ ranges; conductors in a short by IEC 60364-4-43; interrupting ratings by makers’ data',
  batteries: 'Battery trade tables: usable depth, rested volts; Peukert exponents by construction',
  fromMemory: 'Entered from memory; check your own copy of the standard before you build.',
} as const;
