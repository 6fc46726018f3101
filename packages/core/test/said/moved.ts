const NUMBER = /[-−]?\d+(?:\.\d+)?(?:e[-+]?\d+)?/g;
/** How far a figure may stand off by the machine that reckoned it: one in the last of its four digits, or a hair of nothing. */
const SHARE = 1.1e-3;
const HAIR = 2e-9;

const read = (text: string) => Number(text.replace('−', '-'));
const isNear = (a: number, b: number) => Math.abs(a - b) <= Math.max(HAIR, SHARE * Math.max(Math.abs(a), Math.abs(b)));

function isSame(was: string, is: string): boolean {
  if (was === is) return true;
  if (was.replace(NUMBER, '#') !== is.replace(NUMBER, '#')) return false;
  const before = was.match(NUMBER) ?? [];
  const now = is.match(NUMBER) ?? [];
  return before.every(
    (text, i) => text === now[i] || (isFraction(text) && isFraction(now[i]!) && isNear(read(text), read(now[i]!))),
  );
}
/** Counts and names with numbers do not drift. */
const isFraction = (text: string) => /[.e]/.test(text) || Math.abs(read(text)) >= 1000;

/** Lines that are not what they were, as they were and as they are, with the heading above them. */
export function moved(was: readonly string[], is: readonly string[]): string[] {
  const found: string[] = [];
  let heading = '';
  for (let i = 0; i < Math.max(was.length, is.length); i++) {
    const [before = '', now = ''] = [was[i], is[i]];
    if (before.startsWith('==')) heading = before;
    if (!isSame(before, now)) found.push(`${heading}, line ${i + 1}\n  was ${before}\n  is  ${now}`);
  }
  return found;
}
