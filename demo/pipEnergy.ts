import { hours, type DemoEnergy } from './energyBuilder';

/** Pip for two nights in September, with a folding panel set out in the sun and a feed from the tow car. */
export const PIP_ENERGY: DemoEnergy = {
  scenarios: {
    scn_camp: {
      ...{ latitudeDeg: 44.2, longitudeDeg: -89.5, climate: 'continental', startDay: 256, days: 2 },
      ...{ driving: [hours(15, 17)], drivingEveryDays: 2, occupied: [hours(17, 10)] },
    },
  },
  uses: {
    'Cabin puck': { scn_camp: { rule: 'hours', spans: [hours(19, 22)] } },
    'Reading light': { scn_camp: { rule: 'hours', spans: [hours(21, 23)] } },
    'Galley strip': { scn_camp: { rule: 'hours', spans: [hours(19, 21)] } },
    'Roof fan': { scn_camp: { rule: 'hours', spans: [hours(22, 6)] } },
  },
  loads: {},
  duties: {},
  sources: [
    {
      ...{
        id: 'sun_folding',
        type: 'device',
        name: 'Folding panel',
        zoneId: 'zone_nose',
        kind: 'solarPanel',
        watts: 100,
        bestV: 18,
        openV: 21.8,
      },
      ...{
        shortA: 6,
        count: 1,
        wired: 'parallel',
        tiltDeg: 35,
        facesDeg: 0,
        cable: { conductor: 'awg:12', lengthMm: 3000, batteryFuseA: 10, sourceFuseA: null },
        turned: true,
        aired: true,
        regulated: true,
        controllerId: null,
      },
    },
    {
      ...{ id: 'tow_alternator', type: 'device', name: 'Tow car alternator', zoneId: null, kind: 'alternator', ratedA: 105, outputV: 14.1 },
      ...{ idlePercent: 45, hotPercent: 75, vehicleA: 30 },
    },
    {
      ...{ id: 'tow_dcdc', type: 'device', name: 'DC-DC charger', zoneId: 'zone_nose', kind: 'dcDcCharger', outputV: 14.4, maxA: 10 },
      ...{ efficiencyPercent: 90, inputConductor: 'awg:8', inputLengthMm: 5500, inputFuseA: 20 },
      cable: { conductor: 'awg:10', lengthMm: 800, batteryFuseA: 15, sourceFuseA: null },
    },
  ],
};
