import { CURRENT_SCHEMA_VERSION } from './job.ts';

type Document = Record<string, unknown>;
type Upgrade = (document: Document) => Document;

/** From version n to n + 1, by n. Never edited once merged; each is tested on a kept file of its version. */
export const upgrades: Readonly<Record<number, Upgrade>> = {
  /** Version 1 held one ethanol figure in per cent, and no overrules. */
  1: (document) => {
    const { ethanolPercent, ...brief } = (document.brief ?? {}) as Document;
    return {
      ...document,
      schemaVersion: 2,
      brief:
        typeof ethanolPercent === 'number' ? { ...brief, ethanol: { si: ethanolPercent / 100, unit: '%' } } : brief,
      overrules: document.overrules ?? [],
    };
  },
};

/** Brings a parsed document of a known older version to the current shape; the schema judges the outcome. */
export function upgradeDocument(document: Document): Document {
  let current = document;
  for (let version = Number(document.schemaVersion); version < CURRENT_SCHEMA_VERSION; version++) {
    const upgrade = upgrades[version];
    if (!upgrade) throw new RangeError(`no upgrade from version ${version}`);
    current = upgrade(current);
  }
  return current;
}
