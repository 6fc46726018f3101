import { digestOf, digestSchema, holdAttachment, LARGEST_ATTACHMENT } from '../attachments/attachment.ts';
import { meshTextFault } from '../attachments/tank-mesh.ts';
import { failure, success, type Result } from '../result.ts';
import { mendedLines } from '../fields/text.ts';
import { jobSchema, type Job } from './job.ts';
import { inheritedKey } from '../fields/names.ts';
import { CURRENT_SCHEMA_VERSION } from './schema-version.ts';
import { upgradeDocument } from './upgrade.ts';

/** One thing wrong with a job file: where, in the file's own names, and what. */
export interface JobFileIssue {
  /** Such as `survey.tank.depth.si`, empty for the whole file. */
  readonly field: string;
  readonly message: string;
}

/** A job with the large things that its file carries along, by their digest. */
export interface JobFile {
  readonly job: Job;
  readonly attachments: Readonly<Record<string, string>>;
}

export const LARGEST_JOB_FILE = 2 * 1024 * 1024; // bytes; a real job is under 100 kB
const DEEPEST_NESTING = 32;
const MOST_ISSUES = 20;
const MOST_ATTACHMENTS = 20;

const whole = (message: string) => failure([{ field: '', message }]);

/**
 * Reads the text of a `.endrel.json` file of any known version.
 *
 * @returns the job at the current version, or every fault with its field (the first twenty).
 */
export function readJobFile(text: string): Result<JobFile, JobFileIssue[]> {
  if (text.length > LARGEST_JOB_FILE)
    return whole(`The file is ${(text.length / 1024 / 1024).toFixed(1)} MB; a job file is at most 2 MB.`);
  if (isNestedTooDeep(text)) return whole(`The file is nested deeper than ${DEEPEST_NESTING} levels; no job is.`);
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return whole(`The file is not JSON: ${(error as Error).message}.`);
  }
  return readJobDocument(parsed);
}

/** The same for a document that is already parsed. */
export function readJobDocument(parsed: unknown): Result<JobFile, JobFileIssue[]> {
  if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed))
    return whole('The file does not hold a job: an object is expected.');
  const forbidden = inheritedKey(parsed, DEEPEST_NESTING);
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
  const { attachments: carried, ...rest } = parsed as Record<string, unknown>;
  let upgraded: ReturnType<typeof upgradeDocument>;
  try {
    upgraded = upgradeDocument(rest);
  } catch {
    return whole('The file cannot be brought to the present version: something in it is not what it should be.');
  }
  const attachments = { ...upgraded.attachments };
  const faults = readAttachments(carried, attachments);
  if (faults.length > 0) return failure(faults);
  let checked = jobSchema.safeParse(upgraded.document);
  const mended = checked.success ? undefined : mendedLines(upgraded.document, checked.error.issues);
  if (mended) checked = jobSchema.safeParse(mended);
  if (checked.success) {
    for (const [digest, text] of Object.entries(attachments)) holdAttachment(digest, text);
    return success({ job: checked.data, attachments });
  }
  return failure(
    checked.error.issues
      .slice(0, MOST_ISSUES)
      .map((issue) => ({ field: fieldPath(issue.path), message: issue.message })),
  );
}

/** Attachments that a file carries, judged one by one. */
function readAttachments(carried: unknown, into: Record<string, string>): JobFileIssue[] {
  const all = carried === undefined ? {} : carried;
  if (typeof all !== 'object' || all === null || Array.isArray(all))
    return [{ field: 'attachments', message: 'is not a list of attachments by their digest' }];
  if (Object.keys(all).length > MOST_ATTACHMENTS)
    return [{ field: 'attachments', message: `holds more than ${MOST_ATTACHMENTS}` }];
  const faults: JobFileIssue[] = [];
  for (const [digest, text] of [...Object.entries(all), ...Object.entries(into)] as [string, unknown][]) {
    const field = `attachments.${digest.slice(0, 12)}`;
    if (typeof text !== 'string' || text.length > LARGEST_ATTACHMENT)
      faults.push({ field, message: 'is no text of at most 2 MB' });
    else if (!digestSchema.safeParse(digest).success || digestOf(text) !== digest)
      faults.push({ field, message: 'holds something else than its digest says' });
    else {
      const fault = meshTextFault(text);
      if (fault) faults.push({ field, message: fault });
      else into[digest] = text;
    }
  }
  return faults;
}

/** The text of a job file, with the attachments that the job names. */
export function writeJobFile(job: Job, textOf: (digest: string) => string | undefined): string {
  const digest = job.survey.tank.mesh?.digest;
  const text = digest === undefined ? undefined : textOf(digest);
  const file = text === undefined ? job : { ...job, attachments: { [digest!]: text } };
  const spaced = JSON.stringify(file, undefined, 2);
  return spaced.length <= LARGEST_JOB_FILE ? spaced : JSON.stringify(file); // or it could not be brought in again
}

export const describeIssue = ({ field, message }: JobFileIssue): string => (field ? `${field} ${message}` : message);

/** `run.supply[2].length.si` */
const fieldPath = (path: readonly PropertyKey[]): string =>
  path.map((part, i) => (typeof part === 'number' ? `[${part}]` : `${i > 0 ? '.' : ''}${String(part)}`)).join('');

/** Whether JSON text nests deeper than any job, found without recursion so that a hostile one cannot exhaust the stack. */
export function isNestedTooDeep(text: string): boolean {
  let [depth, inString] = [0, false];
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (inString) {
      if (c === '\\') i++;
      else if (c === '"') inString = false;
    } else if (c === '"') inString = true;
    else if (c === '{' || c === '[') {
      if (++depth > DEEPEST_NESTING) return true;
    } else if (c === '}' || c === ']') depth--;
  }
  return false;
}
