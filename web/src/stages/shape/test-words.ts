import type { JointTestName, NormalityTestName } from '@ivlen/contract';

interface TestWords {
  readonly name: string;
  readonly symbol: string;
  readonly words: string;
}

export const TESTS: Readonly<Record<NormalityTestName, TestWords>> = {
  'shapiro-wilk': { name: 'Shapiro–Wilk', symbol: 'W', words: 'Sees most departures; 3 to 5,000 cases.' },
  'anderson-darling': { name: 'Anderson–Darling', symbol: 'A²', words: 'Looks closely at the tails.' },
  lilliefors: { name: 'Lilliefors', symbol: 'D', words: 'Kolmogorov–Smirnov with mean and SD estimated; sees less than the others.' },
  'dagostino-pearson': { name: 'D’Agostino–Pearson', symbol: 'K²', words: 'From skewness and kurtosis; 20 cases and more.' },
  'jarque-bera': { name: 'Jarque–Bera', symbol: 'JB', words: 'From skewness and kurtosis; for 200 cases and more.' },
};

export const JOINT_TESTS: Readonly<Record<JointTestName, { readonly name: string; readonly words: string }>> = {
  'henze-zirkler': { name: 'Henze–Zirkler', words: 'Sees every kind of departure; above 5,000 rows from a sample of them.' },
  mardia: { name: 'Mardia', words: 'Joint skewness and joint kurtosis: p is twice the smaller of the two.' },
  'doornik-hansen': { name: 'Doornik–Hansen', words: 'Skewness and kurtosis of the decorrelated variables; 8 cases and more.' },
};
