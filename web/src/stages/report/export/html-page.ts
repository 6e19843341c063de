import type { ReportSettings } from '@ivlen/contract';
import { escapeHtml } from '../../../controls/rich-text';
import { dayToken } from '../../../figures/export/day-colours';
import { asHtml } from '../../../tables/table-as-text';
import type { WrittenReport } from '../written-report';
import { textAsHtml } from './html';
import { type PaperDocument, paperDocument, type Tell } from './paper-document';

const NO_VALUES: WrittenReport['values'] = new Map();

/** The report as one page that opens anywhere, without a network and without scripts. */
export async function reportAsHtml(report: WrittenReport, settings: ReportSettings, tell: Tell): Promise<string> {
  return htmlPage(await paperDocument(report, settings, tell, { pictures: false }));
}

export function htmlPage({ title, paper, blocks }: PaperDocument): string {
  const body = blocks
    .map(({ heading, text, tables, figures }) =>
      [
        '<section>',
        heading ? `<h2>${escapeHtml(heading)}</h2>` : '',
        text ? textAsHtml(text, NO_VALUES) : '',
        ...tables.map((table) => `<div class="table">${asHtml({ ...table, caption: table.title })}</div>`),
        ...figures.map(
          ({ number, caption, alternative, svg }) =>
            `<figure><div role="img" aria-label="${escapeHtml(alternative)}">${svg}</div><figcaption><i>Figure ${number}.</i> ${escapeHtml(caption)}</figcaption></figure>`,
        ),
        '</section>',
      ].join(''),
    )
    .join('\n');
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeHtml(title)}</title>
<style>${styleOf(paper)}</style>
</head>
<body>
<main>
<h1>${escapeHtml(title)}</h1>
${body}
</main>
</body>
</html>
`;
}

function styleOf(paper: PaperDocument['paper']): string {
  return [
    `@page{size:A4 ${paper};margin:22mm 20mm}`,
    `body{margin:0;background:white;color:${dayToken('--ink')};font:16px/1.5 Georgia,"Times New Roman",serif}`,
    `main{max-width:${paper === 'landscape' ? 60 : 44}rem;margin:2rem auto;padding:0 1rem}`,
    'h1{font-size:1.7rem}h2{font-size:1.25rem;margin-top:2rem}h3{font-size:1.05rem}h1,h2,h3{line-height:1.25;break-after:avoid}',
    '.table{overflow-x:auto;margin:1.5rem 0}table{font:13px/1.35 system-ui,sans-serif;font-variant-numeric:lining-nums tabular-nums}',
    'table{border-bottom:1px solid black}tr,figure{break-inside:avoid}thead{display:table-header-group}',
    'caption{font:italic 15px/1.4 Georgia,serif;padding-bottom:.3rem}td,th{vertical-align:top}',
    'figure{margin:1.5rem 0}figure svg{max-width:100%;height:auto;font-family:system-ui,sans-serif}',
  ].join('');
}
