/** A schema as the description of the API has it. */
export interface JsonSchema {
  readonly $ref?: string;
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly anyOf?: readonly JsonSchema[];
  readonly oneOf?: readonly JsonSchema[];
  readonly allOf?: readonly JsonSchema[];
  readonly items?: JsonSchema;
  readonly prefixItems?: readonly JsonSchema[];
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: JsonSchema | boolean;
  readonly format?: string;
}

export interface Random {
  readonly unit: () => number;
  readonly below: (most: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
}

/** Numbers of a seed (mulberry32, T. Ettinger 2017). */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  const unit = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (most: number) => Math.floor(unit() * most);
  return { unit, below, pick: (list) => list[below(list.length)] as (typeof list)[number] };
}

const NUMBERS = [0, 1, 2, 3, -1, 0.5, 1.5, 1e9, 2147483648, -2147483649, 9007199254740992, 1e21, 1e308, -0];
const TEXTS = [
  '',
  'v1',
  'v2',
  'v3',
  'x',
  'nitrate',
  'constructor',
  '__proto__',
  '\u0000',
  '🪨',
  ' ',
  '1',
  '-1',
  "'; drop table study; --",
  '../..',
  'a'.repeat(5000),
  'v1 + ',
  'log10(x)',
  '%',
  '{{',
  '2023-05-31',
];
const ODD: readonly unknown[] = [null, true, [], {}, 'odd', 1e15, -1, '', [[[]]], { a: { b: {} } }];
/** How often something is not what the schema asks for. */
const ODDLY = 0.04;

/** A value more or less as a schema asks for; `known` are identifiers that exist. */
export function randomValue(schema: JsonSchema, random: Random, known: readonly string[], depth = 0): unknown {
  if (random.unit() < ODDLY) return random.pick(ODD);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return randomValue(random.pick(choices), random, known, depth);
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((part) => randomValue(part, random, known, depth)));
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return random.pick(schema.enum);
  const type = Array.isArray(schema.type) ? random.pick(schema.type) : schema.type;
  switch (type) {
    case 'integer':
    case 'number':
      return random.unit() < 0.5 ? random.below(6) : random.pick(NUMBERS);
    case 'string':
      return schema.format === 'uuid' || random.unit() < 0.4 ? random.pick(known) : random.pick(TEXTS);
    case 'boolean':
      return random.unit() < 0.5;
    case 'null':
      return null;
    case 'array': {
      if (schema.prefixItems) return schema.prefixItems.map((part) => randomValue(part, random, known, depth + 1));
      const length = depth > 5 ? 0 : random.below(4);
      return Array.from({ length }, () => randomValue(schema.items ?? {}, random, known, depth + 1));
    }
    case 'object':
      return randomObject(schema, random, known, depth);
    default:
      return random.pick(ODD);
  }
}

function randomObject(schema: JsonSchema, random: Random, known: readonly string[], depth: number): object {
  const entries = Object.entries(schema.properties ?? {})
    .filter(([name]) => (schema.required?.includes(name) ? random.unit() > ODDLY / 2 : random.unit() < 0.5 && depth < 8))
    .map(([name, part]): [string, unknown] => [name, randomValue(part, random, known, depth + 1)]);
  if (typeof schema.additionalProperties === 'object' && random.unit() < 0.5)
    entries.push([random.pick(known), randomValue(schema.additionalProperties, random, known, depth + 1)]);
  return Object.fromEntries(entries);
}
