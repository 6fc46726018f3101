import { CURRENT_SCHEMA_VERSION } from './schema-version.ts';
import type { Attachments, Document } from './upgrades/document.ts';
import { toVersion2 } from './upgrades/to-version-2.ts';
import { toVersion3 } from './upgrades/to-version-3.ts';
import { toVersion4 } from './upgrades/to-version-4.ts';
import { toVersion5 } from './upgrades/to-version-5.ts';

interface Upgraded {
  readonly document: Document;
  readonly attachments: Attachments;
}

/** From version n to n + 1, by n. Never edited once merged; each is tested on kept files of its version. */
export const upgrades: Readonly<Record<number, (document: Document) => Upgraded>> = {
  1: (document) => ({ document: toVersion2(document), attachments: {} }),
  2: toVersion3,
  3: (document) => ({ document: toVersion4(document), attachments: {} }),
  4: (document) => ({ document: toVersion5(document), attachments: {} }),
};

/** Brings a parsed document of a known older version to the current shape; the schema judges the outcome. */
export function upgradeDocument(document: Document): Upgraded {
  let current = document;
  let attachments: Attachments = {};
  for (let version = Number(document.schemaVersion); version < CURRENT_SCHEMA_VERSION; version++) {
    const upgrade = upgrades[version];
    if (!upgrade) throw new RangeError(`no upgrade from version ${version}`);
    const step = upgrade(current);
    current = step.document;
    attachments = { ...attachments, ...step.attachments };
  }
  return { document: current, attachments };
}
