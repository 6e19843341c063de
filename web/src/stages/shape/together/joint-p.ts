import type { JointResult, JointTest, JointTestName } from '@ivlen/contract';
import type { JointP } from '@ivlen/core';

/** The p of one joint test; of Mardia's two parts twice the smaller one, so that the pair keeps its level. */
export function jointP(result: JointResult, test: JointTestName): JointP {
  if (test === 'henze-zirkler') return orNaN(result.henzeZirkler);
  if (test === 'doornik-hansen') return orNaN(result.doornikHansen);
  const [skewness, kurtosis] = [orNaN(result.mardia.skewness), orNaN(result.mardia.kurtosis)];
  const smaller = skewness.log10P <= kurtosis.log10P ? skewness : kurtosis;
  return { pValue: Math.min(1, 2 * smaller.pValue), log10P: Math.min(0, smaller.log10P + Math.log10(2)) };
}

function orNaN({ pValue, log10P }: JointTest): JointP {
  return { pValue: pValue ?? Number.NaN, log10P: log10P ?? Number.NaN };
}
