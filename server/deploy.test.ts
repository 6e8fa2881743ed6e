import { readFileSync } from 'node:fs';
import path from 'node:path';
import { parse } from 'yaml';
import { isOurHost } from './hosts';

/** The example of running several servers must not fall behind the program it describes. */

const ROOT = path.resolve(__dirname, '..');
const text = (file: string) => readFileSync(path.join(ROOT, file), 'utf8');

interface Service {
  image?: string;
  build?: { context: string; dockerfile: string };
  environment?: Record<string, string>;
  depends_on?: string[];
  volumes?: string[];
}
const { services, volumes } = parse(text('deploy/compose.yaml'), { merge: true }) as {
  services: Record<string, Service>;
  volumes: Record<string, null>;
};
const apps = Object.entries(services).filter(([, { build }]) => build !== undefined);

test('every variable it sets for the program is one the program reads', () => {
  const sources = ['db/client.ts', 'proxy.ts', 'server/access.ts', 'scripts/setup.mjs'].map(text).join('\n');
  const { environment = {} } = apps[0]![1];
  expect(Object.keys(environment)).toEqual(
    expect.arrayContaining(['HOST', 'ALLOWED_HOSTS', 'ACCESS_PASSWORD', 'DATABASE_URL', 'DATABASE_AUTH_TOKEN']),
  );
  for (const name of Object.keys(environment)) expect([name, new RegExp(`(env|all)\\.${name}\\b`).test(sources)]).toEqual([name, true]);
});

test('two servers share one store; what each stands on is there', () => {
  expect(apps).toHaveLength(2);
  for (const [, { environment, build }] of apps) {
    const store = new URL(environment!.DATABASE_URL!);
    expect(services[store.hostname]!.image).toContain('LIBSQL_IMAGE');
    expect(text(path.join('deploy', build!.context, build!.dockerfile))).toContain('FROM node:20');
  }
  for (const { depends_on: needed = [], volumes: mounted = [] } of Object.values(services)) {
    for (const name of needed) expect(Object.keys(services)).toContain(name);
    for (const mount of mounted.filter((one) => !one.startsWith('.'))) expect(Object.keys(volumes)).toContain(mount.split(':')[0]);
    for (const mount of mounted.filter((one) => one.startsWith('./'))) expect(text(path.join('deploy', mount.split(':')[0]!))).not.toBe('');
  }
});

test('the proxy leads to both by the port they listen on, and the name it passes is one they answer to', () => {
  const proxy = text('deploy/Caddyfile');
  for (const [name, { environment }] of apps) expect(proxy).toContain(`${name}:${environment!.PORT}`);
  expect(proxy).toContain('header_up Host {host}');
  expect(isOurHost('vine.example.org', '0.0.0.0', 'vine.example.org')).toBe(true);
});

test('it starts by a command there is, on the node the program asks for', () => {
  const { scripts, engines } = JSON.parse(text('package.json')) as { scripts: Record<string, string>; engines: { node: string } };
  const [, command] = /^CMD \["npm", "(\w+)"\]$/m.exec(text('deploy/Dockerfile'))!;
  expect(scripts[command!]).toBeDefined();
  expect(engines.node).toBe('>=20.9');
});
