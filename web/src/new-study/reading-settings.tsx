import { type ImportSettings, type ImportSettingsPatch, importSettingsSchema } from '@ivlen/contract';
import { type ReactNode, useState } from 'react';

const SEPARATORS = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'vertical bar', ' ': 'space' } as const;
const DECIMALS = { '.': 'point: 1.5', ',': 'comma: 1,5' } as const;
const THOUSANDS = { none: 'none', ',': 'comma: 1,000', '.': 'point: 1.000', ' ': 'space: 1 000', "'": 'apostrophe: 1’000' } as const;
const ENCODINGS = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16, little-endian',
  'utf-16be': 'UTF-16, big-endian',
  'windows-1252': 'Windows-1252',
} as const;

interface ReadingSettingsProps {
  readonly settings: ImportSettings;
  /** The sheets of a workbook. */
  readonly sheets: readonly string[];
  readonly busy: boolean;
  readonly onCorrect: (patch: ImportSettingsPatch) => void;
}

/** The settings under which a text becomes a table; each change reads the file again. */
export function ReadingSettings({ settings, sheets, busy, onCorrect }: ReadingSettingsProps) {
  const { shape } = importSettingsSchema;
  const isText = settings.format === 'text';
  return (
    <fieldset disabled={busy} className="space-y-3">
      {sheets.length > 0 && settings.sheet !== null && (
        <Choice
          name={settings.format === 'json' ? 'List of rows' : 'Sheet of the workbook'}
          value={settings.sheet}
          words={Object.fromEntries(sheets.map((sheet) => [sheet, sheet]))}
          onChoose={(sheet) => onCorrect({ sheet })}
        />
      )}
      {isText && (
        <Choice
          name="Between cells"
          value={settings.separator}
          words={SEPARATORS}
          onChoose={(value) => onCorrect({ separator: shape.separator.parse(value) })}
        />
      )}
      <NumberMarks settings={settings} onCorrect={onCorrect} />
      <RowCount name="Rows left out at the top" most={50} value={settings.top} onChange={(top) => onCorrect({ top })} />
      <Check
        name={settings.top > 0 ? 'The first row below them holds names' : 'The first row holds names'}
        checked={settings.header}
        onChange={(header) => onCorrect({ header })}
      />
      {settings.header && settings.nameRows > 1 && (
        <RowCount
          name="Rows that the names stand in"
          least={1}
          most={3}
          value={settings.nameRows}
          onChange={(nameRows) => onCorrect({ nameRows })}
        />
      )}
      <Check
        name={settings.header ? 'The row below holds units' : 'The first row holds units'}
        checked={settings.unitsRow}
        onChange={(unitsRow) => onCorrect({ unitsRow })}
      />
      <Check
        name="Leave out subtotals, repeated names and empty rows"
        checked={settings.between}
        onChange={(between) => onCorrect({ between })}
      />
      <RowCount name="Rows left out at the foot" most={20} value={settings.foot} onChange={(foot) => onCorrect({ foot })} />
      <MissingCodes codes={settings.missingCodes} onChange={(missingCodes) => onCorrect({ missingCodes })} />
      {isText && (
        <>
          <Check name={'Quotation marks enclose cells'} checked={settings.quotes} onChange={(quotes) => onCorrect({ quotes })} />
          <Choice
            name="Encoding of the text"
            value={settings.encoding}
            words={ENCODINGS}
            onChoose={(value) => onCorrect({ encoding: shape.encoding.parse(value) })}
          />
        </>
      )}
    </fieldset>
  );
}

/** How numbers are written: in other formats than text, those that stand there as texts. */
function NumberMarks({ settings, onCorrect }: Pick<ReadingSettingsProps, 'settings' | 'onCorrect'>) {
  const { shape } = importSettingsSchema;
  return (
    <>
      <Choice
        name="Decimal mark"
        value={settings.decimal}
        words={DECIMALS}
        onChoose={(value) => onCorrect({ decimal: shape.decimal.parse(value) })}
      />
      <Choice
        name="Thousands separator"
        value={settings.thousands}
        words={THOUSANDS}
        onChoose={(value) => onCorrect({ thousands: shape.thousands.parse(value) })}
      />
    </>
  );
}

interface RowCountProps {
  readonly name: string;
  readonly least?: number;
  readonly most: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

function RowCount({ name, least = 0, most, value, onChange }: RowCountProps) {
  return (
    <Labelled name={name}>
      <input
        type="number"
        className="field w-20"
        min={least}
        max={most}
        value={value}
        onChange={(event) => {
          const count = Number(event.target.value);
          if (Number.isInteger(count) && count >= least && count <= most) onChange(count);
        }}
      />
    </Labelled>
  );
}

function Labelled({ name, children }: { name: string; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child.
    <label className="block">
      <span className="mb-0.5 block text-[13px] text-muted">{name}</span>
      {children}
    </label>
  );
}

function Choice<T extends string>({
  name,
  value,
  words,
  onChoose,
}: {
  name: string;
  value: T;
  words: Readonly<Record<T, string>>;
  onChoose: (value: string) => void;
}) {
  return (
    <Labelled name={name}>
      <select className="field w-full" value={value} onChange={(event) => onChoose(event.target.value)}>
        {Object.entries<string>(words).map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

function Check({ name, checked, onChange }: { name: string; checked: boolean; onChange: (checked: boolean) => void }) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-accent"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {name}
    </label>
  );
}

function MissingCodes({ codes, onChange }: { codes: readonly string[]; onChange: (codes: string[]) => void }) {
  const [added, setAdded] = useState('');
  const add = () => {
    const code = added.trim();
    setAdded('');
    if (code !== '' && !codes.includes(code)) onChange([...codes, code]);
  };
  return (
    <div role="group" aria-label="What means “missing”">
      <span className="mb-0.5 block text-[13px] text-muted">What means “missing”</span>
      <ul className="mb-1.5 flex flex-wrap gap-1">
        <li className="rounded border border-rule px-1.5 py-0.5 text-[13px] text-muted">empty cell</li>
        {codes.map((code) => (
          <li key={code}>
            <button
              type="button"
              aria-label={`No longer read ${code} as missing`}
              className="rounded border border-edge bg-surface px-1.5 py-0.5 text-[13px] hover:border-accent"
              onClick={() => onChange(codes.filter((other) => other !== code))}
            >
              {code} <span aria-hidden="true">×</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex gap-1.5">
        <input
          className="field min-w-0 flex-1"
          aria-label="Another code for missing"
          placeholder="another, such as −99"
          value={added}
          onChange={(event) => setAdded(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') {
              event.preventDefault();
              add();
            }
          }}
        />
        <button type="button" className="button px-2" onClick={add}>
          Add
        </button>
      </div>
    </div>
  );
}
