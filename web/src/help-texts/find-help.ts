import { greatest } from '../numbers/ends';
import { SECTIONS, type Section } from './sections';

/** A part of help that holds all words looked for. */
export interface FoundHelp {
  readonly section: Section;
  /** What stands around the first of the words. */
  readonly excerpt: string;
}

const LIST_OF_SOURCES = 'sources';
const AROUND = 60;
/** What a word found there counts: the heading of a part above the name of its page, and that above its text. */
const WORTH = { heading: 4, page: 2, text: 1 } as const;

/** Parts of help that hold every word of what is typed, those first that are named by them. */
export function findHelp(typed: string, most = 20): FoundHelp[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  return SECTIONS.map((section) => ({ section, worth: worthOf(section, words) }))
    .filter(({ worth }) => worth > 0)
    .toSorted((a, b) => b.worth - a.worth)
    .slice(0, most)
    .map(({ section }) => ({ section, excerpt: excerptOf(section.text, words) }));
}

/** Nothing if a word is missing. */
function worthOf({ page, anchor, heading, pageName, text }: Section, words: readonly string[]): number {
  const places = { heading: heading.toLowerCase(), page: pageName.toLowerCase(), text: text.toLowerCase() };
  const each = words.map((word) => (Object.keys(WORTH) as (keyof typeof WORTH)[]).find((place) => begins(places[place], word)));
  if (each.some((place) => place === undefined)) return 0;
  const exact = places.heading === words.join(' ') ? WORTH.heading : 0;
  // A page that is about it comes before a part of another, and what explains it before lists of where it was published.
  const whole = anchor === null && each[0] === 'heading' ? WORTH.heading + 1 : 0;
  const list = page === LIST_OF_SOURCES ? -0.5 - exact : 0;
  return exact + whole + list + each.reduce((sum, place) => sum + (place ? WORTH[place] : 0), 0);
}

/** Whether a word of the text begins with what is typed, so that "r" does not find every word that holds one. */
function begins(text: string, typed: string): boolean {
  return placeOf(text, typed) >= 0;
}

function placeOf(text: string, typed: string): number {
  for (let at = text.indexOf(typed); at >= 0; at = text.indexOf(typed, at + 1)) {
    if (at === 0 || !/[\p{L}\p{N}]/u.test(text[at - 1] ?? '')) return at;
  }
  return -1;
}

function excerptOf(text: string, words: readonly string[]): string {
  const lower = text.toLowerCase();
  const at = Math.max(0, greatest(words.map((word) => placeOf(lower, word))));
  const from = at <= AROUND ? 0 : text.indexOf(' ', at - AROUND) + 1;
  const end = text.indexOf(' ', at + 2 * AROUND);
  return `${from > 0 ? '… ' : ''}${text.slice(from, end < 0 ? undefined : end)}${end < 0 ? '' : ' …'}`;
}
