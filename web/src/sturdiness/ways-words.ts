import type { WayResult, WaysResult } from '@ivlen/contract';
import { coefficientText, intervalText, levelText, pRelationText } from '../numbers/number-text';
import type { NamedChoice } from './pinned-ways';

const counted = (count: number, one: string, more = `${one}s`) => `${count.toLocaleString('en-GB')} ${count === 1 ? one : more}`;
const listed = (parts: readonly string[], last: string) =>
  parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} ${last} ${parts.at(-1)}`;

/** The option of a choice as it stands in a request, in words. */
function optionInWords(choices: readonly NamedChoice[], choice: number, option: number): string {
  const ticked = choices[choice];
  return ticked?.options[ticked.places[option] ?? 0]?.inWords ?? '';
}

type Condition = NonNullable<WaysResult['summary']['sign']>;

/** "with station CO-018 in and Pearson’s r" */
function conditionInWords({ parts }: Condition, choices: readonly NamedChoice[]): string {
  return `with ${listed(
    parts.map(({ choice, options }) =>
      listed(
        options.map((option) => optionInWords(choices, choice, option)),
        'or',
      ),
    ),
    'and',
  )}`;
}

/** How far the ways agree, in sentences. @param alpha level of decisions */
export function agreementInWords(result: WaysResult, choices: readonly NamedChoice[], alpha: number): string[] {
  const { summary, combinations, looked } = result;
  const { computed, impossible, perfect, tested } = summary;
  const sample =
    looked < combinations
      ? [
          `There are ${combinations.toLocaleString('en-GB')} combinations; ${looked.toLocaleString('en-GB')} of them were drawn (seed ${result.seed}).`,
        ]
      : [];
  const none = impossible > 0 ? [`${counted(impossible, 'way is', 'ways are')} impossible: ${reasonsInWords(result)}.`] : [];
  if (computed === 0) return ['No way gives a coefficient.', ...none, ...sample];
  const only = result.ways.find(({ coefficient }) => coefficient !== null);
  if (computed === 1 && only) {
    return [
      `One way computes: ${coefficientText(only.coefficient ?? Number.NaN)}${only.pValue === null ? '' : `, ${pRelationText(only.pValue, [alpha])}`}.`,
      ...none,
      ...sample,
    ];
  }
  const significant = tested === 0 ? '' : `${of(summary.significant, tested, computed)} p ≤ ${levelText(alpha)}`;
  const range = `from ${coefficientText(summary.lowest ?? Number.NaN)} to ${coefficientText(summary.highest ?? Number.NaN)}`;
  return [
    `Of ${computed.toLocaleString('en-GB')} ways, ${signsInWords(summary)}${significant === '' ? '' : ` and ${significant}`}; ${range}.`,
    ...(summary.sign ? [ruleInWords(summary.sign, 'The sign changes', choices)] : []),
    ...(summary.decision
      ? [
          ruleInWords(
            summary.decision,
            summary.decision.significant ? `p is ≤ ${levelText(alpha)}` : `p is above ${levelText(alpha)}`,
            choices,
          ),
        ]
      : []),
    ...(perfect > 0 ? [`${counted(perfect, 'way has', 'ways have')} a coefficient of exactly ±1, and no part in the shares.`] : []),
    ...none,
    ...sample,
  ];
}

/** "88 have", "all have", "none has", "7 of the 9 with a p have". */
function of(count: number, tested: number, computed: number): string {
  if (tested < computed)
    return `${count.toLocaleString('en-GB')} of the ${tested.toLocaleString('en-GB')} with a p ${count === 1 ? 'has' : 'have'}`;
  if (count === 0) return 'none has';
  return count === computed ? 'all have' : `${count.toLocaleString('en-GB')} ${count === 1 ? 'has' : 'have'}`;
}

function signsInWords({ negative, positive, computed }: WaysResult['summary']): string {
  const [sign, count] = negative >= positive ? ['negative', negative] : ['positive', positive];
  return count === computed ? `all are ${sign}` : `${count.toLocaleString('en-GB')} ${count === 1 ? 'is' : 'are'} ${sign}`;
}

function ruleInWords(condition: Condition, what: string, choices: readonly NamedChoice[]): string {
  const { parts, always, ways } = condition;
  if (parts.length === 0) return `${what} in ${counted(ways, 'way', 'ways')} that no choice tells from the others.`;
  return `${what} only ${conditionInWords(condition, choices)}${always ? '' : `, and there in ${counted(ways, 'way', 'ways')} only`}.`;
}

const IMPOSSIBLE: Readonly<Record<NonNullable<WayResult['impossible']>, string>> = {
  'too-few-cases': 'fewer than four rows are left',
  'constant-x': 'the first variable does not vary',
  'constant-y': 'the second variable does not vary',
  'constant-both': 'neither variable varies',
  'does-not-settle': 'the likelihood has no top that was found',
  'too-few-measured': 'too few different values were measured',
  'not-positive': 'a value has no logarithm',
  'no-likelihood': 'maximum likelihood is for r with nothing held constant, and each row by itself',
  'no-such-partial': 'the coefficient has no form that holds this constant',
};

/** Why a way has no coefficient. */
export function impossibleInWords({ impossible }: Pick<WayResult, 'impossible'>): string {
  return impossible ? IMPOSSIBLE[impossible] : '';
}

function reasonsInWords({ ways }: WaysResult): string {
  const reasons = new Set(ways.flatMap((way) => (way.impossible ? [IMPOSSIBLE[way.impossible]] : [])));
  return listed([...reasons], 'or');
}

const percent = (share: number) => `${Math.round(100 * share)} %`;
/** A share below this is not worth a name. */
const SMALL = 0.005;

/** Which choices the spread comes from, the largest first; nothing where the ways hardly spread. */
export function sharesInWords({ summary }: WaysResult, choices: readonly NamedChoice[]): string | null {
  const { shares, together } = summary;
  const named = shares.filter(({ share }) => share >= SMALL);
  if (named.length === 0 && together < SMALL) return null;
  const parts = named.map(({ choice, share }) => `${choices[choice]?.title ?? ''} (${percent(share)})`);
  const rest = together >= SMALL ? `choices together ${percent(together)}` : '';
  if (parts.length === 0) return `Their spread comes from no choice by itself: ${rest}.`;
  return `Their spread comes from ${listed(parts, 'and')}${rest === '' ? '' : `; ${rest}`}.`;
}

/** One way in words, with its numbers: for reading along the figure. */
export function wayInWords(way: WayResult, choices: readonly NamedChoice[]): string {
  return [wayNumbers(way), ...wayOptions(way, choices)].join(' · ');
}

/** The numbers of a way. */
export function wayNumbers(way: WayResult): string {
  if (way.coefficient === null) return `impossible: ${impossibleInWords(way)} (n = ${way.n})`;
  const interval = way.low === null || way.high === null ? '' : ` ${intervalText(way.low, way.high)}`;
  const p = way.pValue === null ? 'no p' : pRelationText(way.pValue);
  return `${coefficientText(way.coefficient)}${interval}, ${p}, n = ${way.n}`;
}

/** What a way rests on, choice by choice, where there is one. */
export function wayOptions({ options }: WayResult, choices: readonly NamedChoice[]): string[] {
  return choices.flatMap(({ places }, choice) => {
    const stands = options[choice] ?? [];
    if (places.length < 2 || stands.length === places.length) return [];
    return [
      listed(
        stands.map((option) => optionInWords(choices, choice, option)),
        'or',
      ),
    ];
  });
}
