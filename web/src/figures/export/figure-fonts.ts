import textFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import zeroFont from '@fontsource-variable/onest/files/onest-latin-wght-normal.woff2?url';

/** As on the page (styles/fonts.css): the zero is of a font of its own, without a slash. */
export const FIGURE_FONTS = "'Plain Zero', 'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif";

/** CSS with the fonts in it: a picture made of an SVG cannot use those of the page. */
export async function embeddedFonts(): Promise<string> {
  const [text, zero] = await Promise.all([inBase64(textFont), inBase64(zeroFont)]);
  return [
    fontFace('Atkinson Hyperlegible Next Variable', text, ''),
    fontFace('Plain Zero', zero, 'size-adjust:94.05%;unicode-range:U+30;'),
  ].join('');
}

function fontFace(family: string, data: string, more: string): string {
  return `@font-face{font-family:'${family}';font-weight:200 800;${more}src:url(data:font/woff2;base64,${data}) format('woff2')}`;
}

async function inBase64(address: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(address)).arrayBuffer());
  let binary = '';
  for (const byte of bytes) binary += String.fromCharCode(byte);
  return btoa(binary);
}
