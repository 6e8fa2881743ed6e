import { isOurHost } from './hosts';

test.each<[host: string | null, listening: string, allowed: string, ours: boolean]>([
  ['127.0.0.1:3000', '', '', true],
  ['localhost', '', '', true],
  ['LOCALHOST:3000', '', '', true],
  ['van.localhost:3000', '', '', true],
  ['[::1]:3000', '', '', true],
  ['evil.example:3000', '', '', false],
  ['127.0.0.1.evil.example', '', '', false],
  ['localhost.evil.example', '', '', false],
  ['evil-localhost', '', '', false],
  ['192.168.1.7:3000', '', '', false],
  ['192.168.1.7:3000', '192.168.1.7', '', true],
  ['workshop:3000', 'workshop', '', true],
  // Listening everywhere: figures are no name that could be rebound.
  ['192.168.1.7:3000', '0.0.0.0', '', true],
  ['[fe80::1]:3000', '::', '', true],
  ['evil.example', '0.0.0.0', '', false],
  ['workshop.lan:3000', '0.0.0.0', 'bench.lan, workshop.lan', true],
  ['workshop.lan', '', 'WORKSHOP.LAN:3000', true],
  ['', '', ' , ', false],
  [null, '', '', false],
])('Host %j, listening on %j, allowing %j: ours is %s', (host, listening, allowed, ours) =>
  expect(isOurHost(host, listening, allowed)).toBe(ours),
);
