import * as z from 'zod/mini';
import { DesignError } from '../core/design/problems';
import { DesignFileError } from '../core/formats/designFile';
import { pip } from '../demo/pip';
import { attachment } from './attachment';
import { BadRequest, Behind, Conflict, NotFound, NothingToDo } from './errors';
import { answer, readJson, route } from './http';
import { createSchema, proposedChangeSchema, renameSchema, stepSchema } from './requests';

const HOST = '127.0.0.1:3000';

function post(body: BodyInit, headers: Record<string, string> = {}): Request {
  const all = { host: HOST, 'content-type': 'application/json', ...headers };
  return new Request(`http://${HOST}/api/designs`, { method: 'POST', body, headers: all, duplex: 'half' } as RequestInit);
}

const told = async (response: Response) => ({
  status: response.status,
  ...((await response.json()) as { error: Record<string, unknown> }),
});
const taking = (schema: z.ZodMiniType, request: Request, limit?: number) =>
  answer(request, async () => Response.json(await readJson(request, schema, limit)));
const failing = (error: unknown) =>
  answer(post('{}'), async () => {
    throw error;
  });

describe('a body', () => {
  const schema = z.strictObject({ name: z.string(), deep: z.optional(z.strictObject({ list: z.array(z.number()) })) });

  it('is taken when it is what was asked for', async () => {
    const response = await taking(schema, post('{"name":"Heron"}'));
    expect([response.status, await response.json()]).toEqual([200, { name: 'Heron' }]);
  });

  it.each([
    ['is not JSON', '{"name":', 400, 'not readable JSON', []],
    ['is empty', '', 400, 'not readable JSON', []],
    ['lacks a field', '{}', 400, 'not understood', [/^name: /]],
    ['has a field too many', '{"name":"x","admin":true}', 400, 'not understood', [/admin/]],
    ['is wrong deep inside', '{"name":"x","deep":{"list":[1,"2"]}}', 400, 'not understood', [/^deep\.list\.1: /]],
    ['means to reach the prototype', '{"name":"x","__proto__":{"admin":true}}', 400, 'not understood', [/__proto__/]],
  ])('that %s is refused, and where is said', async (_, body, status, message, reasons) => {
    const { status: got, error } = await told(await taking(schema, post(body)));
    expect(got).toBe(status);
    expect(error.message).toContain(message);
    (reasons as RegExp[]).forEach((reason, at) => expect((error.reasons as string[])[at]).toMatch(reason));
  });

  it('of another kind than JSON is refused, whatever it holds', async () => {
    for (const type of [
      'application/jsonx',
      'application/json-patch+json',
      'text/plain',
      'application/x-www-form-urlencoded',
      'multipart/form-data; boundary=x',
    ])
      expect((await taking(schema, post('{"name":"x"}', { 'content-type': type }))).status).toBe(415);
  });

  it('past the limit is read no further, though it says nothing of its length', async () => {
    let sent = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        sent += 1000;
        controller.enqueue(new Uint8Array(1000).fill(32));
      },
    });
    const { status, error } = await told(await taking(schema, post(endless as unknown as BodyInit), 10_000));
    expect([status, error.message]).toEqual([413, 'larger than 0.01 MB']);
    expect(sent).toBeLessThan(20_000);
  });

  it('with half a character in a text is refused where it stands, since it could not be written out again', async () => {
    const { status, error } = await told(await taking(schema, post('{"name":"Her\\ud83don"}')));
    expect([status, error.message]).toEqual([422, 'the text at “name” has half a character in it, or one that is none']);
    expect((await taking(schema, post('{"name":"Her\\ud83d\\ude8con"}'))).status).toBe(200);
  });

  it('that may be one of several is told what it lacks of the one it comes nearest to, never at length', async () => {
    const answers = {
      name: 'Van',
      vehicle: 'rocket',
      zones: ['Cab'],
      units: 'metric',
      standard: 'iso-small-craft',
      defaultReturn: 'dedicated',
    };
    const near = await told(await taking(createSchema, post(JSON.stringify({ answers: { ...answers, battery: { chemistry: 'agm', capacityAh: 100, count: 1 } } })))); // prettier-ignore
    expect((near.error.reasons as string[])[0]).toMatch(/vehicle/);
    const long = await told(await taking(schema, post(JSON.stringify({ name: 'x', ['k'.repeat(5000)]: 1 }))));
    expect((long.error.reasons as string[]).join().length).toBeLessThan(200);
  });

  it('with hundreds of mistakes names twenty of them', async () => {
    const list = `{"name":"x","deep":{"list":[${Array(500).fill('"x"').join(',')}]}}`;
    expect((await told(await taking(schema, post(list)))).error.reasons).toHaveLength(20);
  });
});

describe('where a request comes from', () => {
  const done = async () => Response.json({ done: true });
  it.each([
    ['its own page', { origin: `http://${HOST}`, 'sec-fetch-site': 'same-origin' }, 200],
    ['no page at all, as from a script', {}, 200],
    ['the address bar', { 'sec-fetch-site': 'none' }, 200],
    ['another site', { origin: 'https://elsewhere.example', 'sec-fetch-site': 'cross-site' }, 403],
    ['another port of the same machine', { origin: 'http://127.0.0.1:4000', 'sec-fetch-site': 'same-site' }, 403],
    ['a sandboxed frame, which has no origin', { origin: 'null' }, 403],
    ['something that is no address', { origin: ':::' }, 403],
  ])('%s', async (_, headers, status) => {
    expect((await answer(post('{}', headers as Record<string, string>), done)).status).toBe(status);
  });

  it.each([
    ['another site that makes the server work', { origin: 'https://elsewhere.example' }, 403],
    [
      'a picture or a frame of another site',
      { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'iframe' },
      403,
    ],
    ['a link followed from a letter', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' }, 200],
    ['its own page', { 'sec-fetch-site': 'same-origin' }, 200],
  ])('reading, %s', async (_, headers, status) => {
    const reading = new Request(`http://${HOST}/api/designs`, { headers: { host: HOST, ...(headers as Record<string, string>) } });
    expect((await answer(reading, done)).status).toBe(status);
  });
});

describe('what went wrong', () => {
  it.each([
    ['a design that is not there', new NotFound('design', 'abc'), 404, 'notFound', 'there is no design abc'],
    ['a step too many', new NothingToDo('there is nothing to undo'), 409, 'nothingToDo', 'there is nothing to undo'],
    ['a bad request', new BadRequest('give it a name', ['name: empty']), 400, 'badRequest', 'give it a name'],
    ['a file that is none', new DesignFileError([{ code: 'newer', version: 99, newest: 2 }]), 422, 'badFile', 'the file cannot be taken'],
    [
      'a change that breaks something',
      new DesignError([{ code: 'missingRecord', id: 'wire_1' }]),
      422,
      'badChange',
      'the change would break the design',
    ],
  ])('%s is said as it is', async (_, error, status, code, message) => {
    expect(await told(await failing(error))).toMatchObject({ status, error: { code, message } });
  });

  it('between two who changed the same thing comes with how it stands now', async () => {
    const zone = pip().records.get('zone_cabin')!;
    const missed = [{ revision: 7, change: { added: [], updated: [], removed: [] } }];
    const conflict = new Conflict([{ code: 'staleRecord', id: zone.id }], [zone, null], missed, 7);
    expect(await told(await failing(conflict))).toMatchObject({ status: 409, current: [zone, null], missed, revision: 7 });
  });

  it('of a store held by another writer is told as such, to be tried again', async () => {
    const { status, error } = await told(await failing(Object.assign(new Error('x'), { cause: { code: 'SQLITE_BUSY_SNAPSHOT' } })));
    expect([status, error.code]).toEqual([503, 'busy']);
    expect((await told(await failing(new Behind('revision 9 is not known here')))).error.code).toBe('behind');
  });

  it('of a full disk is told as such, to be tried again once there is room', async () => {
    const { status, error } = await told(await failing(Object.assign(new Error('x'), { cause: { code: 'SQLITE_FULL' } })));
    expect([status, error.code, error.message]).toEqual([503, 'busy', expect.stringContaining('disk of the store is full')]);
  });

  it('inside the server stays inside', async () => {
    const logged = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const secret = new Error('SQLITE_BUSY: /home/someone/data/designs.db, token 4711');
    const response = await failing(secret);
    const text = await response.text();
    expect(response.status).toBe(500);
    expect(text).not.toMatch(/SQLITE|designs\.db|4711|\.ts|at /);
    expect(text).toContain('your edit was not taken');
    expect(logged).toHaveBeenCalledWith(secret);
    logged.mockRestore();
  });

  it('a design’s id that is none never reaches the work', async () => {
    const work = jest.fn();
    for (const id of ['../../etc/passwd', 'a b', '', 'x'.repeat(41), "1'; drop table design"])
      expect((await route(work)(post('{}'), { params: Promise.resolve({ id }) })).status).toBe(404);
    expect(work).not.toHaveBeenCalled();
  });
});

describe('the bodies taken', () => {
  const change = { added: [], updated: [], removed: [] };
  const zone = { id: 'zone_a', type: 'zone', name: 'Bunk', order: 0, ambientC: 30, engineSpace: false };
  it.each([
    ['an edit', proposedChangeSchema, { changeId: 'change_1', baseRevision: 3, label: 'Edit', change: { ...change, added: [zone] } }, true],
    ['an edit without a label', proposedChangeSchema, { changeId: 'change_1', baseRevision: 3, label: '', change }, false],
    ['an edit at half a revision', proposedChangeSchema, { changeId: 'change_1', baseRevision: 2.5, label: 'Edit', change }, false],
    [
      'an edit with an id too short to be one’s own',
      proposedChangeSchema,
      { changeId: 'c', baseRevision: 3, label: 'Edit', change },
      false,
    ],
    [
      'a record with a field nobody knows',
      proposedChangeSchema,
      { changeId: 'change_1', baseRevision: 3, label: 'Edit', change: { ...change, added: [{ ...zone, colour: 'red' }] } },
      false,
    ],
    [
      'a temperature past what glows',
      proposedChangeSchema,
      { changeId: 'change_1', baseRevision: 3, label: 'Edit', change: { ...change, added: [{ ...zone, ambientC: 5000 }] } },
      false,
    ],
    [
      'a number that is none',
      proposedChangeSchema,
      { changeId: 'change_1', baseRevision: 3, label: 'Edit', change: { ...change, added: [{ ...zone, ambientC: NaN }] } },
      false,
    ],
    ['a step', stepSchema, { changeId: 'change_1', baseRevision: 0 }, true],
    ['a step before the beginning', stepSchema, { changeId: 'change_1', baseRevision: -1 }, false],
    ['a name', renameSchema, { name: 'Heron' }, true],
    ['a name of spaces', renameSchema, { name: '   ' }, false],
    ['a name with a line break', renameSchema, { name: 'Heron\nII' }, false],
    ['a new design from nothing', createSchema, {}, false],
  ])('%s', (_, schema, body, fits) => {
    expect(schema.safeParse(body).success).toBe(fits);
  });
});

describe('a file to save', () => {
  it.each([
    ['Pip', 'pip.csv'],
    ['  Käfer & Co.  2 ', 'kafer-co-2.csv'],
    ['../../etc/passwd', 'etc-passwd.csv'],
    ['"; rm -rf', 'rm-rf.csv'],
    ['蔓', 'design.csv'],
  ])('of a design called %s has a plain name, and the whole one for who can read it', (name, plain) => {
    const records = new Map(pip().records);
    records.set('settings', { ...records.get('settings')!, name } as never);
    const header = attachment({ records }, 'x', 'text/csv', 'csv').headers.get('content-disposition')!;
    expect(header).toContain(`filename="${plain}"`);
    // RFC 6266 and RFC 8187: the extended form is percent-encoded UTF-8.
    expect(decodeURIComponent(/filename\*=UTF-8''(.+)$/.exec(header)![1]!)).toBe(`${name}.csv`);
    expect(header).toMatch(/^[\x20-\x7e]+$/);
  });
});
