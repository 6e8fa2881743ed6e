import styles from './Energy.module.css';

/** What the days are reckoned from, and where that ends. */
const NOTES: [string, string][] = [
  [
    'Steps',
    'Days go in steps of five minutes, the day’s picture in quarters of an hour. Loads take what they want at the voltage of the step before; sources serve them first and the battery with the rest.',
  ],
  [
    'Sun',
    'Its place by Cooper’s declination and Spencer’s equation of time; a clear sky by ASHRAE’s monthly coefficients, half a year on in the south. Clocks keep the whole-hour zone of the longitude, without summer time.',
  ],
  [
    'Weather',
    'Each day lets through a share of a clear day’s sun, drawn between dark and clear so that its mean is the climate’s for the season; some days keep the sky of the day before. The climates are round figures from memory, not a station’s. Air follows the season and the hour; clouds do not cool it.',
  ],
  [
    'Panels',
    'Beam and sky light on the tilted panel, shade by the hour, cells warmer than the air, 0.4 % of power a kelvin, 5 % for dirt and cable. A tracking controller passes 96 % on; a simple one ties the panel to the battery, so only its current counts.',
  ],
  [
    'Engine',
    'What the alternator has to spare, hot and for part of the time idling, as far as a DC-DC charger or a split-charge relay passes it on. The starter battery is taken as full.',
  ],
  [
    'Battery',
    'Rested voltage by charge, one resistance, Peukert above the rated current, charge efficiency, acceptance that tapers towards full, self-discharge, less capacity in the cold. Lithium takes no charge at 0 °C or below unless heated. Its temperature is the day’s mean outside, or the living space’s, at least 15 °C while lived in. Voltage does not depend on how long it has rested.',
  ],
  [
    'Cuts',
    'Loads that are not critical are cut at the usable depth, critical ones at the battery’s cut-out, any load earlier whose own least voltage comes earlier; they come back 5 % of capacity higher, or at the restart voltage.',
  ],
  ['People', 'What is counted for each person runs their number of times as long, or as often, and never more than all day.'],
  [
    'Measured',
    'A load is recognised where the current steps up and down by its draw at that voltage and no other fits; a load whose hours may have ended in a step with others is marked unsure.',
  ],
  [
    'Not counted',
    'Wiring losses between battery and loads, inverter losses unless a load states its draw at 12 V, snow and dirt on panels, relay coils, and start-up surges, which are over in a moment.',
  ],
];

export function ModelNotes() {
  return (
    <details className={styles.card}>
      <summary className={styles.notesTitle}>How the days are reckoned, and where that ends</summary>
      <dl className={styles.notes}>
        {NOTES.map(([term, text]) => (
          <div key={term}>
            <dt>{term}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
      <p className={styles.small}>
        Tables are from memory throughout: check your own copy, and measure a real day before you trust a planned one.
      </p>
    </details>
  );
}
