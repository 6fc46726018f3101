// The licences of what ships with Endrel, as one text beside the page: /notices.txt
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { projectRoot } from './project-root.mjs';

/** Where a package leaves a choice, the one that Endrel takes. */
const chosen = { elkjs: 'EPL-2.0 (of EPL-2.0 or GPL-3.0-or-later)' };
/** Packages whose own file says what their package.json leaves out; each was read. */
const readFromFile = { 'png-js': 'MIT (by its LICENSE file)' };

const licenceFile = /^(licen[cs]e|copying)/i;

/** Every package that is not for development alone, with its licence and the text of it. @throws Error for one without. */
export function shippedPackages() {
  const lock = JSON.parse(readFileSync(path.join(projectRoot, 'package-lock.json'), 'utf8'));
  return Object.entries(lock.packages)
    .filter(([where, entry]) => where.includes('node_modules/') && !entry.dev && !entry.link)
    .filter(([where]) => existsSync(path.join(projectRoot, where, 'package.json'))) // optional ones of other machines are not here
    .map(([where]) => {
      const folder = path.join(projectRoot, where);
      const { name, version, license, licenses } = JSON.parse(readFileSync(path.join(folder, 'package.json'), 'utf8'));
      const said =
        chosen[name] ?? readFromFile[name] ?? license?.type ?? license ?? licenses?.map((l) => l.type).join(' or ');
      const file = readdirSync(folder).find((f) => licenceFile.test(f));
      if (!said) throw new Error(`${name} says nothing of its licence: replace it, or read it and note what it is`);
      return { name, version, licence: said, text: file ? readFileSync(path.join(folder, file), 'utf8').trim() : '' };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}

export function writeNotices(to) {
  const own = 'Endrel is under the Apache License 2.0. It ships with these packages, each under its own licence:\n';
  const packages = shippedPackages();
  const list = packages.map((p) => `  ${p.name} ${p.version}: ${p.licence}`).join('\n');
  // many share one text: it stands once, over the names that it is of
  const byText = new Map();
  for (const p of packages) if (p.text) byText.set(p.text, [...(byText.get(p.text) ?? []), p.name]);
  const texts = [...byText].map(([text, names]) => `${'-'.repeat(80)}\n${names.join(', ')}\n\n${text}`).join('\n\n');
  writeFileSync(to, `${own}\n${list}\n\n${texts}\n`);
}
