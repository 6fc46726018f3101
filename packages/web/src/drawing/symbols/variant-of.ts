import type { Part } from '@endrel/core/parts/kinds';

/** What sets a part's symbol apart from others of its kind. */
export const variantOf = (part: Part): string | undefined =>
  part.kind === 'regulator'
    ? part.action
    : part.kind === 'rail' && part.feed !== undefined && part.feed !== 'single'
      ? 'two'
      : undefined;
