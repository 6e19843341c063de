import { PAGES, TEXTS } from './texts';

/** A part of a page under its heading; the first has that of the page. */
export interface Section {
  readonly page: string;
  readonly pageName: string;
  readonly heading: string;
  /** Where it stands in the page; null for its beginning. */
  readonly anchor: string | null;
  /** Without the signs that set it. */
  readonly text: string;
}

/** All parts of all pages. */
export const SECTIONS: readonly Section[] = PAGES.flatMap(({ id, name }) => sectionsOf(id, name, TEXTS.get(id) ?? ''));

function sectionsOf(page: string, pageName: string, text: string): Section[] {
  return text.split(/^(?=#{1,2} )/m).flatMap((part) => {
    const [, signs, heading] = /^(#{1,2}) (.+)$/m.exec(part) ?? [];
    if (!signs || !heading) return [];
    const body = part.slice(part.indexOf('\n') + 1);
    return [{ page, pageName, heading, anchor: signs === '#' ? null : anchorOf(heading), text: plain(body) }];
  });
}

/** The name by which a heading can be gone to, as places that show Markdown make it. */
export function anchorOf(heading: string): string {
  return heading
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}\p{No} -]/gu, '')
    .replaceAll(' ', '-');
}

/** Words without the signs of Markdown. */
function plain(text: string): string {
  return text
    .replaceAll(/<!--.*?-->/g, '')
    .replaceAll(/!\[(.*?)\]\(.*?\)/g, '$1')
    .replaceAll(/\[(.*?)\]\(.*?\)/g, '$1')
    .replaceAll(/^\|?[ |:-]+$/gm, '')
    .replaceAll(/[*`|]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();
}
