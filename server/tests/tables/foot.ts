import type { MessyTable } from './case';

// Made up: a weak relation that means and SDs at the foot turn into a strong one.
const X = [4.1, 5.3, 6.2, 4.8, 7.1, 5.9, 6.6, 5.1, 4.4, 6.9];
const Y = [11.2, 14.1, 12.9, 12.2, 15.8, 12.1, 14.9, 13.3, 12.7, 13.6];
const pairs = X.map((x, i) => `${x},${Y[i]}`).join('\n');

export const FOOT: readonly MessyTable[] = [
  {
    name: 'means and SDs without labels',
    text: `x,y\n${pairs}\n5.64,13.28\n1.06,1.38\n`,
    told: { 'foot-rows': 'The last 2 rows are no cases: the means of the rows above, the SDs of the rows above.' },
    mends: ['foot-rows'],
    rows: 10,
    columns: { x: { values: X } },
  },
  {
    name: 'sums, means, smallest and largest values after an empty line, without labels',
    text: `x,y\n${pairs}\n,\n56.4,132.8\n5.64,13.28\n4.1,11.2\n7.1,15.8\n`,
    told: { 'foot-rows': 'The last 4 rows are no cases: the sums of the rows above, the means of the rows above, the smallest values' },
    mends: ['foot-rows'],
    rows: 10,
  },
  {
    name: 'standard errors, variances, medians and numbers beside means',
    text: `x,y\n${pairs}\n5.64,13.28\n0.334,0.436\n1.116,1.902\n5.6,13.1\n10,10\n`,
    told: { 'foot-rows': 'The last 5 rows are no cases' },
    mends: ['foot-rows'],
    rows: 10,
  },
  {
    name: 'labels in the last column',
    text: `x,y,remark\n${X.map((x, i) => `${x},${Y[i]},`).join('\n')}\n5.6,13.3,Mean\n1.0,1.4,SD\n`,
    told: { 'foot-rows': '“Mean”, “SD”' },
    mends: ['foot-rows'],
    rows: 10,
  },
  {
    name: 'a last row that holds the largest values is a case',
    text: `x,y\n${pairs}\n7.1,15.8\n`,
    told: {},
    notTold: ['foot-rows'],
    rows: 11,
  },
  {
    name: 'answers near the middle of a scale are no means',
    text: `a,b,c\n1,2,5\n5,4,1\n2,3,4\n4,3,2\n3,1,3\n3,5,3\n3,3,3\n`,
    told: {},
    notTold: ['foot-rows'],
    rows: 7,
  },
];
