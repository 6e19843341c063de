import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { GLOSSARY } from '../src/help-texts/glossary';
import { ValueTableView } from '../src/tables/value-table-view';
import { Term } from '../src/terms/term';
import { termIn } from '../src/terms/term-in';
import { TERMS } from '../src/terms/terms';
import { show } from './served';

describe('the terms', () => {
  it('have each one entry in the glossary, and the glossary has no other', () => {
    expect(Object.values(TERMS).map(({ entry }) => entry)).toEqual(GLOSSARY.map(({ heading }) => heading));
  });

  it('are found as whole words, symbols by their case', () => {
    const found = (text: string) => {
      const place = termIn(text);
      return place && `${place.before}[${place.word}]${place.after} → ${place.term}`;
    };
    expect(found('95 % confidence interval')).toBe('95 % [confidence interval] → interval');
    expect(found('p, two-sided')).toBe('[p], two-sided → p');
    expect(found('r², variance shared')).toBe('[r²], variance shared → shared');
    expect(found('adjusted R²')).toBe('[adjusted R²] → rSquared');
    expect(found('Kendall’s τ-b')).toBe('[Kendall’s τ-b] → tau');
    expect(found('Mean')).toBe('[Mean] → mean');
    expect(found('N')).toBeNull();
    expect(found('top of the table')).toBeNull();
    expect(found('non-r')).toBeNull();
    expect(found('')).toBeNull();
  });
});

/** Column names that are plain words. A new one is either a term, or is put here after a look at it. */
const PLAIN =
  /^(variables?|values?|rows?|groups?|pairs?|statistic|set|step|what|which|name|value|number|first|second|scale|test|share|outcome|predictors?|partners?|coefficient|difference|from|to|low|high|smallest|largest|range|missing|unit|row|why|station|method|code|share|rank|size|in words|verdict|decision|date|reason|cases?|with|without|all|quartiles?|of|change|figure|left|total|percent|B|β|x|y|try|by whom|told by|observed|fitted|in which|in force|impossible|variance|within)\b/i;

describe('the tables', () => {
  it('explain every term among the names of their columns', () => {
    const names = columnNames();
    expect(names.length).toBeGreaterThan(60);
    expect(names.filter((name) => termIn(name) === null && !PLAIN.test(name))).toEqual([]);
  });

  it('open the words of a term from a head and from a line that names a figure; names of variables open nothing', async () => {
    const columns = [
      { name: 'variable', shown: (row: string[]) => row[0] ?? '' },
      { name: 'skewness', shown: (row: string[]) => row[1] ?? '' },
    ];
    const { user } = show(
      <>
        <ValueTableView table={{ caption: 'Shapes', columns, rows: [['p', '1.2']] }} tools={false} />
        <ValueTableView table={{ caption: 'Pair', columns, rows: [['degrees of freedom', '12']] }} headShown={false} tools={false} />
      </>,
    );
    expect(screen.getAllByRole('button').map(({ textContent }) => textContent)).toEqual(['skewness', 'degrees of freedom']);
    await user.click(screen.getByRole('button', { name: 'skewness' }));
    const words = await screen.findByRole('dialog', { name: 'What skewness means' });
    expect(await screen.findByText(/How lopsided a shape is/)).toBeTruthy();
    expect(words.textContent).toContain('Misread as a fault of the data');
  });
});

describe('the words of a term', () => {
  it('are opened by keys as well', async () => {
    const { user } = show(<Term of="vif">VIF</Term>);
    await user.tab();
    expect(document.activeElement?.textContent).toBe('VIF');
    await user.keyboard('{Enter}');
    expect(await screen.findByRole('dialog', { name: 'What VIF means' })).toBeTruthy();
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    await user.keyboard(' ');
    expect(await screen.findByRole('dialog', { name: 'What VIF means' })).toBeTruthy();
  });

  it('lead to the page about it, and remember where they were opened', async () => {
    const { user, router } = show(<Term of="vif">VIF</Term>, '/studies/s1/collinearity?view=predictors');
    await user.click(screen.getByRole('button', { name: 'VIF' }));
    const more = await screen.findByRole('link', { name: 'Collinearity' });
    expect(more.getAttribute('href')).toBe('/help/collinearity?from=%2Fstudies%2Fs1%2Fcollinearity%3Fview%3Dpredictors');
    expect(screen.getByRole('link', { name: 'In the glossary' }).getAttribute('href')).toMatch(/^\/help\/glossary\?from=.+#vif$/);
    await user.click(more);
    expect(router.state.location.pathname).toBe('/help/collinearity');
  });
});

/** `name: '…'` of every column of a table of values. */
function columnNames(): string[] {
  const files = readdirSync('web/src', { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => readFileSync(join(entry.parentPath, entry.name), 'utf8'))
    .filter((text) => /TableColumn|ValueTable\b/.test(text));
  return files.flatMap((text) =>
    [...text.matchAll(/\bname: '([^']+)',\s*(?:align: '\w+',\s*)?(?:shown|exact|nameInFile|only)/g)].map(([, name = '']) => name),
  );
}
