import { readFileSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import { startingRecipe } from '#core/recipes';
import { ANNOUNCED } from '../src/server/features/openapi/announced';
import { breakingChanges } from '../src/server/features/openapi/breaking';
import { type OpenApi, openApiDocument } from '../src/server/features/openapi/document';
import { EXAMPLE_AT, EXAMPLE_IDS, EXAMPLES } from '../src/server/features/openapi/examples';
import { cookieOf, type Fresh, freshHouse, from, PLAIN_TEA, POT, SITE } from './house';

const doc = openApiDocument();
const copy = (): OpenApi => structuredClone(doc);
const released = JSON.parse(readFileSync('docs/formats/openapi.json', 'utf8')) as OpenApi;

test('an independent validator finds nothing wrong with it', async () => {
  const { valid, errors } = await new Validator().validate(JSON.parse(JSON.stringify(doc)));
  expect([valid, errors]).toEqual([true, undefined]);
  expect(doc.openapi).toBe('3.1.0');
  const ids = Object.values(doc.paths).flatMap((methods) =>
    Object.values(methods).map((o) => o.operationId),
  );
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids.length).toBeGreaterThan(120);
});

describe('served by a house', () => {
  let h: Fresh;
  let lead: ReturnType<typeof from>;
  beforeAll(async () => {
    const start = Date.now();
    h = await freshHouse(() => EXAMPLE_AT + (Date.now() - start));
    const { body } = EXAMPLES.signIn as { body: { secret: string } };
    const begun = await from(h.app)
      .post('/api/house', {
        site: SITE,
        siteId: EXAMPLE_IDS.site,
        lead: { id: EXAMPLE_IDS.lead, name: 'Lead L.', secret: body.secret },
      })
      .expect(200);
    lead = from(h.app, cookieOf(begun));
    await lead
      .post('/api/vessels', { ...POT, id: EXAMPLE_IDS.vessel, siteId: EXAMPLE_IDS.site })
      .expect(200);
    await lead
      .post('/api/teas', {
        id: EXAMPLE_IDS.tea,
        versionId: EXAMPLE_IDS.version,
        name: 'Tolvane Amber',
        style: 'black-whole',
        method: 'pot',
        ...PLAIN_TEA,
        weighing: null,
        spoon: 'dessertSpoon',
        recipe: startingRecipe('black-whole'),
      })
      .expect(200);
  });
  afterAll(() => h.close());

  test('anybody may read it, as JSON and as a page without a script', async () => {
    const served = await from(h.app).get('/api/openapi.json').expect(200);
    expect(served.headers['content-type']).toContain('application/json');
    expect(JSON.parse(served.text ?? served.body.toString())).toEqual(
      JSON.parse(JSON.stringify(doc)),
    );
    const page = (await from(h.app).get('/api/docs').expect(200)).text;
    expect(page).not.toContain('<script');
    for (const id of ['getBook', 'addOrder', 'addProbeReading'])
      expect(page).toContain(`id="${id}"`);
  });
  test('every example in it does what it says', async () => {
    let key = '';
    for (const [name, example] of Object.entries(EXAMPLES)) {
      const [path, method, operation] =
        Object.entries(doc.paths)
          .flatMap(([p, methods]) => Object.entries(methods).map(([m, o]) => [p, m, o] as const))
          .find(([, , o]) => o.operationId === name) ?? [];
      expect([name, operation?.operationId]).toEqual([name, name]);
      const filled = (path ?? '').replace(/\{(\w+)\}/g, (_, key) => example.params?.[key] ?? '');
      const query = new URLSearchParams(
        Object.entries(example.query ?? {}).map(([k, v]) => [k, String(v)]),
      );
      const asked = lead[method as 'post'](
        query.size > 0 ? `${filled}?${query}` : filled,
        method === 'get' ? undefined : ((example.body ?? {}) as object),
      );
      const answered = await (operation?.['x-limnos-access'] === 'key'
        ? asked.set('authorization', `Bearer ${key}`)
        : asked);
      if (name === 'signIn') lead = from(h.app, cookieOf(answered));
      if (name === 'addProgram') key = answered.body.key;
      expect([name, answered.status, answered.status === 200 ? '' : answered.text]).toEqual([
        name,
        200,
        '',
      ]);
    }
    expect(Object.keys(EXAMPLES).length).toBeGreaterThan(15);
  });
  test('whatever needs nothing to be read answers a lead', async () => {
    const plain = Object.entries(doc.paths).flatMap(([path, { get }]) =>
      get &&
      get['x-limnos-access'] !== 'key' &&
      !path.includes('{') &&
      !(get.parameters ?? []).some((p) => p.required)
        ? [{ path, id: get.operationId }]
        : [],
    );
    expect(plain.length).toBeGreaterThan(25);
    for (const { path, id } of plain) {
      // The stream never ends, a guest's sheet is for a guest's pass, and this house has no network of its own.
      if (['getLive', 'getGuestSheet', 'getShopCode'].includes(id)) continue;
      const { status } = await lead.get(path);
      expect([path, status]).toEqual([path, 200]);
    }
  });
});

describe('a change that breaks what calls it', () => {
  test('none is unannounced since the last release', () => {
    const breaking = breakingChanges(released, doc);
    expect(breaking.filter((line) => !ANNOUNCED.includes(line))).toEqual([]);
    const major = (d: OpenApi) => Number(d.info.version.split('.')[0]);
    expect(major(doc) - major(released)).toBe(breaking.length > 0 ? 1 : 0);
  });
  test('the same document breaks nothing, whatever is in it', () =>
    expect(breakingChanges(copy(), copy())).toEqual([]));
  const operation = (d: OpenApi, path: string, method: string) => {
    const found = d.paths[path]?.[method];
    if (!found) throw new Error(`${method} ${path}`);
    return found;
  };
  type Schema = {
    properties: Record<string, Record<string, unknown>>;
    required: string[];
    $ref?: string;
  };
  const sent = (d: OpenApi, path: string, method: string): Schema =>
    (
      operation(d, path, method).requestBody as {
        content: Record<string, { schema: Schema }>;
      }
    ).content['application/json']?.schema as Schema;
  test.each<[string, (d: OpenApi) => void, RegExp]>([
    ['a request that is gone', (d) => delete d.paths['/api/bar'], /GET \/api\/bar is gone/],
    [
      'a request for fewer people',
      (d) => (operation(d, '/api/book', 'get')['x-limnos-access'] = 'lead'),
      /GET \/api\/book: access is for a lead, was for a trainee/,
    ],
    [
      'a field that must be sent now',
      (d) => (sent(d, '/api/orders/{id}', 'patch').required = ['rank']),
      /PATCH \/api\/orders\/\{id\}: body.rank is required now/,
    ],
    [
      'a field that is not taken any more',
      (d) => delete sent(d, '/api/orders', 'post').properties.forWhom,
      /POST \/api\/orders: body.forWhom is gone/,
    ],
    [
      'a shorter text',
      (d) => (sent(d, '/api/orders', 'post').properties.forWhom = { type: 'string', maxLength: 5 }),
      /body.forWhom maxLength is 5, was 60/,
    ],
    [
      'an answer without a field',
      (d) => delete (d.components.schemas.Order as Schema).properties.forWhom,
      /GET \/api\/bar: answer.orders\[\].forWhom is gone/,
    ],
    [
      'an answer whose field may be missing',
      (d) => {
        const order = d.components.schemas.Order as Schema;
        order.required = order.required.filter((name) => name !== 'forWhom');
      },
      /answer.orders\[\].forWhom may be missing now/,
    ],
    [
      'an answer of another type',
      (d) => ((d.components.schemas.Order as Schema).properties.forWhom = { type: 'number' }),
      /forWhom is number, was string/,
    ],
  ])('%s is found', (_name, change, line) => {
    const changed = copy();
    change(changed);
    expect(breakingChanges(doc, changed).join('\n')).toMatch(line);
  });
  test('what only adds breaks nothing', () => {
    const changed = copy();
    sent(changed, '/api/orders', 'post').properties.note = { type: 'string' };
    (changed.components.schemas.Order as Schema).properties.note = { type: 'string' };
    changed.paths['/api/more'] = { get: { ...operation(changed, '/api/bar', 'get') } };
    operation(changed, '/api/people', 'get')['x-limnos-access'] = 'brewer';
    expect(breakingChanges(doc, changed)).toEqual([]);
  });
});
