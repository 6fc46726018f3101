import type { Document } from './document.ts';

/** Version 1 held one ethanol figure in per cent, and no overrules. */
export function toVersion2(document: Document): Document {
  const { ethanolPercent, ...brief } = (document.brief ?? {}) as Document;
  return {
    ...document,
    schemaVersion: 2,
    brief: typeof ethanolPercent === 'number' ? { ...brief, ethanol: { si: ethanolPercent / 100, unit: '%' } } : brief,
    overrules: document.overrules ?? [],
  };
}
