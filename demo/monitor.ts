import { monitor } from '../cli/monitor';
import { heron } from './heron';

/** A simulated battery monitor: of the design file given, or of Heron. */
monitor(process.argv.slice(2), heron);
