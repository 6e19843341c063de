const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

export function escapeHtml(text: string): string {
  return text.replaceAll(/[&<>"]/g, (sign) => ESCAPES[sign] ?? sign);
}

/**
 * Symbols of statistics in a sentence: a letter before its degrees of freedom or a relation, and a coefficient after its author.
 * Words of one letter that stand otherwise ("station t") are none.
 */
const SYMBOL = /(?<![\p{L}\p{N}_])(?:[rptnzFQW]|[ρτ])(?=\(\d|\s?[=<>≤≥±]\s|²)|(?<=’s )[rρτ](?![\p{L}\p{N}_])/gu;

/** Where the symbols of statistics stand in a text. */
export function symbolStretches(text: string): [from: number, to: number][] {
  return [...text.matchAll(SYMBOL)].map(({ 0: symbol, index }) => [index, index + symbol.length]);
}

/** A text as HTML, the symbols of statistics in italics as papers set them; lines become paragraphs. */
export function withItalics(text: string): string {
  const paragraphs = text.split('\n').map((line) => {
    let html = '';
    let at = 0;
    for (const [from, to] of symbolStretches(line)) {
      html += `${escapeHtml(line.slice(at, from))}<i>${line.slice(from, to)}</i>`;
      at = to;
    }
    return html + escapeHtml(line.slice(at));
  });
  return paragraphs.length === 1 ? (paragraphs[0] ?? '') : paragraphs.map((line) => `<p>${line}</p>`).join('');
}

/** On screen a relation and its number stay on one line. */
export function keepTogether(text: string): string {
  return text.replace(/ ([<>=]) (?=[<>.−\d])/g, '\u00a0$1\u00a0');
}
