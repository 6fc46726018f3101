import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { moved } from './moved.ts';
import { saidFile } from './said-jobs.ts';

const SHOWN = 8; // lines that moved

/** What is said now stands in said/NAME.txt. `npm run said` writes it anew, to be read in the diff. */
export function expectAsWritten(name: string, said: () => string[]): void {
  const found = moved(readFileSync(saidFile(name), 'utf8').split('\n'), said());
  expect(found.slice(0, SHOWN), `${found.length} lines of said/${name}.txt moved: npm run said`).to.deep.equal([]);
}
