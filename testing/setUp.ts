import { heron } from '../demo/heron';
import { storeHeron } from './storedHeron';

/** Before all unit tests. */
export default function setUp(): void {
  storeHeron(heron());
}
