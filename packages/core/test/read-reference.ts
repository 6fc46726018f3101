import { readFileSync } from 'node:fs';

/** Rows of a CSV file in test/reference, by column name. The files hold no quoted cells. */
export function referenceRows(file: string): Record<string, string>[] {
  const [head = '', ...lines] = readFileSync(new URL(`./reference/${file}`, import.meta.url), 'utf8')
    .trim()
    .split('\n');
  const columns = head.split(',');
  return lines.map((line) => Object.fromEntries(line.split(',').map((cell, i) => [columns[i]!, cell])));
}

export const referenceJson = (file: string): unknown =>
  JSON.parse(readFileSync(new URL(`./reference/${file}`, import.meta.url), 'utf8'));
