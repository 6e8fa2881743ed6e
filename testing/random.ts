/** A seeded stream of numbers from 0 to 1: the same seed gives the same test. */
export { seeded } from '../core/energy/weather';
