import type { CautionCode } from '../cautions/pair-cautions';
import type { CheckCode } from '../cautions/pair-checks';
import type { Adjustment } from '../correlation/adjust-p-values';
import type { IntervalKind, Method } from '../correlation/types';
import { REFERENCES, type ReferenceKey } from './references';

export { REFERENCES, type ReferenceKey };

/** Where each coefficient is published: its definition, its test, its exact p. */
export const METHOD_SOURCES: Readonly<Record<Method, readonly ReferenceKey[]>> = {
  pearson: ['pearson-1896', 'fisher-1915'],
  spearman: ['spearman-1904', 'pitman-1937', 'kendall-1970'],
  kendall: ['kendall-1938', 'kendall-1945', 'knight-1966', 'kendall-1970'],
};

export const INTERVAL_SOURCES: Readonly<Record<Exclude<IntervalKind, 'default'> | 'bootstrap', readonly ReferenceKey[]>> = {
  fisher: ['fisher-1921'],
  adf: ['hawkins-1989'],
  'bonett-wright': ['bonett-wright-2000'],
  fieller: ['fieller-hartley-pearson-1957'],
  'brown-benedetti': ['brown-benedetti-1977', 'kendall-1970'],
  bootstrap: ['efron-1979', 'efron-1987'],
};

export const ADJUSTMENT_SOURCES: Readonly<Record<Adjustment, readonly ReferenceKey[]>> = {
  bonferroni: ['dunn-1961'],
  holm: ['holm-1979'],
  hochberg: ['hochberg-1988'],
  'benjamini-hochberg': ['benjamini-hochberg-1995'],
  'benjamini-yekutieli': ['benjamini-yekutieli-2001'],
};

/** Rules of thumb and comparisons that a study can choose or a card shows. */
export const RULE_SOURCES = {
  'shape limits 2 and 7': ['west-finch-curran-1995'],
  'strength words of Cohen': ['cohen-1988'],
  'strength words of Evans': ['evans-1996'],
  'size of τ by sin(πτ/2)': ['kendall-1970'],
  'values far out': ['iglewicz-hoaglin-1993', 'tukey-1977'],
  'comparing independent groups': ['fisher-1921', 'hedges-olkin-1985', 'cohen-1988', 'zou-2007'],
  'comparing dependent coefficients': ['williams-1959', 'dunn-clark-1969', 'steiger-1980', 'meng-rosenthal-rubin-1992', 'zou-2007'],
  'how much groups differ': ['higgins-thompson-2002', 'dersimonian-laird-1986', 'knapp-hartung-2003'],
  'equal slopes': ['cohen-cohen-west-aiken-2003'],
  'range restriction': ['thorndike-1949'],
  'variance inflation': ['marquardt-1970', 'fox-monette-1992'],
  'condition indices': ['belsley-kuh-welsch-1980'],
  'predictors in ordered sets': ['cohen-cohen-west-aiken-2003'],
  'rows that matter in a regression': ['cook-1977', 'hoaglin-welsch-1978'],
  'equal matrices': ['jennrich-1970'],
  'coefficient within groups': ['bland-altman-1995', 'hedges-olkin-1985'],
  'permutation tests': ['pitman-1937', 'phipson-smyth-2010', 'diciccio-romano-2017'],
  'Shapiro–Wilk test': ['shapiro-wilk-1965', 'royston-1995'],
  'Anderson–Darling test': ['anderson-darling-1954'],
  'Lilliefors test': ['lilliefors-1967'],
  'D’Agostino–Pearson test': ['dagostino-pearson-1973'],
  'Jarque–Bera test': ['jarque-bera-1987'],
  'scales by likelihood': ['box-cox-1964', 'yeo-johnson-2000'],
  'joint normality': ['mardia-1970', 'mardia-1974', 'henze-zirkler-1990', 'doornik-hansen-2008'],
  'normal quantile plot': ['blom-1958', 'aldor-noiman-2013'],
  'smooth curve': ['cleveland-1979'],
  'rows of the same case': ['bland-altman-1995', 'bakdash-marusich-2017', 'davison-hinkley-1997'],
  'polychoric and polyserial correlation': ['pearson-1900', 'olsson-1979', 'olsson-drasgow-dorans-1982', 'genz-2004'],
  'any dependence': [
    'szekely-rizzo-bakirov-2007',
    'szekely-rizzo-2013',
    'huo-szekely-2016',
    'shen-panda-vogelstein-2022',
    'chatterjee-2021',
  ],
  'errors of measurement': ['spearman-1904', 'shrout-fleiss-1979', 'cronbach-1951', 'charles-2005'],
  'nearest correlation matrix': ['higham-2002'],
  'values below a detection limit': ['lyles-williams-chuachoowong-2001'],
  'defensible ways': ['steegen-2016', 'simonsohn-simmons-nelson-2020'],
} as const satisfies Readonly<Record<string, readonly ReferenceKey[]>>;

/** Where the rule behind each caution comes from; empty where it is our own, written out with its threshold. */
export const CAUTION_SOURCES: Readonly<Record<CautionCode, readonly ReferenceKey[]>> = {
  shape: ['west-finch-curran-1995'],
  curved: ['draper-smith-1998'],
  'fan-shaped': ['breusch-pagan-1979', 'koenker-1981', 'hawkins-1989'],
  'few-cases': ['pitman-1937'],
  'many-missing': ['dempster-laird-rubin-1977'],
  ties: ['kendall-1945'],
  'one-point': ['devlin-gnanadesikan-kettenring-1975'],
  'groups-differ': ['hedges-olkin-1985'],
  'groups-reverse': ['simpson-1951'],
  'groups-hide': ['simpson-1951'],
  'method-disagreement': [],
  'shares-a-component': ['pearson-1897'],
  'rows-not-independent': ['bland-altman-1995'],
  ordinal: ['olsson-1979', 'olsson-drasgow-dorans-1982'],
  'below-limit': ['lyles-williams-chuachoowong-2001'],
};

/** Where what each check is judged by comes from; empty where it is a plain count. The rule of shapes is the study's own choice. */
export const CHECK_SOURCES: Readonly<Record<CheckCode, readonly ReferenceKey[]>> = {
  kinds: [],
  'shape-x': [],
  'shape-y': [],
  straight: CAUTION_SOURCES.curved,
  'even-spread': ['breusch-pagan-1979', 'koenker-1981'],
  'one-row': CAUTION_SOURCES['one-point'],
  'methods-agree': [],
  'groups-agree': CAUTION_SOURCES['groups-differ'],
  'no-shared-component': CAUTION_SOURCES['shares-a-component'],
  'rows-independent': CAUTION_SOURCES['rows-not-independent'],
  'enough-rows': [],
  'few-missing': [],
  ties: CAUTION_SOURCES.ties,
};

/**
 * "Fisher (1921); Zou (2007)".
 *
 * @example
 * citationOf(METHOD_SOURCES.pearson); // 'Pearson (1896); Fisher (1915)'
 */
export function citationOf(keys: readonly ReferenceKey[]): string {
  return keys.map((key) => REFERENCES[key].cite).join('; ');
}
