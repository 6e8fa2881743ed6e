import { dropHeron } from './storedHeron';

/** After all unit tests. */
export default function tearDown(): void {
  dropHeron();
}
