import type { Component } from '@endrel/core/job/component';

/** What sets a part's symbol apart from others of its kind. */
export const variantOf = (component: Component): string | undefined =>
  component.kind === 'regulator'
    ? component.action
    : component.kind === 'rail' && component.feed !== undefined && component.feed !== 'single'
      ? 'two'
      : undefined;
