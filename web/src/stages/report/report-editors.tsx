import type { ReportSettings } from '@ivlen/contract';
import type { Editors } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import type { ReportChoice } from './sentence';

/** What changes the choices of the report's sentence. */
export function reportEditors(settings: ReportSettings, patch: (part: Partial<ReportSettings>) => void): Editors<ReportChoice> {
  const yesNo = (field: 'intervals' | 'leadingZero' | 'split', label: string, yes: string, no: string) => (close: () => void) => (
    <OptionList
      label={label}
      value={settings[field] ? 'yes' : 'no'}
      options={[
        { value: 'yes', name: yes },
        { value: 'no', name: no },
      ]}
      onChoose={(chosen) => {
        patch({ [field]: chosen === 'yes' });
        close();
      }}
    />
  );
  return {
    significance: (close) => (
      <OptionList
        label="How significance is shown"
        value={settings.significance}
        options={[
          { value: 'marks', name: 'Marked with asterisks', words: 'By the levels of what is pinned; the note says what they mean.' },
          { value: 'p', name: 'With p under each', words: 'Every p as a number, on a line of its own.' },
        ]}
        onChoose={(significance) => {
          patch({ significance });
          close();
        }}
      />
    ),
    intervals: yesNo('intervals', 'Intervals in tables', 'Intervals under the coefficients', 'Without intervals'),
    zero: yesNo('leadingZero', 'The zero before the point', 'With a zero: 0.42', 'Without: .42'),
    split: yesNo('split', 'Wide tables', 'Cut into parts that fit on the paper', 'Left whole'),
    paper: (close) => (
      <OptionList
        label="The paper"
        value={settings.paper}
        options={[
          { value: 'portrait', name: 'Portrait A4' },
          { value: 'landscape', name: 'Landscape A4', words: 'Wider tables fit whole.' },
        ]}
        onChoose={(paper) => {
          patch({ paper });
          close();
        }}
      />
    ),
  };
}
