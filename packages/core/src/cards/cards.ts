import type { SheetDocument } from '../documents/document.ts';
import { cutsCard } from './cuts/cuts-card.ts';
import type { CardGiven, CardKind } from './define-card.ts';
import { hoseEndsCard } from './hose-ends/hose-ends-card.ts';
import { partsCard } from './parts/parts-card.ts';

/** Every kind of card, in the order in which they are used. */
export const cardKinds: readonly CardKind[] = [partsCard, cutsCard, hoseEndsCard];

/** The sheets of a job, each with what it is of and whether it may be worked by. */
export function cardsOf(given: CardGiven): SheetDocument[] {
  const { job, asOf, stops } = given;
  const about = [job.vehicle ? `${job.name}, ${job.vehicle}` : job.name, ...asOf];
  const many = stops === 1 ? 'One snag says stop' : `${stops} snags say stop`;
  const stop = stops > 0 ? { stop: `${many}: do not buy or make anything by this sheet until they are cured.` } : {};
  return cardKinds.flatMap((kind) =>
    kind.sheets(given).map((sheet): SheetDocument => ({ lies: 'upright', ...sheet, about, ...stop })),
  );
}
