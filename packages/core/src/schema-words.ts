import { z } from 'zod';

const kinds: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'an object',
  record: 'an object',
  tuple: 'a list',
};
const MOST_NAMED = 8;

/** What a schema says of a value, as the end of a sentence that begins with its field, where the schema has no words of its own. */
function words(issue: z.core.$ZodRawIssue): string | undefined {
  const { input } = issue;
  switch (issue.code) {
    case 'invalid_type':
      if (input === undefined) return 'is missing';
      if (typeof input === 'number' && !Number.isFinite(input)) return 'is not a finite number';
      return `is not ${kinds[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return `is not one of ${issue.values.slice(0, MOST_NAMED).map(String).join(', ')}${issue.values.length > MOST_NAMED ? ' …' : ''}`;
    case 'unrecognized_keys':
      return `holds something that is not known here: ${issue.keys.slice(0, MOST_NAMED).join(', ').slice(0, 200)}`;
    case 'too_big':
      return `is over the limit of ${String(issue.maximum)}`;
    case 'too_small':
      return `is under the limit of ${String(issue.minimum)}`;
    case 'invalid_union':
      return input === undefined ? 'is missing' : 'is none of what is expected there';
    case 'invalid_key':
      return 'holds a name that cannot be one';
    case 'invalid_format':
      return `is not written as ${issue.format === 'uuid' ? 'an id' : issue.format === 'datetime' ? 'a date and time' : 'it should be'}`;
    default:
      return undefined;
  }
}

z.config({ customError: words });
