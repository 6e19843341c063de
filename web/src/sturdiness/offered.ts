import { isQuantity, type PairCaution, type Study, type WayScaleOption } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { CAUTION_WORDS } from '../coefficients/caution-words';
import { rowInWords } from '../study/row-in-words';
import { displayName } from '../study/variable-name';
import { heldChoice } from './held-choice';
import { IN_FORCE, type OfferedChoice, type OfferedOption, type PairInQuestion, remedyOf } from './offered-choice';

const WAY_METHODS = ['pearson', 'spearman', 'kendall', 'percentage-bend'] as const;

/**
 * The choices that bear on a pair. Ticked at first are what is in force, the remedy of each caution, and rows set aside or
 * named in a caution, in and out; each with its reason, and nothing else.
 */
export function offeredChoices(pair: PairInQuestion): readonly OfferedChoice[] {
  const found = pair.cautions?.pairs[0]?.cautions ?? [];
  return [
    coefficientChoice(pair, found),
    ...(['x', 'y'] as const).flatMap((of) => scaleChoice(pair, of)),
    ...setAsideChoices(pair.study),
    ...rowChoices(pair, found),
    ...subsetChoice(pair.study),
    ...missingChoice(pair, found),
    ...heldChoice(pair, found),
    ...identifierChoice(pair, found),
  ];
}

function coefficientChoice({ method }: PairInQuestion, found: readonly PairCaution[]): OfferedChoice {
  const ranks = remedyOf(found, 'ranks');
  return {
    key: 'coefficient',
    title: 'coefficient',
    choice: { kind: 'coefficient', options: [...WAY_METHODS] },
    options: WAY_METHODS.map((name) => ({
      key: name,
      label: name === 'percentage-bend' ? 'percentage bend' : COEFFICIENTS[name].symbol,
      inWords: name === 'percentage-bend' ? 'percentage bend' : COEFFICIENTS[name].name,
      because: name === method ? IN_FORCE : name === 'spearman' ? ranks : null,
    })),
    own: WAY_METHODS.indexOf(method),
  };
}

/** Raw, the scales that were kept, the logarithm, normal scores. */
function scaleChoice({ study, ...pair }: PairInQuestion, of: 'x' | 'y'): OfferedChoice[] {
  const variable = pair[of];
  const source = variable.derivation?.type === 'scale' ? variable.derivation.source : null;
  const raw = study.state.variables.find(({ id }) => id === source) ?? variable;
  if (!isQuantity(raw)) return [];
  const kept = study.state.variables.filter(({ derivation }) => derivation?.type === 'scale' && derivation.source === raw.id);
  const name = displayName(raw);
  const offered: (OfferedOption & { option: WayScaleOption })[] = [
    { key: raw.id, label: 'as measured', inWords: `${name} as measured`, because: null, option: { kind: 'variable', id: raw.id } },
    ...kept.map(({ id, ...scaled }) => ({
      key: id,
      label: displayName(scaled),
      inWords: displayName(scaled),
      because: null,
      option: { kind: 'variable' as const, id },
    })),
    ...(kept.some(({ derivation }) => derivation?.type === 'scale' && /^(ln|log10)$/.test(derivation.scale))
      ? []
      : [{ key: 'log', label: 'logarithm', inWords: `the logarithm of ${name}`, because: null, option: { kind: 'log' as const } }]),
    { key: 'rank-normal', label: 'normal scores', inWords: `normal scores of ${name}`, because: null, option: { kind: 'rank-normal' } },
  ];
  const own = Math.max(
    0,
    offered.findIndex(({ key }) => key === variable.id),
  );
  return [
    {
      key: `scale.${of}`,
      title: `scale of ${name}`,
      choice: { kind: 'scale', of, raw: raw.id, options: offered.map(({ option }) => option) },
      options: offered.map(({ option: _, ...rest }, place) => ({ ...rest, because: place === own ? IN_FORCE : null })),
      own,
    },
  ];
}

const OUT_AND_IN = ['out', 'in'] as const;

function setAsideChoices({ state }: Study): OfferedChoice[] {
  return (state.setAside?.reasons ?? []).map((reason, place) => ({
    key: `set-aside.${place + 1}`,
    title: `rows set aside: ${reason}`,
    choice: { kind: 'set-aside', reason: place + 1, options: [...OUT_AND_IN] },
    options: OUT_AND_IN.map((option) => ({
      key: option,
      label: option,
      inWords: `the rows set aside as “${reason}” ${option}`,
      because: option === 'out' ? IN_FORCE : 'rows set aside are looked at both ways',
    })),
    own: 0,
  }));
}

function rowChoices({ study, cautions }: PairInQuestion, found: readonly PairCaution[]): OfferedChoice[] {
  const identifier = study.state.variables.find(({ id }) => id === cautions?.identifier);
  // The name of a case that has several rows does not tell which of them is meant.
  const repeats = found.some(({ code }) => code === 'rows-not-independent');
  const rows = new Map(found.flatMap(({ remedy }) => (remedy?.row ? [[remedy.row, remedy.name] as const] : [])));
  return [...rows].map(([row, name]) => {
    const called = name !== null && identifier && !repeats ? `${displayName(identifier)} ${name}` : rowInWords(row, name);
    return {
      key: `row.${row}`,
      title: called,
      choice: { kind: 'row', row, options: ['in', 'out'] },
      options: (['in', 'out'] as const).map((option) => ({
        key: option,
        label: option,
        inWords: `${called} ${option}`,
        because: option === 'in' ? IN_FORCE : `named in “${CAUTION_WORDS['one-point'].short}”`,
      })),
      own: 0,
    };
  });
}

function subsetChoice({ state }: Study): OfferedChoice[] {
  if (!state.subset) return [];
  return [
    {
      key: 'subset',
      title: 'subset',
      choice: { kind: 'subset', options: ['inside', 'all'] },
      options: [
        { key: 'inside', label: 'as chosen', inWords: 'the subset', because: IN_FORCE },
        { key: 'all', label: 'all rows', inWords: 'all rows, inside the subset or not', because: null },
      ],
      own: 0,
    },
  ];
}

function missingChoice({ missing, among, x, y }: PairInQuestion, found: readonly PairCaution[]): OfferedChoice[] {
  const likely = remedyOf(found, 'maximum-likelihood');
  const several = among.length > 2;
  const offered = [
    { key: 'pairwise' as const, label: 'every complete pair', inWords: 'every complete pair' },
    ...(several
      ? [
          {
            key: 'listwise' as const,
            label: `complete for all ${among.length}`,
            inWords: `rows complete for all ${among.length} variables`,
          },
        ]
      : []),
    { key: 'maximum-likelihood' as const, label: 'maximum likelihood', inWords: 'maximum likelihood, rows with gaps used' },
  ];
  return [
    {
      key: 'missing',
      title: 'missing values',
      choice: { kind: 'missing', completeFor: (several ? among : [x, y]).map(({ id }) => id), options: offered.map(({ key }) => key) },
      options: offered.map((option) => ({
        ...option,
        because: option.key === missing ? IN_FORCE : option.key === 'maximum-likelihood' ? likely : null,
      })),
      own: Math.max(
        0,
        offered.findIndex(({ key }) => key === missing),
      ),
    },
  ];
}

/** Only where the identifier that names the cases repeats: else there is nothing to average. */
function identifierChoice({ study, cautions }: PairInQuestion, found: readonly PairCaution[]): OfferedChoice[] {
  const identifier = study.state.variables.find(({ id }) => id === cautions?.identifier);
  const repeats = found.some(({ code }) => code === 'rows-not-independent');
  if (!identifier || !repeats) return [];
  const name = displayName(identifier);
  return [
    {
      key: 'identifier',
      title: `rows of a ${name}`,
      choice: { kind: 'identifier', by: identifier.id, options: ['rows', 'means'] },
      options: [
        { key: 'rows', label: 'each row', inWords: 'each row by itself', because: IN_FORCE },
        {
          key: 'means',
          label: `mean of each ${name}`,
          inWords: `the mean of each ${name}`,
          because: `remedy of “${CAUTION_WORDS['rows-not-independent'].short}”`,
        },
      ],
      own: 0,
    },
  ];
}
