import type { TerminalRef, Wire } from './schema';

export const isSameTerminal = (one: TerminalRef, other: TerminalRef) => one.deviceId === other.deviceId && one.terminal === other.terminal;

/** Whether one end of a wire is on a terminal. */
export const landsOn = ({ from, to }: Pick<Wire, 'from' | 'to'>, at: TerminalRef) => isSameTerminal(from, at) || isSameTerminal(to, at);
