import { once } from 'node:events';
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { MONITOR_GREETING } from '@/core/formats/monitorLine';
import { listenToMonitor, type MonitorNews } from './monitor';

/** A monitor that says what it is given to whoever connects. */
async function monitorSaying(say: (socket: Socket) => void): Promise<Server> {
  const server = createServer((socket) => {
    socket.on('error', () => socket.destroy());
    say(socket);
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  process.env.MONITOR = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  return server;
}

/** Everything heard until it ended. */
function hear(): { news: MonitorNews[]; ended: Promise<void>; leave: AbortController } {
  const news: MonitorNews[] = [];
  const leave = new AbortController();
  const ended = new Promise<void>((resolve) => listenToMonitor((said) => news.push(said), resolve, leave.signal));
  return { news, ended, leave };
}

let server: Server | null = null;
afterEach(() => {
  server?.close();
  server = null;
  delete process.env.MONITOR;
});

test('readings are told as they come, lines cut anywhere on the way, and the hanging up at last', async () => {
  server = await monitorSaying((socket) => {
    socket.write(`${MONITOR_GREETING}\n2025-06-01T18:30:00 12.`);
    setTimeout(() => socket.end('84 V -3.20 A\n2025-06-01T18:31:00 12.83 V 4.00 A\n'), 20);
  });
  const { news, ended } = hear();
  await ended;
  expect(news.slice(0, 2)).toMatchObject([{ reading: { volts: 12.84, amps: 3.2 } }, { reading: { volts: 12.83, amps: -4 } }]);
  expect(news[2]).toEqual({ trouble: 'the monitor has hung up' });
});

test.each([
  ['something else answers', (socket: Socket) => socket.write('SSH-2.0\r\n'), /is no battery monitor that speaks/],
  [
    'lines cannot be read',
    (socket: Socket) => socket.write(`${MONITOR_GREETING}\n${'nonsense\n'.repeat(30)}`),
    /lines that cannot be read/,
  ],
  ['a line never ends', (socket: Socket) => socket.write(`${MONITOR_GREETING}\n${'x'.repeat(500)}`), /lines that are too long/],
])('when %s it is told why, and the line is given up', async (_, say, why) => {
  server = await monitorSaying((socket) => void say(socket));
  const { news, ended } = hear();
  await ended;
  expect(news).toHaveLength(1);
  expect('trouble' in news[0]! && news[0].trouble).toMatch(why);
});

test('a few bad lines among good ones are passed over', async () => {
  server = await monitorSaying((socket) => {
    socket.end(`${MONITOR_GREETING}\n${'bad\n'.repeat(5)}2025-06-01T18:30:00 12.80 V 0.00 A\n`);
  });
  const { news, ended } = hear();
  await ended;
  expect(news[0]).toMatchObject({ reading: { volts: 12.8, amps: 0 } });
});

test('nobody there is said with the address, and an address that is none too', async () => {
  server = await monitorSaying(() => undefined);
  server.close();
  const nobody = hear();
  await nobody.ended;
  expect(nobody.news).toEqual([{ trouble: `nothing answers at ${process.env.MONITOR}` }]);
  process.env.MONITOR = 'file:///etc/passwd';
  const none = hear();
  await none.ended;
  expect(none.news).toEqual([{ trouble: 'the MONITOR setting of the server is no host:port' }]);
});

test('leaving ends it without a word', async () => {
  server = await monitorSaying((socket) => socket.write(`${MONITOR_GREETING}\n`));
  const { news, ended, leave } = hear();
  setTimeout(() => leave.abort(), 30);
  await ended;
  expect(news).toEqual([]);
});
