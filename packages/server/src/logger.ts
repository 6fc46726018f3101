import { pino, type DestinationStream, type Logger } from 'pino';

const LONGEST = 4000; // characters of one text in the log
const password = /(:\/\/[^:/@\s]*:)[^@/\s]*@/g;

/** Text as the log may hold it: bounded, and an address of a database without its password. */
export const loggable = (text: string): string => text.slice(0, LONGEST).replace(password, '$1…@');

/** Of an error what says where it failed, and nothing that was typed: PostgreSQL puts whole rows into its details. */
function error(thrown: unknown): object {
  if (!(thrown instanceof Error)) return { message: loggable(String(thrown)) };
  const { name, message, stack = '', code } = thrown as Error & { code?: unknown };
  return { type: name, code, message: loggable(message), stack: loggable(stack) };
}

/** Of a request what was asked: no header, no cookie, no query. */
const request = ({ method, originalUrl = '' }: { method?: string; originalUrl?: string }): object => ({
  method,
  path: loggable(originalUrl.replace(/\?.*/s, '')),
});

/** The server's log, as JSON lines on standard output or where a test reads it. */
export const makeLogger = (level: string, to?: DestinationStream): Logger =>
  pino(
    {
      level,
      base: undefined,
      timestamp: pino.stdTimeFunctions.isoTime,
      hooks: {
        // without words of its own an entry would take those of its error as they are
        logMethod(entry, method) {
          const words = entry.map((e) => (typeof e === 'string' ? loggable(e) : e));
          if (!words.some((e) => typeof e === 'string')) words.push('an error');
          method.apply(this, words as Parameters<typeof method>);
        },
      },
      serializers: { err: error, req: request },
      redact: {
        paths: ['*.authorization', '*.cookie', '*.password', 'authorization', 'cookie', 'password'],
        remove: true,
      },
    },
    ...(to ? [to] : []),
  );
