import { rowOfList, sayField, saySnag } from '../job/field-name.ts';
import { assertNever, failure, success, type Result } from '../result.ts';
import { portsOf } from '../parts/graph.ts';
import { VENT } from '../job/routes.ts';
import { kindOf, partName, portOf, propertiesOf, type Part } from '../parts/kinds.ts';
import { commonProperties } from '../parts/define-part.ts';
import { isJointField } from '../parts/joint.ts';
import type { Job } from '../job/job.ts';
import { layouts } from '../job/layout.ts';
import { inheritedKey } from '../fields/names.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { actSchema, type Act, type ActOf } from './act.ts';
import { setAt, valueAt, type MissingRow } from './at-path.ts';
import { GraphEdit, onRun, takingOver, throughPorts } from './graph-edit.ts';
import { addBeside } from './add-beside.ts';
import { isSame } from './is-same.ts';
import { judgeTouched } from './judge.ts';
import { layOut } from './lay-out.ts';
import { moveRegulator, regulatorPlaces } from './move-regulator.ts';
import { ActRefused, refused, type ActFault } from './refused.ts';

/**
 * A job after an edit, or why it cannot be done. Pure: the old job is untouched, and what did not change is shared with it. What
 * the act touched is judged by its schema, so that a valid job stays one.
 */
export function tryAct(job: Job, given: unknown): Result<Job, ActFault> {
  const inherited = inheritedKey(given);
  if (inherited) return failure({ field: inherited, message: 'is a name that no job uses' });
  const act = actSchema.safeParse(given);
  if (!act.success) {
    const issue = act.error.issues[0]!;
    return failure({ field: issue.path.join('.'), message: `the act is not understood: ${issue.message}` });
  }
  try {
    const after = apply(job, act.data);
    const fault = judgeTouched(job, after);
    return fault ? failure(fault) : success(after);
  } catch (error) {
    if (error instanceof ActRefused) return failure({ field: '', message: error.message });
    throw error;
  }
}

/** The same for acts that are known to be right, such as a cure's; one that cannot be done leaves the job as it is. */
export function applyAct(job: Job, act: Act): Job {
  try {
    return apply(job, act);
  } catch (error) {
    if (error instanceof ActRefused) return job;
    throw error;
  }
}

function apply(job: Job, act: Act): Job {
  switch (act.act) {
    case 'set':
      return setAt(job, outsideRun(act.path), act.value) as Job;
    case 'setAll':
      return act.changes.reduce((changed, { path, value }) => setAt(changed, outsideRun(path), value) as Job, job);
    case 'addRow': {
      const rows = rowsAt(job, act.path) ?? [];
      if (rows.some((row) => row.id === act.row.id)) refused(`there is already a row “${act.row.id}”`);
      return setAt(job, act.path, [...rows, act.row]) as Job;
    }
    case 'removeRow': {
      const rows = rowsAt(job, act.path);
      const left = rows?.filter((row) => row.id !== act.id);
      if (!rows || left!.length === rows.length) refused(`the row “${act.id}” is no longer there`);
      return setAt(job, act.path, left) as Job;
    }
    case 'setOnPart':
      return setOnPart(job, act.id, act.key, act.value);
    case 'setOnParts':
      // each is asked for on the job as it was: what the ones before it set is not judged yet
      for (const { id, key } of act.changes) requireField(new GraphEdit(job).part(id), key);
      return act.changes.reduce((changed, { id, key, value }) => setOnPart(changed, id, key, value), job);
    case 'setOnJoints':
      return act.changes.reduce((changed, { id, key, value }) => {
        if (!isJointField(key)) refused(`a joint has no field “${key}”`);
        const edit = new GraphEdit(changed);
        edit.putJoint(setAt(edit.joint(id), [key], value) as Job['joints'][string]);
        return edit.job;
      }, job);
    case 'routeLine': {
      const { id, changes, length } = act;
      if (id !== VENT && !Object.hasOwn(job.parts, id)) refused(`there is no line “${id}”`);
      const routed = changes.reduce((changed, { key, value }) => setAt(changed, ['routes', 'lines', id, key], value) as Job, job); // prettier-ignore
      return length === undefined ? routed : setOnPart(routed, id, 'length', length);
    }
    case 'setPort': {
      const edit = new GraphEdit(job);
      const part = edit.part(act.part);
      if (!portOf(part, act.port)) refused(`“${partName(part)}” has no port “${act.port}”`);
      if (act.state?.closed && edit.peer(act.part, act.port))
        refused(
          `the ${portOf(part, act.port)!.name} of “${partName(part)}” is joined: it cannot be ${act.state.closed}`,
        );
      edit.put(withPort(part, act.port, act.state));
      return edit.job;
    }
    case 'closePorts': {
      const edit = new GraphEdit(job);
      for (const { port, spec, state, known } of portsOf(job, edit.part(act.id)))
        if (state === 'open' && spec.use !== 'dry')
          edit.put(withPort(edit.part(act.id), port, { ...known, closed: act.with }));
      return edit.job;
    }
    case 'addPart':
      return editing(job, (edit) => edit.add(act.part));
    case 'insertPart':
      return editing(job, (edit) => {
        edit.add(act.part);
        edit.insert(act.part.id, act.joint, act.in, act.out);
      });
    case 'attachPart':
      return editing(job, (edit) => {
        edit.add(act.part);
        edit.connect(act.to, { part: act.part.id, port: act.port });
      });
    case 'addBeside':
      return addBeside(job, act);
    case 'tapIn':
      return editing(job, (edit) => {
        edit.add({ kind: 'tee', id: act.tee });
        edit.insert(act.tee, act.joint, 'a', 'b');
        edit.add(act.part);
        edit.connect({ part: act.tee, port: 'branch' }, { part: act.part.id, port: act.port });
      });
    case 'takeOut':
      return editing(job, (edit) => {
        edit.unjoin(edit.part(act.id).id);
        edit.remove(act.id);
      });
    case 'setAside':
      return editing(job, (edit) => {
        edit.setAside(act.id);
      });
    case 'movePart':
      return editing(job, (edit) => {
        const part = edit.part(act.id);
        const ends = throughPorts(part) ?? refused(`“${partName(part)}” does not go into a line`);
        const { a, b } = edit.joint(act.joint);
        if (a.part === act.id || b.part === act.id) refused(`“${partName(part)}” stands there already`);
        edit.unjoin(act.id);
        edit.put(onRun(edit.part(act.id)));
        edit.insert(act.id, act.joint, ...ends);
      });
    case 'takeUp':
      return editing(job, (edit) => {
        if (!edit.part(act.id).aside) refused(`“${partName(edit.part(act.id))}” is on the run`);
        edit.unjoin(act.id);
        edit.put(onRun(edit.part(act.id)));
        edit.connect(act.to, { part: act.id, port: act.port });
      });
    case 'swapPart':
      return editing(job, (edit) => swap(edit, act.id, act.by));
    case 'turnRound':
      return editing(job, (edit) => turn(edit, act.id));
    case 'connect':
      return editing(job, (edit) => void edit.connect(act.a, act.b));
    case 'disconnect':
      return editing(job, (edit) => edit.removeJoint(edit.joint(act.joint).id));
    case 'moveEnd':
      return editing(job, (edit) => {
        const joint = edit.joint(act.joint);
        const stays = joint.a.part === act.part ? joint.b : joint.b.part === act.part ? joint.a : undefined;
        if (!stays) refused(`“${act.part}” is not at that joint`);
        edit.removeJoint(joint.id);
        edit.connect(stays, act.to, joint);
      });
    case 'chooseLayout':
      return layOut(job, act.key);
    case 'moveRegulator':
      return moveRegulator(job, act.id, act.to);
    case 'overruleSnag':
      return { ...job, overrules: { ...job.overrules, [act.snag]: { reason: act.reason, at: act.at } } };
    case 'withdrawOverrule': {
      const { [act.snag]: _gone, ...overrules } = job.overrules;
      return { ...job, overrules };
    }
    case 'restore':
      return restore(job, act);
    default:
      return assertNever(act);
  }
}

/** A row that is gone comes back at the end of its list; what lies in one that is gone stays away with it. */
const comesBack: MissingRow = (rows, rest, value) =>
  rest.length === 0 && value !== undefined ? [...rows, value] : rows;

/** Puts fields back, children of a record before the record itself would be missing. */
function restore(job: Job, { records }: ActOf<'restore'>): Job {
  const fields = records.filter((record) => !record.ifEmpty);
  const changed = fields.find(({ path, was }) => !isSame(valueAt(job, path), was));
  if (changed) refused(`“${sayField(job, changed.path)}” has been changed since: putting it back would undo that`);
  const restored = fields.reduce((done, { path, value }) => setAt(done, path, value, comesBack) as Job, job);
  return records
    .filter((record) => record.ifEmpty)
    .reduce(
      (done, { path }) => (isEmpty(valueAt(done, path)) ? (setAt(done, path, undefined) as Job) : done),
      restored,
    );
}

const isEmpty = (held: unknown): boolean => typeof held === 'object' && held !== null && Object.keys(held).length === 0;

/** A list outside the run; undefined where nothing is listed yet. */
function rowsAt(job: Job, path: FieldPath): readonly { readonly id: string }[] | undefined {
  const rows = valueAt(job, outsideRun(path));
  if (rows !== undefined && !(Array.isArray(rows) && rows.every((row) => typeof row === 'object' && row !== null)))
    refused(`“${sayField(job, path)}” is no list`);
  return rows as { id: string }[] | undefined;
}

function editing(job: Job, change: (edit: GraphEdit<Job>) => void): Job {
  const edit = new GraphEdit(job);
  change(edit);
  return edit.job;
}

function setOnPart(job: Job, id: string, key: string, value: unknown): Job {
  const part = new GraphEdit(job).part(id);
  requireField(part, key);
  return { ...job, parts: { ...job.parts, [id]: setAt(part, [key], value) as Part } };
}

function requireField(part: Part, key: string): void {
  if (!Object.hasOwn(commonProperties, key) && !Object.hasOwn(propertiesOf(part.kind), key))
    refused(`“${partName(part)}” has no field “${key}”`);
}

function withPort(part: Part, port: string, state: NonNullable<Part['ports']>[string] | undefined): Part {
  const { [port]: _old, ...others } = part.ports ?? {};
  const ports = state === undefined ? others : { ...part.ports, [port]: state };
  if (Object.keys(ports).length > 0) return { ...part, ports };
  const { ports: _none, ...bare } = part;
  return bare;
}

/** Another part where one stood: joints move over to the ports of the same name, else to those next in order. */
function swap(edit: GraphEdit<Job>, id: string, by: Part): void {
  const old = edit.part(id);
  const joined = portsOf(edit.job, old).filter((p) => p.peer);
  for (const { peer } of joined) edit.removeJoint(peer!.joint.id);
  edit.remove(id);
  edit.add(takingOver(by, old));
  const made = edit.part(by.id);
  const taken = new Set<string>();
  const ends = throughPorts(made);
  const next = (port: string): string | undefined => {
    if (portOf(made, port) && !taken.has(port)) return port;
    return (ends ?? Object.keys(kindOf(made).ports(made))).find((name) => !taken.has(name));
  };
  for (const { port, peer } of joined) {
    const to = next(port);
    if (to === undefined) continue; // what does not fit stays open, and says so
    taken.add(to);
    const { joint } = peer!;
    const joins = edit.connect({ part: peer!.part, port: peer!.port }, { part: made.id, port: to }, joint);
    if (joint.sealant && to === port) edit.putJoint({ ...joins, sealant: joint.sealant });
  }
}

/** A part with an arrow is turned with it; one without changes its ends. */
function turn(edit: GraphEdit<Job>, id: string): void {
  const part = edit.part(id);
  if ('reversed' in propertiesOf(part.kind)) {
    edit.put({ ...part, reversed: (part as { reversed?: boolean }).reversed !== true } as Part);
    return;
  }
  const ends = throughPorts(part) ?? refused(`“${partName(part)}” has no two ends`);
  const other: Record<string, string> = { [ends[0]]: ends[1], [ends[1]]: ends[0] };
  for (const { peer, port } of portsOf(edit.job, part)) {
    if (!peer || !(port in other)) continue;
    const joint = edit.joint(peer.joint.id);
    const turned = (end: { part: string; port: string }) =>
      end.part === id ? { part: id, port: other[end.port]! } : end;
    edit.putJoint({ ...joint, a: turned(joint.a), b: turned(joint.b) });
  }
}

const ROOTS = new Set([
  'name',
  'vehicle',
  'state',
  'bench',
  'bulkhead',
  'materials',
  'brief',
  'survey',
  'layout',
  'hanger',
  'points',
  'gauge',
  'routes',
  'assumptions',
  'wiring',
]);

/** Parts, joints and overrules have acts of their own. */
function outsideRun(path: FieldPath): FieldPath {
  if (!ROOTS.has(String(path[0]))) refused(`“${path.join(' ')}” is not set so`);
  return path;
}

const withArticle = (word: string): string => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;

/** The edit in a few words, for undo and the change table. */
export function describeAct(job: Job, act: Act): string {
  const name = (id: string) => (job.parts[id] ? partName(job.parts[id]) : 'a part that is gone');
  const port = (part: string, at: string) =>
    `the ${(job.parts[part] && portOf(job.parts[part], at)?.name) ?? at} of ${name(part)}`;
  switch (act.act) {
    case 'set':
      return `${act.value === undefined ? 'clear' : 'set'} ${sayField(job, act.path)}`;
    case 'addRow':
      return `put in ${withArticle(rowOfList(act.path))}`;
    case 'removeRow':
      return `take out ${sayField(job, [...act.path, act.id])}`;
    case 'setOnPart': {
      const field = { ...commonProperties, ...(job.parts[act.id] && propertiesOf(job.parts[act.id]!.kind)) } as Record<string, { name: string }>; // prettier-ignore
      return `${act.value === undefined ? 'clear' : 'set'} ${field[act.key]?.name ?? act.key} of ${name(act.id)}`;
    }
    case 'setAll':
    case 'setOnParts':
    case 'setOnJoints':
    case 'routeLine':
    case 'restore':
      return act.title;
    case 'setPort':
      return act.state?.closed
        ? `${act.state.closed === 'capped' ? 'cap' : 'plug'} ${port(act.part, act.port)}`
        : `state ${port(act.part, act.port)}`;
    case 'closePorts':
      return `${act.with === 'capped' ? 'cap' : 'plug'} the open ports of ${name(act.id)}`;
    case 'addPart':
    case 'insertPart':
    case 'attachPart':
      return `put in ${partName(act.part)}`;
    case 'addBeside':
      return `put another beside ${name(act.id)}`;
    case 'tapIn':
      return `put in ${partName(act.part)} on a tee`;
    case 'takeOut':
      return `take out ${name(act.id)}`;
    case 'setAside':
      return `set ${name(act.id)} aside`;
    case 'movePart':
      return `move ${name(act.id)}`;
    case 'takeUp':
      return `take up ${name(act.id)}`;
    case 'swapPart':
      return `swap ${name(act.id)} for ${partName(act.by)}`;
    case 'turnRound':
      return `turn ${name(act.id)} round`;
    case 'connect':
      return `join ${port(act.a.part, act.a.port)} to ${port(act.b.part, act.b.port)}`;
    case 'disconnect': {
      const joint = job.joints[act.joint];
      return joint ? `undo the joint of ${name(joint.a.part)} and ${name(joint.b.part)}` : 'undo a joint';
    }
    case 'moveEnd':
      return `move a joint to ${port(act.to.part, act.to.port)}`;
    case 'chooseLayout':
      return `choose layout: ${layouts[act.key].name}`;
    case 'moveRegulator':
      return `move ${name(act.id)} ${regulatorPlaces[act.to]}`;
    case 'overruleSnag':
      return `overrule ${saySnag(job, act.snag)}`;
    case 'withdrawOverrule':
      return `withdraw the overrule of ${saySnag(job, act.snag)}`;
    default:
      return assertNever(act);
  }
}
