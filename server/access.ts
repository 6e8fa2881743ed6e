import { scrypt, timingSafeEqual } from 'node:crypto';
import { jwtVerify, SignJWT } from 'jose';

/**
 * The password a server on a network may ask for, `ACCESS_PASSWORD`. Who gives it gets a signed ticket in a cookie. The key is drawn from
 * the password alone, so that several servers with one password honour each other's tickets, and a changed password ends them all.
 */

export const TICKET_COOKIE = 'vine-knot-ticket';
/** How long a ticket is good for, s. */
export const TICKET_S = 30 * 24 * 3600;

export function asksForPassword(): boolean {
  return (process.env.ACCESS_PASSWORD ?? '') !== '';
}

/** Whether a text is the password. Both are drawn out to keys of one length first, so that the time it takes tells nothing. */
export async function isPassword(given: string): Promise<boolean> {
  return timingSafeEqual(await keyOf(given), await ownKey());
}

export async function makeTicket(): Promise<string> {
  return new SignJWT({})
    .setProtectedHeader({ alg: 'HS256' })
    .setIssuedAt()
    .setExpirationTime(`${TICKET_S}s`)
    .sign(await ownKey());
}

export async function isTicket(ticket: string | undefined): Promise<boolean> {
  if (!ticket) return false;
  try {
    await jwtVerify(ticket, await ownKey(), { algorithms: ['HS256'] });
    return true;
  } catch {
    return false;
  }
}

/** What may be seen without the password: where it is given, and the read-only links handed out. */
export function isOpen(pathname: string): boolean {
  return (
    pathname === '/enter' ||
    pathname === '/api/enter' ||
    pathname === '/icon.svg' ||
    pathname === '/manifest.webmanifest' ||
    pathname.startsWith('/s/')
  );
}

/** Where to go on after the password: a path of this server's own, or the list of designs. */
export function goOn(to: string | null | undefined): string {
  const here = 'http://here.invalid';
  if (!to?.startsWith('/') || !URL.canParse(to, here)) return '/';
  const { origin, pathname, search } = new URL(to, here);
  return origin === here && !pathname.startsWith('//') ? pathname + search : '/';
}

const SALT = 'vine-knot access';
let own: { password: string; key: Promise<Buffer> } | null = null;

function ownKey(): Promise<Buffer> {
  const password = process.env.ACCESS_PASSWORD ?? '';
  if (password === '') throw new Error('no password is set');
  if (own?.password !== password) own = { password, key: keyOf(password) };
  return own.key;
}

function keyOf(password: string): Promise<Buffer> {
  return new Promise((resolve, reject) =>
    scrypt(password.normalize('NFC'), SALT, 32, (error, key) => (error ? reject(error) : resolve(key))),
  );
}
