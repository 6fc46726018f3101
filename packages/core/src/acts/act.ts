import { z } from 'zod';
import type { Job } from '../job/job.ts';
import type { ActBehaviour } from './define-act.ts';
import { set } from './kinds/set.ts';
import { setAll } from './kinds/set-all.ts';
import { addRow } from './kinds/add-row.ts';
import { removeRow } from './kinds/remove-row.ts';
import { setOnPart } from './kinds/set-on-part.ts';
import { setOnParts } from './kinds/set-on-parts.ts';
import { setOnJoints } from './kinds/set-on-joints.ts';
import { routeLine } from './kinds/route-line.ts';
import { setPort } from './kinds/set-port.ts';
import { closePorts } from './kinds/close-ports.ts';
import { addPart } from './kinds/add-part.ts';
import { insertPart } from './kinds/insert-part.ts';
import { addBeside } from './kinds/add-beside.ts';
import { tapIn } from './kinds/tap-in.ts';
import { attachPart } from './kinds/attach-part.ts';
import { takeOut } from './kinds/take-out.ts';
import { setAside } from './kinds/set-aside.ts';
import { movePart } from './kinds/move-part.ts';
import { takeUp } from './kinds/take-up.ts';
import { swapPart } from './kinds/swap-part.ts';
import { turnRound } from './kinds/turn-round.ts';
import { connect } from './kinds/connect.ts';
import { disconnect } from './kinds/disconnect.ts';
import { moveEnd } from './kinds/move-end.ts';
import { chooseLayout } from './kinds/choose-layout.ts';
import { moveRegulator } from './kinds/move-regulator.ts';
import { overruleSnag } from './kinds/overrule-snag.ts';
import { withdrawOverrule } from './kinds/withdraw-overrule.ts';
import { restore } from './kinds/restore.ts';

/** Every kind of act. A new one is a file beside these and a line here. */
const kinds = {
  set,
  setAll,
  addRow,
  removeRow,
  setOnPart,
  setOnParts,
  setOnJoints,
  routeLine,
  setPort,
  closePorts,
  addPart,
  insertPart,
  addBeside,
  tapIn,
  attachPart,
  takeOut,
  setAside,
  movePart,
  takeUp,
  swapPart,
  turnRound,
  connect,
  disconnect,
  moveEnd,
  chooseLayout,
  moveRegulator,
  overruleSnag,
  withdrawOverrule,
  restore,
};
type Kinds = typeof kinds;

/**
 * An edit with a meaning, as plain data: what the browser sends, what the change table holds, what undo and the cures of snags are
 * made of.
 */
export type Act = { [K in keyof Kinds]: z.infer<Kinds[K]['schema']> }[keyof Kinds];
export type ActOf<K extends Act['act']> = Extract<Act, { act: K }>;

const schemas = Object.values(kinds).map((kind) => kind.schema);
export const actSchema = z.discriminatedUnion('act', schemas as never) as unknown as z.ZodType<Act>;

/** Names of the fields of every kind of act. */
export const actFields = Object.fromEntries(
  schemas.map((schema) => [schema.shape.act.value, Object.keys(schema.shape)]),
);

/** What the kind of an act says of it. */
export const kindOfAct = (act: Act): ActBehaviour<Act> => kinds[act.act];

/** The same of an act that an older Endrel kept, which may be none that is understood today. */
export const kindOfActNamed = (name: unknown): ActBehaviour<Act> | undefined =>
  typeof name === 'string' && Object.hasOwn(kinds, name)
    ? (kinds as unknown as Record<string, ActBehaviour<Act>>)[name]
    : undefined;

/** The edit in a few words, for undo and the change table. */
export const describeAct = (job: Job, act: Act): string => kindOfAct(act).describe(job, act);
