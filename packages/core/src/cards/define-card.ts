import type { SheetDocument } from '../documents/document.ts';
import type { Job } from '../job/job.ts';
import type { JointFinding } from '../run/joints.ts';
import type { Say } from '../units/unit-system.ts';

/** What cards are made from. */
export interface CardGiven {
  /** With the lengths that the routes tell where nobody measured them. */
  readonly job: Job;
  readonly joints: readonly JointFinding[];
  /** One system of units for the whole sheet, whatever each thing was measured in. */
  readonly say: Say;
  /** The day and the revision that it is as of, in words. */
  readonly asOf: readonly string[];
  /** How many snags say stop. */
  readonly stops: number;
}

/** A kind of card: which sheets of it a job has, none where there is nothing to make. */
export interface CardKind {
  readonly key: string;
  readonly sheets: (given: CardGiven) => CardSheet[];
}

/** A sheet without what stands on every one. */
export type CardSheet = Omit<SheetDocument, 'about' | 'stop' | 'lies'> & Partial<Pick<SheetDocument, 'lies'>>;

export const defineCard = (key: string, sheets: CardKind['sheets']): CardKind => ({ key, sheets });
