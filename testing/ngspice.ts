import { spawnSync } from 'node:child_process';

/** What ngspice makes of a deck: volts of every node and amperes through every element, by deck name. */
export interface NgspiceAnswer {
  nodes: Record<string, number>;
  branches: Record<string, number>;
}

const STRICT = '.options savecurrents reltol=1e-9 abstol=1e-14 vntol=1e-10 itl1=1000\n.control\nset numdgt=15\nop\nprint all\n.endc\n';

/** Runs a deck's operating point in ngspice, whose own currents through sources and elements it reads back. */
export function ngspice(deck: string): NgspiceAnswer {
  const { stdout, stderr, error } = spawnSync('ngspice', ['-b'], {
    input: deck.replace(/^\.op\s*$/im, STRICT),
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (error) throw error;
  const answer: NgspiceAnswer = { nodes: { '0': 0 }, branches: {} };
  for (const [, name, value] of stdout.matchAll(/^(\S+) = (\S+)$/gm)) {
    const element = /^@(\w+)\[i?d?\]$/.exec(name!)?.[1] ?? /^(\w+)#branch$/.exec(name!)?.[1];
    if (element) answer.branches[element] = Number(value);
    else if (!name!.includes('#')) answer.nodes[name!] = Number(value);
  }
  if (Object.keys(answer.nodes).length < 2) throw new Error(`ngspice gave no answer:\n${stdout}\n${stderr}`);
  return answer;
}
