import { takesReference } from '../job/brief.ts';
import { isFlexible, isRegulator, kindOf, type Part, type PartKind, portOf } from '../parts/kinds.ts';
import type { Joint } from '../parts/joint.ts';
import type { PortRef } from '../parts/port.ts';
import type { Role } from '../parts/roles.ts';
import { freePort, partsAside, peerOf, partsOnRun } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import { layouts, type LayoutKey } from '../job/layout.ts';
import { blocksOf, find, partsOf, type Block } from './chain.ts';
import { freshId } from './fresh-id.ts';
import { onRun, GraphEdit, throughPorts } from './graph-edit.ts';
import { recipes, type Seed } from './recipes.ts';

/** Kinds that a school has exactly where its recipe says, or not at all. */
const unique = new Set<PartKind>([
  'tank',
  'pump',
  'enginePump',
  'rail',
  'carburettor',
  'regulator',
  'filterRegulator',
  'swirlPot',
]);

/** Places that serve one school only. */
const potRoles = new Set<Role>(['liftPump', 'liftHose', 'potHose', 'overflowHose']);

/**
 * Lays the run out in a school. What is already there is taken over, in its order, wherever the school has a place for its kind:
 * single parts, and all between a split and its join as one. Lines and fittings that it has no place for stay beside their old
 * neighbours, and what it cannot use at all is set aside with its measurements. Nothing measured is lost, and going back finds
 * it again.
 */
export function layOut(job: Job, key: LayoutKey): Job {
  const recipe = recipes[key];
  const old = { supply: blocksOf(job, 'supply'), return: blocksOf(job, 'return'), overflow: blocksOf(job, 'overflow') };
  const aside: Block[] = partsAside(job).map((p) => ({ parts: [p.id] }));
  const stock = [...old.supply, ...old.return, ...old.overflow, ...aside];
  const wantedRoles = new Set([...recipe.supply, ...recipe.return].flatMap((s) => (s.role ? [s.role] : [])));
  const used = new Set<Block>();
  let made: Job = job;
  const roleOf = (block: Block, kind: PartKind) => find(job, block, kind)?.role;
  const isFree = (block: Block, seed: Seed) => {
    if (used.has(block) || !find(job, block, seed.kind)) return false;
    const role = roleOf(block, seed.kind);
    if (role === seed.role) return true;
    // another place of this school, or one that only a pot has, keeps its own part
    return !(role && (wantedRoles.has(role) || potRoles.has(role))) && !(seed.role && potRoles.has(seed.role));
  };
  const hasRole = (seed: Seed) => (block: Block) =>
    isFree(block, seed) && seed.role !== undefined && roleOf(block, seed.kind) === seed.role;
  /** A run that is already there gets only what the school cannot do without; an empty line gets the whole skeleton. */
  const place = (seeds: readonly Seed[], preferred: readonly Block[]): Block[] =>
    seeds.flatMap((seed): Block[] => {
      const free = (block: Block) => isFree(block, seed);
      const found = seed.own
        ? stock.find(hasRole(seed))
        : (preferred.find(hasRole(seed)) ??
          preferred.find(free) ??
          (unique.has(seed.kind) ? stock.find(free) : aside.find(seed.role ? hasRole(seed) : free)));
      if (!found && preferred.length > 0 && !unique.has(seed.kind) && !seed.own) return [];
      if (found) {
        used.add(found);
        made = adapt(made, found, seed);
        return [found];
      }
      const part = partOf(made, seed);
      made = { ...made, parts: { ...made.parts, [part.id]: part } };
      return [{ parts: [part.id] }];
    });
  const supply = place(recipe.supply, old.supply);
  const returns = old.return.length > 0 ? old.return : aside.filter((b) => isReturnPart(made.parts[b.parts[0]!]!));
  const back = place(recipe.return, returns);
  const over = place(recipe.overflow ?? [], old.overflow);
  const laid = {
    supply: keepBesideNeighbours(job, supply, old.supply, used),
    return: recipe.return.length === 0 ? [] : keepBesideNeighbours(job, back, old.return, used),
    overflow: over,
  };
  return connectAll({ ...made, layout: { ...job.layout, key } }, job, laid, recipe.returnTo, recipe.sensor === true);
}

const isReturnPart = (part: Part) =>
  part.kind === 'returnDrop' ||
  part.role === 'returnLine' ||
  part.role === 'returnHose' ||
  part.role === 'regulatorHose';

function partOf(job: Job, { kind, own: _own, role, ...demands }: Seed): Part {
  const referenced =
    demands.referenced === undefined ? {} : { referenced: demands.referenced && takesReference(job.brief) };
  return { kind, id: freshId(job, kind), ...(role ? { role } : {}), ...demands, ...referenced } as unknown as Part;
}

/** A part taken over keeps what was measured and takes on what the school demands of it. */
function adapt(job: Job, block: Block, { kind, role, action, drive, place, ...seed }: Seed): Job {
  const referenced = seed.referenced && takesReference(job.brief);
  const part = find(job, block, kind)!;
  let changed: Part = part;
  if (role && !part.role) changed = { ...changed, role };
  if (isRegulator(changed)) changed = { ...changed, action, ...(referenced === undefined ? {} : { referenced }) };
  if (changed.kind === 'pump') {
    // where a measured pump sits is the fitter's own; only a pump behind a pot cannot be in the tank
    if (place === 'external' && changed.place === 'inTank') changed = { ...changed, place };
    if (drive === 'pwm' || changed.drive) changed = { ...changed, drive };
  }
  return changed === part ? job : { ...job, parts: { ...job.parts, [part.id]: changed } };
}

/** Lines, fittings, filters and the like that the school does not name stay where they were. */
function keepBesideNeighbours(
  job: Job,
  laid: readonly Block[],
  old: readonly Block[],
  used: ReadonlySet<Block>,
): Block[] {
  const result = [...laid];
  old.forEach((block, i) => {
    if (used.has(block)) return;
    const parts = partsOf(job, block);
    if (parts.some((p) => unique.has(p.kind) || (p.role && potRoles.has(p.role)))) return;
    const neighbour = old.slice(0, i).findLast((b) => result.includes(b));
    result.splice(neighbour ? result.indexOf(neighbour) + 1 : 1, 0, block);
  });
  return result;
}

interface Laid {
  readonly supply: readonly Block[];
  readonly return: readonly Block[];
  readonly overflow: readonly Block[];
}

/** Joins the blocks up in their new order; a joint between the same two ports is the same joint. */
function connectAll(job: Job, before: Job, laid: Laid, returnTo: 'tank' | 'pot', wantsSensor: boolean): Job {
  const on = new Set([...laid.supply, ...laid.return, ...laid.overflow].flatMap((b) => b.parts));
  const inBlock = new Map(
    [...laid.supply, ...laid.return, ...laid.overflow].flatMap((b) => b.parts.map((id) => [id, b])),
  );
  const parts = Object.fromEntries(
    Object.entries(job.parts).map(([id, part]): [string, Part] => {
      if (on.has(id)) return [id, part.aside ? onRun(part) : part];
      // instruments and the like that are joined to nothing of the run stay as they are
      return [id, part.aside || isJoined(before, id) ? { ...part, aside: true as const } : part];
    }),
  );
  // what lies within a block stays joined
  const joints = Object.fromEntries(
    Object.entries(job.joints).filter(([, { a, b }]) =>
      parts[a.part]?.aside && parts[b.part]?.aside
        ? true
        : inBlock.get(a.part) !== undefined && inBlock.get(a.part) === inBlock.get(b.part),
    ),
  );
  const edit = new GraphEdit<Job>({ ...job, parts, joints });
  const join = (from: PortRef | undefined, to: PortRef | undefined) => {
    if (!from || !to) return;
    const [was, wasTo] = [peerOf(before, from.part, from.port), peerOf(before, to.part, to.port)];
    if (was && was.part === to.part && was.port === to.port) {
      edit.unclose(from);
      edit.unclose(to);
      edit.putJoint(was.joint);
      return;
    }
    const held = (port: PortRef, peer?: { joint: Joint }) => isFlexible(edit.part(port.part)) && peer?.joint.clamp;
    const clamp = held(from, was) || held(to, wasTo) || undefined;
    edit.connect(from, to, { height: was?.joint.height, clamp });
  };
  const chain = laid.supply;
  chain.forEach((block, i) => {
    const next = chain[i + 1];
    if (next) join(exitOf(edit.job, block), entryOf(edit.job, next));
  });
  const regulator = chain.flatMap((b) => partsOf(edit.job, b)).find((p) => isRegulator(p) && p.action === 'bypass');
  const tank = partsOnRun(edit.job).find((p) => p.kind === 'tank');
  const pot = chain.flatMap((b) => partsOf(edit.job, b)).find((p) => kindOf(p).isPot);
  if (regulator && laid.return.length > 0) {
    let at: PortRef | undefined = { part: regulator.id, port: 'return' };
    for (const block of laid.return) {
      join(at, entryOf(edit.job, block));
      at = exitOf(edit.job, block);
    }
    const end =
      returnTo === 'pot' && pot
        ? { part: pot.id, port: 'return' }
        : tank && { part: tank.id, port: lastPort(before, at, tank.id) ?? freePort(edit.job, tank, 'return') };
    join(at, end);
  }
  if (pot && laid.overflow.length > 0 && tank) {
    let at: PortRef | undefined = { part: pot.id, port: 'overflow' };
    for (const block of laid.overflow) {
      join(at, entryOf(edit.job, block));
      at = exitOf(edit.job, block);
    }
    join(at, { part: tank.id, port: lastPort(before, at, tank.id) ?? freePort(edit.job, tank, 'overflow') });
  }
  const last = chain.at(-1);
  const end = last && exitOf(edit.job, last);
  if (end && portOf(edit.part(end.part), end.port)?.use === 'either' && !isRegulator(edit.part(end.part))) {
    const part = edit.part(end.part);
    const state = part.ports?.[end.port];
    edit.put({ ...part, ports: { ...part.ports, [end.port]: { ...state, closed: state?.closed ?? 'capped' } } });
  }
  if (wantsSensor) addSensor(edit);
  return edit.job;
}

const isJoined = (job: Job, id: string) => Object.values(job.joints).some(({ a, b }) => a.part === id || b.part === id);

/** The port of a vessel that something ended in before. */
function lastPort(before: Job, end: PortRef | undefined, vessel: string): string | undefined {
  const peer = end && peerOf(before, end.part, end.port);
  return peer?.part === vessel ? peer.port : undefined;
}

function entryOf(job: Job, block: Block): PortRef | undefined {
  const [first] = block.parts;
  if (block.entry && !peerOf(job, block.entry.part, block.entry.port)) return block.entry;
  const ends = throughPorts(job.parts[first!]!);
  return { part: first!, port: ends?.[0] ?? Object.keys(kindOf(job.parts[first!]!).ports(job.parts[first!]!))[0]! };
}

/** Where a block lets fuel on: as it did, else by the last free end that it has. */
function exitOf(job: Job, block: Block): PortRef | undefined {
  if (block.exit && !peerOf(job, block.exit.part, block.exit.port)) return block.exit;
  for (const id of [...block.parts].reverse()) {
    const part = job.parts[id]!;
    if (part.kind === 'tank') return { part: id, port: freePort(job, part, 'pickup') };
    const ends = throughPorts(part);
    const isFree = (port: string) => !peerOf(job, id, port) && !(block.entry?.part === id && block.entry.port === port);
    if (ends && isFree(ends[1])) return { part: id, port: ends[1] };
    const other = Object.entries(kindOf(part).ports(part)).find(
      ([port, spec]) => spec.use === 'either' && isFree(port),
    );
    if (other && block.parts.length > 1) return { part: id, port: other[0] };
  }
  return undefined;
}

/** A pressure sensor on the first rail, taken up again if one was set aside. */
function addSensor(edit: GraphEdit<Job>): void {
  const all = Object.values(edit.job.parts);
  const rail = all.find((p) => p.kind === 'rail' && !p.aside);
  const there = all.find((p) => p.kind === 'pressureSensor');
  if (!rail || (there && !there.aside && isJoined(edit.job, there.id))) return;
  const sensor: Part = there ?? { kind: 'pressureSensor', id: freshId(edit.job, 'pressureSensor') };
  edit.put(onRun(sensor));
  edit.connect({ part: rail.id, port: freePort(edit.job, rail, 'side') }, { part: sensor.id, port: 'port' });
}

/** Every school in which an engine of this kind can be laid out. */
export const layoutsFor = (engine: 'injection' | 'carburettor'): LayoutKey[] =>
  (Object.keys(layouts) as LayoutKey[]).filter((key) => layouts[key].engine === engine);
