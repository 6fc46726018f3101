/** Where a command writes: the terminal, or a test. */
export interface Output {
  out(text: string): void;
  err(text: string): void;
}

const BROKEN_PIPE = 'EPIPE';

/** Whoever read the output has enough, as `head` has: that is no fault, and there is nobody to tell. */
function quietly(stream: NodeJS.WriteStream): NodeJS.WriteStream {
  stream.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== BROKEN_PIPE) throw error;
    process.exit();
  });
  return stream;
}

export function terminal(): Output {
  const [out, err] = [quietly(process.stdout), quietly(process.stderr)];
  return { out: (text) => void out.write(`${shown(text)}\n`), err: (text) => void err.write(`${shown(text)}\n`) };
}

/** What a terminal would take for a command stays out of it, whatever a file holds; tabs and line breaks go through. */
// eslint-disable-next-line no-control-regex -- control characters are what is taken out
export const shown = (text: string): string => text.replace(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g, '\ufffd');

const LONGEST_COMPLAINT = 500; // characters
/** A complaint of bounded length: its beginning, which names where, and its end, which says what. */
export const complaint = (text: string): string =>
  text.length <= LONGEST_COMPLAINT
    ? text
    : `${text.slice(0, LONGEST_COMPLAINT / 2 - 1)} … ${text.slice(2 - LONGEST_COMPLAINT / 2)}`;

/**
 * A report as JSON. `null` says that there is none; a figure that could not be reckoned would become `null` too, and nobody would
 * hear of it.
 *
 * @throws RangeError for a number that is none.
 */
export const jsonText = (report: unknown, indent?: number): string =>
  JSON.stringify(
    report,
    (key, value: unknown) => {
      if (typeof value === 'number' && !Number.isFinite(value)) throw new RangeError(`“${key}” came out as ${value}`);
      return value;
    },
    indent,
  );

/** A figure as reports print it: six digits. */
export const rounded = (value: number): number => Number(value.toPrecision(6));
