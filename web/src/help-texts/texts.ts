const FILES = import.meta.glob<string>('../../../docs/help/*.md', { query: '?raw', import: 'default', eager: true });

/** Every page of help as it stands in docs/help, by its name; README is the list of them. */
export const TEXTS: ReadonlyMap<string, string> = new Map(
  Object.entries(FILES).map(([path, text]) => [path.slice(path.lastIndexOf('/') + 1, -'.md'.length), text]),
);

const LIST = 'README';

/** A page as the list names it. */
export interface HelpPageEntry {
  readonly id: string;
  readonly name: string;
  readonly remark: string;
  readonly group: string;
}

/** The pages in the order of the list. */
export const PAGES: readonly HelpPageEntry[] = listedIn(TEXTS.get(LIST) ?? '');

/** Lines of a list under headings: `- [name](id.md): remark`. */
function listedIn(text: string): HelpPageEntry[] {
  let group = '';
  return text.split('\n').flatMap((line) => {
    if (line.startsWith('## ')) group = line.slice(3);
    const [, name, id, remark] = /^- \[(.+)\]\(([a-z-]+)\.md\): (.+)$/.exec(line) ?? [];
    return name && id && remark ? [{ id, name, remark, group }] : [];
  });
}
