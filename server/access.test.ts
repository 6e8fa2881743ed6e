import { SignJWT } from 'jose';
import { goOn, isOpen, isPassword, isTicket, makeTicket } from './access';

beforeEach(() => {
  process.env.ACCESS_PASSWORD = 'three knots';
});
afterAll(() => {
  delete process.env.ACCESS_PASSWORD;
});

test('the password is taken as it is, accents written either way, and nothing near it', async () => {
  expect(await isPassword('three knots')).toBe(true);
  for (const near of ['three knot', 'three knots ', 'Three knots', '', 'x'.repeat(400)]) expect(await isPassword(near)).toBe(false);
  process.env.ACCESS_PASSWORD = 'caf\u00e9';
  expect(await isPassword('cafe\u0301')).toBe(true);
});

test('a ticket is good on any server with the password, and ends with it', async () => {
  const ticket = await makeTicket();
  expect(await isTicket(ticket)).toBe(true);
  expect(await isTicket(`${ticket.slice(0, -3)}abc`)).toBe(false);
  expect(await isTicket(undefined)).toBe(false);
  process.env.ACCESS_PASSWORD = 'four knots';
  expect(await isTicket(ticket)).toBe(false);
});

test('a ticket that nobody signed, or signed with another key, is none', async () => {
  const part = (value: object) => Buffer.from(JSON.stringify(value)).toString('base64url');
  expect(await isTicket(`${part({ alg: 'none' })}.${part({ exp: 4e9 })}.`)).toBe(false);
  const foreign = await new SignJWT({}).setProtectedHeader({ alg: 'HS256' }).setExpirationTime('30d').sign(Buffer.alloc(32, 7));
  expect(await isTicket(foreign)).toBe(false);
});

test('a ticket runs out', async () => {
  const ticket = await makeTicket();
  jest.useFakeTimers({ now: Date.now() + 31 * 24 * 3600 * 1000, doNotFake: ['nextTick', 'setImmediate'] });
  expect(await isTicket(ticket)).toBe(false);
  jest.useRealTimers();
});

test.each([
  ['/d/heron/loads', '/d/heron/loads'],
  ['/d/heron/rig?x=1', '/d/heron/rig?x=1'],
  ['https://elsewhere.example/', '/'],
  ['//elsewhere.example/', '/'],
  ['/\\elsewhere.example', '/'],
  ['javascript:alert(1)', '/'],
  ['', '/'],
  [null, '/'],
])('after the password one goes on from %s to %s, never to another site', (to, next) => {
  expect(goOn(to)).toBe(next);
});

test.each([
  ['/enter', true],
  ['/s/abc', true],
  ['/s/abc/report.pdf', true],
  ['/', false],
  ['/api/designs', false],
  ['/api/enter/../designs', false],
  ['/d/heron/loads', false],
])('without the password %s is open: %s', (pathname, open) => {
  expect(isOpen(pathname)).toBe(open);
});
