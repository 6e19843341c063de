import type { MergeSummary } from '@ivlen/contract';
import { describe, expect, it } from 'vitest';
import { progressInWords } from '../src/controls/progress-line';
import { mergeSentences } from '../src/new-study/merge-panel';

const nothing: MergeSummary = {
  mode: 'replace',
  matchedBy: 'station',
  notInFile: [],
  notInStudy: [],
  rowsBefore: 248,
  rowsAdded: 0,
  rowsGone: 0,
  repeated: 0,
  cellsChanged: 0,
  variables: [],
};

describe('what a further file would do, in sentences', () => {
  it('more rows, with what is missing in them and what repeats', () => {
    const summary: MergeSummary = {
      ...nothing,
      mode: 'add',
      matchedBy: null,
      rowsAdded: 1200,
      repeated: 1,
      notInFile: ['ph'],
      notInStudy: ['note'],
    };
    expect(mergeSentences(summary)).toEqual([
      '1,200 rows would follow the 248 that are there.',
      '1 identifier of them is in the study already: such rows are not independent.',
      'The file has no ph; it would be missing in the new rows.',
      'Not in the study, and left out: note.',
    ]);
  });

  it('corrected data, by identifier or by place', () => {
    expect(mergeSentences(nothing)).toEqual(['The file holds what the study holds; nothing would change.']);
    expect(mergeSentences({ ...nothing, cellsChanged: 1, rowsGone: 2, notInFile: ['ph'] })).toEqual([
      'Rows are matched by station.',
      '1 cell would change.',
      '2 rows of the study are not in the file, and would be set aside.',
      'The file has no ph, which stays as it is.',
    ]);
    expect(mergeSentences({ ...nothing, matchedBy: null, cellsChanged: 5, rowsAdded: 1 })).toEqual([
      'Rows are matched by their place, since nothing identifies them.',
      '5 cells would change.',
      '1 row would be added at the end.',
    ]);
  });
});

it('progress is told in what is counted', () => {
  expect(progressInWords({ what: 'bytes read', done: 52_428_800, total: 139_984_896 })).toBe('50 MB of 134 MB read');
  expect(progressInWords({ what: 'values', done: 8_786_432, total: 20_000_000 })).toBe('8,786,432 of 20,000,000 values');
});
