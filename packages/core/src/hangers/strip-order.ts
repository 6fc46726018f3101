import type { Hanger } from '../job/hanger.ts';

/** In what order a hanger is stripped so that the rest passes the opening, and built up again inside or above. */
export interface StripOrder {
  /** Labels, in the order in which they come off. */
  readonly off: readonly string[];
  readonly passes: readonly string[];
  /** Too wide for the opening and said not to come off. */
  readonly stuck: readonly { readonly id: string; readonly label: string }[];
}

/** Undefined while no part is written down or the opening is unmeasured. Widest first: it shields what is behind it. */
export function stripOrder(hanger: Hanger): StripOrder | undefined {
  const free = hanger.openingDiameter && hanger.openingDiameter.si - 2 * (hanger.lip?.si ?? 0);
  const parts = (hanger.parts ?? []).flatMap((p) =>
    p.across ? [{ ...p, label: p.label ?? 'part', size: p.across.si }] : [],
  );
  if (free === undefined || parts.length === 0) return undefined;
  const tooWide = parts.filter((p) => p.size > free).sort((a, b) => b.size - a.size);
  return {
    off: tooWide.filter((p) => p.comesOff).map((p) => p.label),
    stuck: tooWide.filter((p) => !p.comesOff).map(({ id, label }) => ({ id, label })),
    passes: parts.filter((p) => p.size <= free).map((p) => p.label),
  };
}
