import { failure, success, type Result } from '../result.ts';
import { CURRENT_SCHEMA_VERSION, jobSchema, type Job } from './job.ts';
import { upgradeDocument } from './upgrade.ts';

/** One thing wrong with a job file: where, in the file's own names, and what. */
export interface JobFileIssue {
  /** Such as `survey.tank.depth.si`, empty for the whole file. */
  readonly field: string;
  readonly message: string;
}

export const LARGEST_JOB_FILE = 2 * 1024 * 1024; // bytes; a real job is under 100 kB
const DEEPEST_NESTING = 32;
const MOST_ISSUES = 20;

const whole = (message: string) => failure([{ field: '', message }]);

/**
 * Reads the text of a `.endrel.json` file of any known version.
 *
 * @returns the job at the current version, or every fault with its field (the first twenty).
 */
export function readJobFile(text: string): Result<Job, JobFileIssue[]> {
  if (text.length > LARGEST_JOB_FILE)
    return whole(`The file is ${(text.length / 1024 / 1024).toFixed(1)} MB; a job file is at most 2 MB.`);
  if (nestingOf(text) > DEEPEST_NESTING)
    return whole(`The file is nested deeper than ${DEEPEST_NESTING} levels; no job is.`);
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return whole(`The file is not JSON: ${(error as Error).message}.`);
  }
  return readJobDocument(parsed);
}

/** The same for a document that is already parsed. */
export function readJobDocument(parsed: unknown): Result<Job, JobFileIssue[]> {
  if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed))
    return whole('The file does not hold a job: an object is expected.');
  const forbidden = forbiddenKey(parsed);
  if (forbidden) return failure([{ field: forbidden, message: 'is a name that no job uses' }]);
  const { schemaVersion } = parsed as Record<string, unknown>;
  if (typeof schemaVersion !== 'number' || !Number.isInteger(schemaVersion) || schemaVersion < 1)
    return failure([
      { field: 'schemaVersion', message: 'is missing or not a version number: this is not an Endrel job file' },
    ]);
  if (schemaVersion > CURRENT_SCHEMA_VERSION)
    return failure([
      {
        field: 'schemaVersion',
        message: `is ${schemaVersion}, newer than this Endrel reads (${CURRENT_SCHEMA_VERSION}): update Endrel`,
      },
    ]);
  const checked = jobSchema.safeParse(upgradeDocument(parsed as Record<string, unknown>));
  if (checked.success) return success(checked.data);
  return failure(
    checked.error.issues
      .slice(0, MOST_ISSUES)
      .map((issue) => ({ field: fieldPath(issue.path), message: issue.message })),
  );
}

export const describeIssue = ({ field, message }: JobFileIssue): string => (field ? `${field} ${message}` : message);

/** `run.supply[2].length.si` */
const fieldPath = (path: readonly PropertyKey[]): string =>
  path.map((part, i) => (typeof part === 'number' ? `[${part}]` : `${i > 0 ? '.' : ''}${String(part)}`)).join('');

/** Deepest bracket level outside strings, found without recursion so that a hostile file cannot exhaust the stack. */
function nestingOf(text: string): number {
  let [depth, deepest, inString] = [0, 0, false];
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (inString) {
      if (c === '\\') i++;
      else if (c === '"') inString = false;
    } else if (c === '"') inString = true;
    else if (c === '{' || c === '[') deepest = Math.max(deepest, ++depth);
    else if (c === '}' || c === ']') depth--;
  }
  return deepest;
}

/** Path of a key that could reach an object's prototype. The document is known to be shallow or is cut off here. */
function forbiddenKey(value: unknown, path: PropertyKey[] = []): string | undefined {
  if (typeof value !== 'object' || value === null || path.length > DEEPEST_NESTING) return undefined;
  for (const key of Object.keys(value)) {
    const here = [...path, key];
    if (key === '__proto__' || key === 'constructor' || key === 'prototype') return fieldPath(here);
    const found = forbiddenKey((value as Record<string, unknown>)[key], here);
    if (found) return found;
  }
  return undefined;
}
