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
  return { out: (text) => void out.write(`${text}\n`), err: (text) => void err.write(`${text}\n`) };
}

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
