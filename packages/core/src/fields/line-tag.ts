/** What a line is marked as at its ends: feed and return are easily crossed. */
export const lineTags = { feed: 'feed', return: 'return', none: 'not tagged' } as const;
