import { type CorrelationSettings, pairKey, type Variable } from '@ivlen/contract';
import { COEFFICIENTS, type Method } from '@ivlen/core';
import { Link } from 'react-router';
import { repeatsInWords } from '../../coefficients/caution-words';
import { joined } from '../../coefficients/coefficient-names';
import { levelInWords } from '../../coefficients/levels';
import type { Matrix } from '../../coefficients/matrix';
import { commonMethod } from '../../coefficients/requests';
import { adjustmentInWords } from '../../coefficients/sentence-parts';
import { distinctPairs, tally } from '../../coefficients/tally';
import { useHelpAddress } from '../../help-texts/from';
import type { ShapeMarks } from '../../settings/use-shape-marks';
import { displayName } from '../../study/variable-name';
import { Term } from '../../terms/term';
import { WithTerms } from '../../terms/with-terms';
import { isUnderlined } from './grid-cells';
import { NoDataHaveIt } from './no-data-have-it';

const SIDED: Readonly<Record<CorrelationSettings['alternative'], string>> = {
  'two-sided': 'two-sided',
  greater: 'one-sided for a positive correlation',
  less: 'one-sided for a negative correlation',
};

const NOT_SOUGHT = {
  'too-many-values': 'There are too many values to look all pairs over for cautions; open a pair, and its card does.',
  'held-constant': 'Cautions are looked for where nothing is held constant.',
} as const;

interface GridLegendProps {
  readonly matrix: Matrix;
  readonly settings: CorrelationSettings;
  readonly marks: ShapeMarks;
  /** Variables, and pairs by `pairKey`, that have a method of their own. */
  readonly pairMethods: Readonly<Record<string, Method>>;
  /** The variable that names the cases; undefined where none does. */
  readonly identifier: Variable | undefined;
  /** Why cautions are looked for in the card only; null where the matrix carries them. */
  readonly cautionsNotSought: 'too-many-values' | 'held-constant' | null;
}

/** What the grid's colours and marks mean, and what it says as a whole. */
export function GridLegend({ matrix, settings, marks, pairMethods, identifier, cautionsNotSought }: GridLegendProps) {
  const { variables } = matrix;
  const address = useHelpAddress();
  const { levels, alternative, strength, dim, size, adjust } = settings;
  const { pairs, marked, expected, fewest, most, without, alone } = tally(matrix, settings);
  const method = commonMethod(settings);
  const cells = distinctPairs(matrix);
  const decided = cells.filter(
    ({ remedied, ownMethod, row, column }) => remedied === 'by-itself' || (ownMethod && isByPair(pairMethods, row, column)),
  );
  const underlined = cells.filter((cell) => isUnderlined(cell, settings.cautions)).length;
  const repeated = cells.flatMap(({ cautions }) => cautions).find(({ code }) => code === 'rows-not-independent')?.values.repeatedRows ?? 0;
  // Neither shape nor uneven steps touch a coefficient of ranks.
  const byPearson = variables.filter(({ id }) => !COEFFICIENTS[pairMethods[id] ?? method].ofRanks);
  const shaped = byPearson.filter(({ id }) => marks.marked.has(id)).map(displayName);
  const ordinal = byPearson.filter(({ kind }) => kind === 'ordinal').map(displayName);
  const own = variables.filter(({ id }) => (pairMethods[id] ?? method) !== method);
  return (
    <div className="numerals mt-3 max-w-3xl space-y-1.5 text-[13px] text-muted" data-testid="legend">
      <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <span className="flex items-center gap-1.5">
          −1
          <span
            aria-hidden="true"
            className="h-2.5 w-24 rounded-sm"
            style={{ background: 'linear-gradient(in lab to right, var(--negative), var(--tile-middle), var(--positive))' }}
          />
          1
        </span>
        {size === 'comfortable' ? (
          levels.map((level, i) => (
            <span key={level}>
              <span aria-hidden="true">{'*'.repeat(i + 1)} </span>
              <span className="sr-only">{i + 1} asterisks: </span>
              {i === 0 ? <Term of="p">p</Term> : 'p'} ≤ {levelInWords(level)}
            </span>
          ))
        ) : (
          <span>
            {size === 'compact' ? <strong>bold</strong> : 'a dot above the diagonal'}: p ≤ {levelInWords(levels[0] ?? 0.05)}
          </span>
        )}
        {strength !== null && (
          <span>
            {size === 'colour' ? '' : 'outlined: '}
            {size === 'colour' && !dim ? '' : `|${COEFFICIENTS[method].symbol}| ≥ ${levelInWords(strength)}${dim ? '; others dimmed' : ''}`}
          </span>
        )}
        <span>
          <WithTerms text={SIDED[alternative]} />
        </span>
      </p>
      <p>
        <Term of="n">n</Term>{' '}
        {fewest === most
          ? `= ${most} in every pair.`
          : `= ${fewest} to ${most}${size === 'colour' ? '.' : `; tiles with a dotted edge rest on fewer rows than ${most}.`}`}{' '}
        {marked} of {pairs} {pairs === 1 ? 'pair' : 'pairs'} <Term of="marks">marked</Term> at {levelInWords(levels[0] ?? 0.05)}
        {expected === null ? `, ${adjustmentInWords(adjust)}.` : `; ${expected} expected if nothing were associated.`}
        {most === 0 &&
          settings.missing === 'listwise' &&
          ' No row has all of these variables: use every complete pair, or untick those with many missing values.'}
        {without > 0 && ` ${without} ${without === 1 ? 'pair has' : 'pairs have'} no coefficient (–).`}
      </p>
      <NoDataHaveIt matrix={matrix} />
      {alone.length > 0 && (
        <p>
          No association of {alone.length > 6 ? `${alone.length} of the variables` : joined(alone.map(displayName), 'or')} with another
          reached {levelInWords(levels[0] ?? 0.05)}.
        </p>
      )}
      {underlined > 0 && size !== 'colour' && (
        <p>
          <span aria-hidden="true" className="underline decoration-caution decoration-wavy decoration-1 underline-offset-3">
            {'\u00a0\u00a0\u00a0\u00a0'}
          </span>{' '}
          {underlined} {underlined === 1 ? 'coefficient has' : 'coefficients have'} a <Term of="caution">caution</Term>
          {settings.cautions === 'all' ? '' : ' that could change the conclusion'}; its card says which.
          {cells.some(({ remedied }) => remedied === 'as-all') && ' They are about the coefficients without what was decided for all.'}{' '}
          <Link to={address('cautions')} className="text-accent underline">
            What is cautioned, and when
          </Link>
        </p>
      )}
      {size !== 'colour' && showsP(settings) && (
        <p>p has more digits where rounding would hide on which side of a level it lies: .0496 beside .05.</p>
      )}
      {size !== 'colour' && [settings.below, settings.above].includes('interval') && (
        <p>Intervals stand with their lower limit over the upper one.</p>
      )}
      {cautionsNotSought && <p>{NOT_SOUGHT[cautionsNotSought]}</p>}
      {repeated > 0 && (
        <p className="text-caution">
          {repeatsInWords(repeated, identifier && displayName(identifier))}, so that every n here is counted too high and every p comes out
          too small. One row per identifier can be made among the data, under To check.
        </p>
      )}
      {decided.length > 0 && (
        <p>
          <span aria-hidden="true">† </span>
          {decided.length} {decided.length === 1 ? 'pair is' : 'pairs are'} got otherwise, as decided by{' '}
          {decided.length === 1 ? 'itself' : 'themselves'}; the trail says why.
        </p>
      )}
      {own.length > 0 && (
        <p>
          {own
            .map((variable) => `${COEFFICIENTS[pairMethods[variable.id] ?? method].symbol} in the tiles of ${displayName(variable)}`)
            .join(', ')}
          : another coefficient than {COEFFICIENTS[method].symbol}, as decided for {own.length === 1 ? 'it' : 'them'}; the trail says why.
        </p>
      )}
      {shaped.length > 0 && (
        <p>
          <span aria-hidden="true" className="text-caution">
            ▲{' '}
          </span>
          {shaped.join(', ')}: beyond {marks.rule}. Pearson’s r may rest on the tails, and its interval on a shape that is not there; see
          Shape.
        </p>
      )}
      {ordinal.length > 0 && (
        <p className="text-caution">
          {ordinal.join(', ')} {ordinal.length === 1 ? 'is' : 'are'} ordinal: Pearson’s r takes the steps between the values as equal.
        </p>
      )}
    </div>
  );
}

/** Whether a pair’s own coefficient was decided for it, not for one of its variables. */
function isByPair(own: Readonly<Record<string, Method>>, a: Variable, b: Variable): boolean {
  return Object.hasOwn(own, pairKey(a.id, b.id));
}

function showsP({ below, above }: CorrelationSettings): boolean {
  return [below, above].some((half) => half === 'p' || half === 'adjusted-p');
}
