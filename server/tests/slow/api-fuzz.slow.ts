import { importPreviewSchema, type Study, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from '../test-application';
import { type JsonSchema, type Random, randomValue, seeded } from './random-value';

/** Another one finds other faults. */
const SEED = Number(process.env.IVLEN_FUZZ_SEED ?? 20261127);
const REQUESTS = 2000;

interface Operation {
  readonly method: string;
  readonly path: string;
  readonly parameters: readonly { readonly name: string; readonly in: string; readonly schema: JsonSchema }[];
  readonly body: JsonSchema | null;
}

let app: TestApplication;
const studies: Study[] = [];
beforeAll(async () => {
  app = await openTestApplication();
  const rows = Array.from({ length: 40 }, (_, i) => `A${i % 17},${'abc'[i % 3]},${((i * 7) % 11) / 2},${i % 5},${(i * i) % 23}`);
  for (const name of ['First', 'Second', 'Third']) {
    const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf(`site,group,x,y,z\n${rows.join('\n')}\n`));
    studies.push(await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name }));
  }
}, 120_000);
afterAll(() => app.close());

/** Every operation that the API describes, but deleting, which would leave nothing to ask. */
async function operations(): Promise<Operation[]> {
  const described = (await (await app.send('GET', '/openapi.json')).json()) as {
    paths: Record<
      string,
      Record<string, { parameters?: Operation['parameters']; requestBody?: { content: Record<string, { schema: JsonSchema }> } }>
    >;
  };
  return Object.entries(described.paths).flatMap(([path, methods]) =>
    Object.entries(methods).flatMap(([method, { parameters = [], requestBody }]) => {
      const body = requestBody?.content['application/json']?.schema ?? null;
      const isFile = requestBody !== undefined && body === null;
      return isFile || (method === 'delete' && path === '/api/studies/{id}')
        ? []
        : [{ method: method.toUpperCase(), path, parameters, body }];
    }),
  );
}

function addressOf({ path, parameters }: Operation, random: Random, known: readonly string[]): string {
  const value = (schema: JsonSchema) => encodeURIComponent(String(randomValue(schema, random, known)));
  const placed = path.replace('/api', '').replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    if (name === 'id' && random.unit() < 0.9) return random.pick(studies).id;
    return value(parameters.find((parameter) => parameter.name === name)?.schema ?? { type: 'string' }) || 'x';
  });
  const query = parameters
    .filter((parameter) => parameter.in === 'query' && random.unit() < 0.8)
    .map(({ name, schema }) => `${name}=${value(schema)}`);
  return `${placed}${query.length > 0 ? `?${query.join('&')}` : ''}`;
}

it('no request of any kind is answered with a fault of the server, and every refusal is a sentence', async () => {
  const random = seeded(SEED);
  const all = await operations();
  expect(all.length).toBeGreaterThan(30);
  const faults: string[] = [];
  const jargon = new Set<string>();
  const statuses = new Map<number, number>();
  for (let i = 0; i < REQUESTS; i++) {
    const operation = random.pick(all);
    const variables = random.pick(studies).state.variables.map(({ id }) => id);
    const known = [...variables, ...studies.map(({ id }) => id)];
    const address = addressOf(operation, random, known);
    const body = operation.body ? randomValue(operation.body, random, known) : undefined;
    const response = await app.send(operation.method, address, body);
    statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1);
    const text = await response.text();
    if (response.status >= 500)
      faults.push(`${i}: ${operation.method} ${address.slice(0, 150)} ${JSON.stringify(body)?.slice(0, 300)} → ${text.slice(0, 200)}`);
    if (response.status >= 400) {
      const { error } = JSON.parse(text) as { error: { message: string } };
      // A sentence may begin with the name of a variable, which stands as it was given.
      if (!/[.!?”]$/.test(error.message) || /\bInvalid|\breceived\b|expected (string|number|object|array)/.test(error.message))
        jargon.add(error.message);
    }
  }
  console.log(
    `seed ${SEED}: ${[...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, count]) => `${status} × ${count}`)
      .join(', ')}`,
  );
  expect(faults).toEqual([]);
  expect([...jargon]).toEqual([]);
}, 600_000);
