import { benchDesign } from './bench';
import { check } from './check';
import { diagnoseDesign } from './diagnose';
import { expectDesign } from './expect';
import { exportDesign } from './export';
import { harness } from './harness';
import { huntFaults } from './hunt';
import { BadInput } from './input';
import { monitor } from './monitor';
import { simulateDays } from './simulate';
import { planDesign } from './plan';
import { solve } from './solve';
import { truth } from './truth';
import { wishes } from './wishes';
import { wire } from './wire';

const USAGE = `Usage:
  vine-knot check FILE.json [--json] [--now] [--standard us-small-craft|iso-small-craft|road-vehicle|us-recreational]
  vine-knot wire --amps A (--length-m L | --length-ft L) (--round-trip | --one-way) [--volts 12] [--drop-percent 3]
                 [--standard us-small-craft] [--insulation 105] [--awg | --mm2] [--single] [--formula] [--json]
  vine-knot solve DECK.cir [--json]
  vine-knot simulate FILE.json [--scenario NAME] [--days N] [--draws 100] [--seed 1] [--json]
  vine-knot monitor FILE.json [--scenario NAME] [--port 7412] [--speed 60] [--seed 1]
  vine-knot bench FILE.json [--set "NAME=VALUE"]... [--after SECONDS] [--json]
  vine-knot truth FILE.json --load NAME [--function NAME] [--json]
  vine-knot wishes FILE.json [--json]
  vine-knot harness FILE.json [--json]
  vine-knot plan FILE.json [--people 1|2] [--hours H] [--cold] [--json]
  vine-knot expect FILE.json [--set "NAME=VALUE"]... [--battery V] [--seed 1] [--json]
  vine-knot diagnose FILE.json --observed OBS.json [--json]
  vine-knot hunt BOARD|FILE.json [--seed N] [--play ACTS.json] [--json]
  vine-knot export FILE.json --format spice|wires.csv|parts.csv|labels.csv|labels.pdf|diagram.svg|diagram.pdf|diagram.dxf
                   |panel.svg|panel.pdf|panel.dxf|loom.svg|loom.pdf|fuse-map.pdf
                   [--state all-on|all-off|SCENARIO] [--circuit NUMBER] [--panel NAME]

check prints per circuit and for the whole design what the screens show.
wire answers one run: the smallest conductor, its fuse and its drop.
solve finds the operating point of a SPICE deck of R, V, I, D and S elements: volts of every node, amperes through every element.
simulate lives through a scenario's days under weathers drawn from a seed: the chance of running out, what was cut, where energy went.
monitor plays a battery monitor: a reading a line over TCP on this machine, a minute of the scenario a second unless told otherwise.
bench moves controls one after another (NAME=a>b presses and lets go) and says what every load then does, and by what way its current comes.
truth says what a load does in every way that what influences it may stand.
wishes says which of what loads shall do the wiring keeps, and by what acts the others break, in every way things can stand.
harness lists every wire with its number, colour, size, length and ends, what is cut from which reel, and the parts.
plan says what is to be done to build it, in an order for one or two people, with what holds by the clock.
expect says what every point should read after some acts, at the battery's voltage, and between which figures.
diagnose ranks what may be wrong after what was seen and read, and says what to measure next and what each answer would mean.
hunt gives a board with a fault in it, what its owner says and par; with acts, what each gave and the score.
export writes the netlist of a design in a state as a SPICE deck, its wire schedule, parts list or labels, the diagram
of a circuit or of all, a panel's template at full size, the loom board at 1:10, or the fuse map for the lid.
Exit status: 0 well, 1 a finding is a fault, a network has no answer or never comes to rest, a wish is broken or a load was cut, 2 bad input.
`;

/** Runs one command, its words on the process's own streams, and gives its exit status. */
export async function run(argv: string[]): Promise<number> {
  try {
    return await commanded(argv);
  } catch (error) {
    const isUsage = error instanceof BadInput || (error as NodeJS.ErrnoException).code?.startsWith('ERR_PARSE_ARGS');
    if (!isUsage) throw error;
    process.stderr.write(`vine-knot: ${(error as Error).message}\n`);
    if (error instanceof BadInput && error.usage) process.stderr.write(`\n${error.usage}`);
    return 2;
  }
}

function commanded(argv: string[]): number | Promise<number> {
  const [command, ...rest] = argv;
  switch (command) {
    case 'bench':
      return benchDesign(rest);
    case 'check':
      return check(rest);
    case 'diagnose':
      return diagnoseDesign(rest);
    case 'expect':
      return expectDesign(rest);
    case 'harness':
      return harness(rest);
    case 'hunt':
      return huntFaults(rest);
    case 'truth':
      return truth(rest);
    case 'wishes':
      return wishes(rest);
    case 'wire':
      return wire(rest);
    case 'export':
      return exportDesign(rest);
    case 'monitor':
      return monitor(rest);
    case 'plan':
      return planDesign(rest);
    case 'simulate':
      return simulateDays(rest);
    case 'solve':
      return solve(rest);
    case '--help':
    case 'help':
      process.stdout.write(USAGE);
      return 0;
    default:
      throw new BadInput(command ? `there is no command "${command}"` : 'say what to do', USAGE);
  }
}
