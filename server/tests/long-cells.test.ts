import { importPreviewSchema, studySchema } from '@ivlen/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

async function answerTo(text: string): Promise<{ status: number; error: { code: string; message: string; where?: string } }> {
  const response = await app.send('POST', '/imports?name=t.csv', bytesOf(text));
  return { status: response.status, ...((await response.json()) as { error: { code: string; message: string } }) };
}

describe('a text that is no table', () => {
  it('with a cell that no table has is refused, in quotes or not', async () => {
    const long = 'x'.repeat(1_000_001);
    for (const cell of [long, `"${long}"`]) {
      const { status, error } = await answerTo(`a,b\n1,${cell}\n2,y\n`);
      expect(status).toBe(422);
      expect(error).toMatchObject({ code: 'cell-too-long', where: 'row 1, column 2' });
      expect(error.message).toContain('1,000,001 letters');
    }
  });

  it('with a line that never ends is refused soon', async () => {
    const { status, error } = await answerTo(`a,b\n1,2\n${'x,'.repeat(9_000_000)}`);
    expect([status, error.code]).toEqual([422, 'line-too-long']);
    expect(error.where).toBe('from byte 9');
  });

  it('is shown with long cells cut, and kept with them whole', async () => {
    const note = 'n'.repeat(5000);
    const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf(`a,note\n1,${note}\n2,short\n3,short\n`));
    expect(preview.head[0]?.[1]).toBe(`${'n'.repeat(300)} …`);
    expect(preview.head[1]?.[1]).toBe('short');
  });
});

describe('characters that no text has', () => {
  it('are left out at reading and said, in names and cells, in quotes or not', async () => {
    for (const quote of ['', '"']) {
      const text = `a,no\0te\n${Array.from({ length: 300 }, (_, i) => `${i},${quote}so${i % 30 === 0 ? '\0' : ''}me ${i % 7}${quote}`).join('\n')}\n`;
      const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=n%00ul.csv', bytesOf(text));
      expect(preview.fileName).toBe('nul.csv');
      expect(preview.columns.map(({ name }) => name)).toEqual(['a', 'note']);
      expect(preview.head[0]).toEqual(['0', 'some 0']);
      expect(preview.problems.find(({ code }) => code === 'zeros')?.message).toBe('11 characters that no text has (NUL) were left out.');
      const study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Without' });
      expect(study.rows).toBe(300);
    }
  });

  it('in what is typed are refused in words', async () => {
    const preview = await app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', bytesOf('a,b\n1,2\n2,3\n3,5\n'));
    const study = await app.ask(studySchema, 'POST', '/studies', { importId: preview.id, name: 'Typed' });
    const response = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: { type: 'set-aside', choice: { rows: [[1, 1]] }, because: 'mis\0read' },
    });
    expect(response.status).toBe(422);
    expect(await response.json()).toMatchObject({ error: { code: 'unstorable' } });
  });
});

describe('a file put together from two encodings', () => {
  const latin = (text: string) => new Uint8Array(Buffer.from(text, 'latin1'));
  const bring = (...parts: Uint8Array[]) =>
    app.ask(importPreviewSchema, 'POST', '/imports?name=t.csv', new Uint8Array(Buffer.concat(parts)));

  it('is told, with the lines of each', async () => {
    const preview = await bring(bytesOf('site,x\nBäche,1\nplain,2\n'), latin('Höhe,3\nTal,4\nMühle,5\n'), bytesOf('Fluß,6\n'));
    const problem = preview.problems.find(({ code }) => code === 'mixed-encodings');
    expect(problem?.severity).toBe('check');
    expect(problem?.message).toBe(
      'The file mixes two encodings: 2 lines are UTF-8 (2, 7), and 2 lines are Windows-1252 (4, 6). All are read as Windows-1252.',
    );
  });

  it('that has one only is not', async () => {
    for (const preview of [
      await bring(latin('site,x\nHöhe,3\nTal,4\nMühle,5\n')),
      await bring(bytesOf('site,x\nHöhe,3\nTal,4\nMühle,5\n')),
    ])
      expect(preview.problems.some(({ code }) => code === 'mixed-encodings')).toBe(false);
  });
});
