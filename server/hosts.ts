/**
 * Whether a request's Host names this server. A page of another site can point its own name at this machine (DNS rebinding) and would then
 * count as the same site; so only names that are ours are answered: loopback's, the address listened on, and those the operator lists. A
 * server that listens on every address answers to any address written as figures, since rebinding needs a name.
 * @param host the Host header, with or without a port
 * @param listening the address listened on, empty for loopback
 * @param allowed further names, separated by commas
 */
export function isOurHost(host: string | null, listening = '', allowed = ''): boolean {
  const name = nameOf(host ?? '');
  if (name === '') return false;
  if (LOOPBACK.has(name) || name.endsWith('.localhost')) return true;
  if (name === nameOf(listening)) return true;
  if (EVERYWHERE.has(nameOf(listening)) && isAddress(name)) return true;
  return allowed.split(',').some((one) => one.trim() !== '' && nameOf(one.trim()) === name);
}

const LOOPBACK = new Set(['localhost', '127.0.0.1', '::1']);
const EVERYWHERE = new Set(['0.0.0.0', '::']);

/** A host without its port and brackets, in small letters. */
function nameOf(host: string): string {
  const plain = host.trim().toLowerCase();
  const bracketed = /^\[([0-9a-f:.]+)\](?::\d+)?$/.exec(plain);
  if (bracketed) return bracketed[1]!;
  // More than one colon is an address of the sixth version, written bare.
  return plain.split(':').length > 2 ? plain : plain.replace(/:\d*$/, '');
}

function isAddress(name: string): boolean {
  return /^\d{1,3}(\.\d{1,3}){3}$/.test(name) || (name.includes(':') && /^[0-9a-f:.]+$/.test(name));
}
