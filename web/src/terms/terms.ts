/** A term that explains itself where it stands. */
interface Term {
  /** Its entry in docs/help/glossary.md. */
  readonly entry: string;
  /** As it stands on the screens, as whole words; capitals count where one is given. */
  readonly words: readonly string[];
}

/** Every term of the screens; the only list of them. */
export const TERMS = {
  r: { entry: 'r', words: ['Pearson’s r', 'r'] },
  rho: { entry: 'ρ', words: ['Spearman’s ρ', 'ρ'] },
  tau: { entry: 'τ', words: ['Kendall’s τ-b', 'Kendall’s τ', 'τ-b', 'τ'] },
  p: { entry: 'p', words: ['p'] },
  adjustedP: { entry: 'adjusted p', words: ['adjusted p', 'p adjusted', 'adjusted'] },
  level: { entry: 'significance level', words: ['significance level', 'level'] },
  marks: { entry: 'significance marks', words: ['asterisks', 'significance marks', 'marked'] },
  interval: { entry: 'confidence interval', words: ['confidence interval', 'interval'] },
  n: { entry: 'n', words: ['n'] },
  df: { entry: 'degrees of freedom', words: ['degrees of freedom', 'df'] },
  t: { entry: 't', words: ['t'] },
  shared: { entry: 'variance shared', words: ['variance shared', 'r²'] },
  strength: { entry: 'strength', words: ['strength'] },
  nullHypothesis: { entry: 'null hypothesis', words: ['null hypothesis', 'null'] },
  oneSided: { entry: 'one-sided', words: ['one-sided', 'two-sided'] },
  power: { entry: 'power', words: ['power'] },
  mean: { entry: 'mean', words: ['mean', 'M', 'median'] },
  sd: { entry: 'standard deviation', words: ['standard deviation', 'SD'] },
  se: { entry: 'standard error', words: ['standard error', 'SE'] },
  skewness: { entry: 'skewness', words: ['skewness'] },
  kurtosis: { entry: 'excess kurtosis', words: ['excess kurtosis', 'kurtosis'] },
  normalityTest: {
    entry: 'normality test',
    words: ['normality test', 'Shapiro–Wilk', 'Anderson–Darling', 'Lilliefors', 'D’Agostino–Pearson', 'Jarque–Bera', 'W'],
  },
  quantilePlot: { entry: 'normal quantile plot', words: ['normal quantile plot', 'quantile plot', 'quantiles'] },
  joint: { entry: 'joint normality', words: ['joint normality', 'Mardia', 'Henze–Zirkler', 'Doornik–Hansen'] },
  boxPlot: { entry: 'box plot', words: ['box plot', 'fences', 'whiskers'] },
  line: { entry: 'regression line', words: ['regression line', 'slope'] },
  intercept: { entry: 'intercept', words: ['intercept'] },
  residual: { entry: 'residual', words: ['residual SD', 'residuals', 'residual'] },
  rSquared: { entry: 'R²', words: ['adjusted R²', 'ΔR²', 'R²', 'R'] },
  f: { entry: 'F', words: ['F'] },
  standardized: { entry: 'standardized coefficient', words: ['standardized'] },
  vif: { entry: 'VIF', words: ['VIF', 'GVIF'] },
  tolerance: { entry: 'tolerance', words: ['tolerance'] },
  shareTold: { entry: 'share told', words: ['share told', 'told by the others'] },
  conditionIndex: { entry: 'condition index', words: ['condition indices', 'condition index', 'index'] },
  cook: { entry: 'Cook’s distance', words: ['Cook’s distance', 'Cook’s D'] },
  leverage: { entry: 'leverage', words: ['leverage'] },
  partial: { entry: 'partial correlation', words: ['partial', 'semipartial', 'held constant'] },
  fisherZ: { entry: 'Fisher’s z', words: ['Fisher’s z', 'Cohen’s q', 'q', 'z'] },
  homogeneity: { entry: 'homogeneity test', words: ['homogeneity', 'I²', 'Q'] },
  reversal: { entry: 'reversal', words: ['reversal'] },
  deletion: { entry: 'pairwise and listwise', words: ['pairwise', 'listwise', 'every complete pair'] },
  likelihood: { entry: 'maximum likelihood', words: ['maximum likelihood', 'likelihood'] },
  ways: { entry: 'ways', words: ['Sturdiness', 'ways'] },
  ties: { entry: 'ties', words: ['ties', 'tie'] },
  bootstrap: { entry: 'bootstrap', words: ['bootstrap'] },
  permutation: { entry: 'permutation test', words: ['permutation'] },
  caution: { entry: 'caution', words: ['cautions', 'caution'] },
  kind: { entry: 'kind', words: ['kind'] },
} as const satisfies Readonly<Record<string, Term>>;

export type TermId = keyof typeof TERMS;
