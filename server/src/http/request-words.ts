import { z } from 'zod';

/** What of a request a schema found wrong, as the second half of a sentence: "must be a whole number". */
function inWords(issue: z.core.$ZodRawIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined ? 'is missing' : `must be ${TYPES[issue.expected] ?? 'of another type'}`;
    case 'too_small':
      return issue.origin === 'number' || issue.origin === 'int'
        ? `must be ${issue.minimum} or more`
        : `must have at least ${counted(issue.minimum, issue.origin)}`;
    case 'too_big':
      return issue.origin === 'number' || issue.origin === 'int'
        ? `must be ${issue.maximum} or less`
        : `may have at most ${counted(issue.maximum, issue.origin)}`;
    case 'invalid_format':
      return FORMATS[issue.format] ?? 'is not written as it must be';
    case 'not_multiple_of':
      return `must be a multiple of ${issue.divisor}`;
    case 'unrecognized_keys':
      return `has parts that are not known: ${issue.keys.slice(0, 5).join(', ')}`;
    case 'invalid_value':
      return `must be ${oneOf(issue.values)}`;
    case 'invalid_union':
      return 'is of no kind that is known';
    case 'invalid_key':
    case 'invalid_element':
      return 'has a part that cannot be taken';
    default:
      return 'is not what was expected';
  }
}

const TYPES: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'an object',
  record: 'an object',
  null: 'empty',
  nan: 'a number',
};
const FORMATS: Readonly<Record<string, string>> = {
  uuid: 'is not the number of anything here',
  url: 'must be an address',
  datetime: 'must be a date with its time',
  date: 'must be a date such as 2023-05-31',
};
const NOUNS: Readonly<Record<string, readonly [one: string, more: string]>> = {
  string: ['letter', 'letters'],
  array: ['entry', 'entries'],
  set: ['entry', 'entries'],
  map: ['entry', 'entries'],
};

function counted(count: number | bigint, origin: string): string {
  const [one, more] = NOUNS[origin] ?? ['part', 'parts'];
  return `${count.toLocaleString('en-GB')} ${Number(count) === 1 ? one : more}`;
}

const MOST_NAMED = 8;

function oneOf(values: readonly unknown[]): string {
  const named = values.slice(0, MOST_NAMED).map((value) => (typeof value === 'string' ? `“${value}”` : String(value)));
  if (named.length === 1) return named[0] ?? '';
  return `one of ${named.join(', ')}${values.length > MOST_NAMED ? ' …' : ''}`;
}

/** From now on what schemas find is said so, where they say nothing of their own; to be done once. */
export function speakOfRequests(): void {
  z.config({ customError: inWords });
}

/** A whole sentence about the part of a request that is wrong. */
export function sentenceAbout({ message, path, code }: z.core.$ZodIssue, part: string): string {
  // What a schema says of its own is a sentence already.
  if (/^[A-Z]/.test(message) || code === 'custom') return message;
  const name = path.length > 0 ? `“${path.map(String).join('.')}”` : `The ${NAMES[part] ?? 'request'}`;
  return `${name} ${message}.`;
}

const NAMES: Readonly<Record<string, string>> = { json: 'body of the request', query: 'address', param: 'address' };
