import type { Vehicle } from '@/core/catalog/vocabulary';

export const VEHICLE_WORDS: Record<Vehicle, string> = {
  boxBody: 'Box body',
  panelVan: 'Panel van',
  pickUp: 'Pick-up with canopy',
  offRoader: 'Estate or off-roader',
  trailer: 'Trailer',
  coachBuilt: 'Coach-built',
  openFrame: 'Open frame',
  motorcycle: 'Motorcycle',
};
