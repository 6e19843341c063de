import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, it, test } from 'vitest';

const ROOT = resolve(import.meta.dirname, '..');
const PACKAGES = ['core', 'contract', 'server', 'web'] as const;
type Package = (typeof PACKAGES)[number];

/** What each package may import of the others: core ← contract ← server | web. */
const MAY_IMPORT: Readonly<Record<Package, readonly Package[]>> = {
  core: [],
  contract: ['core'],
  server: ['core', 'contract'],
  web: ['core', 'contract'],
};
const VAGUE_FOLDERS = /^(utils?|helpers?|common|misc|shared|lib)$/;

interface Import {
  readonly from: string;
  readonly to: string;
  readonly typeOnly: boolean;
}

function sourceFiles(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name));
}

const IMPORT = /(?:^|\n)\s*(import|export)\s+(type\s+)?(?:[^'";]*?\sfrom\s+)?['"]([^'"]+)['"]|import\(\s*['"]([^'"]+)['"]\s*\)/g;

function importsOf(file: string): Import[] {
  return [...readFileSync(file, 'utf8').matchAll(IMPORT)].map(([, , type, named, lazy]) => ({
    from: file,
    to: named ?? lazy ?? '',
    typeOnly: type !== undefined,
  }));
}

/** Violations of the layers, in words. */
function violations(name: Package, imports: readonly Import[]): string[] {
  return imports.flatMap(({ from, to, typeOnly }) => {
    const place = `${relative(ROOT, from)} imports ${to}`;
    const [, other, deep] = /^@ivlen\/([a-z]+)(\/.*)?$/.exec(to) ?? [];
    if (deep) return [`${place}: past the index of a package`];
    if (other && !MAY_IMPORT[name].some((allowed) => allowed === other)) return [`${place}: against the direction of the layers`];
    if (name === 'contract' && other === 'core' && !typeOnly) return [`${place}: contract may know types of core only`];
    // Words and the demo's table are no code: what is shown and what is read in the repository are one text.
    const isText = name === 'web' && /\/(docs\/help|samples)\/[\w-]+\.(md|csv)\?raw$/.test(to);
    if (to.startsWith('.') && !isText && !resolve(dirname(from), to).startsWith(join(ROOT, name))) {
      return [`${place}: out of its own package`];
    }
    if ((name === 'core' || name === 'contract' || name === 'web') && to.startsWith('node:')) return [`${place}: this layer has no Node`];
    return [];
  });
}

describe.each(PACKAGES)('%s', (name) => {
  const files = sourceFiles(`${name}/src`);

  it('imports only along the layers', () => {
    expect(files.length).toBeGreaterThan(5);
    expect(violations(name, files.flatMap(importsOf))).toEqual([]);
  });

  it('has no import cycle', () => {
    const edges = new Map(files.map((file) => [file, importsOf(file).flatMap(({ to }) => resolved(file, to, files))]));
    expect(findCycle(edges)).toBeNull();
  });

  it('names its folders by what is in them', () => {
    const folders = new Set(files.flatMap((file) => relative(ROOT, dirname(file)).split('/')));
    expect([...folders].filter((folder) => VAGUE_FOLDERS.test(folder))).toEqual([]);
  });
});

describe('the rooms of the web', () => {
  const WEB = join(ROOT, 'web/src');
  const files = sourceFiles('web/src');
  const edges = files.flatMap((from) =>
    importsOf(from).flatMap(({ to }) =>
      resolved(from, to, files).map((target): Edge => ({ from: roomOf(WEB, from), to: roomOf(WEB, target) })),
    ),
  );

  it('no stage imports a stage', () => {
    expect(edges.length).toBeGreaterThan(300);
    expect(stageToStage(edges)).toEqual([]);
  });

  it('folders form no cycle; the files above them hold them together', () => {
    expect(roomCycle(edges)).toBeNull();
  });

  it('a stage that has a methods line says its sentence without components', () => {
    const withLine = new Set(files.filter((file) => /<MethodsLine\b/.test(readFileSync(file, 'utf8'))).map((file) => roomOf(WEB, file)));
    const stages = [...withLine].filter((room) => room.startsWith('stages/'));
    expect(stages.length).toBeGreaterThanOrEqual(3);
    for (const stage of stages) {
      const sentence = files.find((file) => file === join(WEB, stage, 'sentence.ts'));
      expect(sentence, `${stage}/sentence.ts`).toBeDefined();
      expect(reachedFrom(sentence ?? '', files).filter((file) => file.endsWith('.tsx'))).toEqual([]);
    }
  });

  it('notice what they forbid', () => {
    const edge = (from: string, to: string): Edge => ({ from, to });
    expect(
      stageToStage([edge('stages/shape', 'stages/data'), edge('stages/shape', 'figures'), edge('stages', 'stages/data')]),
    ).toHaveLength(1);
    expect(roomCycle([edge('figures', 'study'), edge('study', 'frame'), edge('frame', 'figures')])).toEqual([
      'figures',
      'study',
      'frame',
      'figures',
    ]);
    expect(roomCycle([edge('frame', 'figures'), edge('', 'frame'), edge('figures', 'figures')])).toBeNull();
    expect(roomOf(WEB, join(WEB, 'stages/data/rows/cell-editor.tsx'))).toBe('stages/data');
    expect(roomOf(WEB, join(WEB, 'router.tsx'))).toBe('');
  });
});

interface Edge {
  readonly from: string;
  readonly to: string;
}

/** All files that a file needs at run time, itself included. */
function reachedFrom(start: string, files: readonly string[]): string[] {
  const reached = new Set<string>();
  const visit = (file: string) => {
    if (reached.has(file)) return;
    reached.add(file);
    for (const { to, typeOnly } of importsOf(file)) if (!typeOnly) resolved(file, to, files).forEach(visit);
  };
  visit(start);
  return [...reached];
}

/** The folder of `web/src` that a file belongs to, each stage one of its own; '' for the files above them. */
function roomOf(web: string, file: string): string {
  const [first = '', second = '', ...rest] = relative(web, file).split('/');
  if (second === '') return '';
  return first === 'stages' && rest.length > 0 ? `${first}/${second}` : first;
}

function stageToStage(edges: readonly Edge[]): Edge[] {
  return edges.filter(({ from, to }) => from !== to && /^stages\//.test(from) && /^stages\//.test(to));
}

function roomCycle(edges: readonly Edge[]): string[] | null {
  const rooms = new Map<string, string[]>();
  for (const { from, to } of edges) {
    if (from === '' || to === '' || from === to) continue;
    rooms.set(from, [...(rooms.get(from) ?? []), to]);
  }
  return findCycle(rooms);
}

test('the rules notice what they forbid', () => {
  const from = join(ROOT, 'core/src/index.ts');
  const notice = (name: Package, to: string, typeOnly = false) =>
    violations(name, [{ from: from.replace('core', name), to, typeOnly }]).length;
  expect(notice('core', '@ivlen/contract')).toBe(1);
  expect(notice('core', 'node:fs')).toBe(1);
  expect(notice('contract', '@ivlen/core')).toBe(1);
  expect(notice('contract', '@ivlen/core', true)).toBe(0);
  expect(notice('web', '@ivlen/core/src/correlation/pearson')).toBe(1);
  expect(notice('web', '../../server/src/app')).toBe(1);
  expect(notice('server', '@ivlen/core')).toBe(0);
  const cyclic = new Map([
    ['a', ['b']],
    ['b', ['c']],
    ['c', ['a']],
  ]);
  expect(findCycle(cyclic)).toEqual(['a', 'b', 'c', 'a']);
});

function resolved(from: string, to: string, files: readonly string[]): string[] {
  if (!to.startsWith('.')) return [];
  const base = resolve(dirname(from), to);
  return files.filter((file) => [`${base}.ts`, `${base}.tsx`, join(base, 'index.ts')].includes(file));
}

/** The first cycle found in depth-first order, as the files along it. */
function findCycle(edges: ReadonlyMap<string, readonly string[]>): string[] | null {
  const done = new Set<string>();
  const visit = (file: string, path: readonly string[]): string[] | null => {
    if (path.includes(file)) return [...path.slice(path.indexOf(file)), file];
    if (done.has(file)) return null;
    for (const next of edges.get(file) ?? []) {
      const cycle = visit(next, [...path, file]);
      if (cycle) return cycle;
    }
    done.add(file);
    return null;
  };
  for (const file of edges.keys()) {
    const cycle = visit(file, []);
    if (cycle) return cycle;
  }
  return null;
}

test('in the web one file writes coefficients and p, with the decimals of the study', () => {
  const writers = /\b(formatCoefficient|formatInterval|formatP|formatPRelation)\b/;
  // The pages without a study, the examples of the choice itself, and the working, which has digits of its own.
  const others = ['web/src/numbers', 'web/src/reported', 'web/src/pair-card/working-section.tsx', 'web/src/pair-card/interval-steps.ts'];
  const found = sourceFiles('web/src')
    .filter((file) => writers.test(readFileSync(file, 'utf8')))
    .map((file) => relative(ROOT, file));
  expect(found.filter((file) => !others.some((allowed) => file.startsWith(allowed)))).toEqual([]);
  expect(found).toContain('web/src/numbers/number-text.ts');
});
