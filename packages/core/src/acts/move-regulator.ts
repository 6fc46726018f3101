import { z } from 'zod';
import { circuitsOf } from '../run/circuits.ts';
import { isBypass, isLine, isPump, isRegulator } from '../parts/kinds.ts';
import type { Job } from '../job/job.ts';
import type { LayoutKey } from '../job/layout.ts';
import { blocksOf, find, partsOf, type Block } from './chain.ts';
import { GraphEdit } from './graph-edit.ts';
import { refused } from './refused.ts';

export const regulatorPlaceSchema = z.enum(['tank', 'beforeRail', 'afterRail']);
export type RegulatorPlace = z.infer<typeof regulatorPlaceSchema>;

/** As in "move the regulator …". */
export const regulatorPlaces: Record<RegulatorPlace, string> = {
  tank: 'to the tank',
  beforeRail: 'before the rail',
  afterRail: 'behind the rail',
};

const layoutOf: Record<RegulatorPlace, LayoutKey> = {
  tank: 'bypassAtTank',
  beforeRail: 'bypassBeforeRail',
  afterRail: 'bypassAfterRail',
};

/** Where a bypass regulator stands; undefined for a regulator that is none, or that feeds a carburettor. */
export function regulatorPlace(job: Job, id: string): RegulatorPlace | undefined {
  const part = job.parts[id];
  if (!part || part.aside || !isBypass(part)) return undefined;
  const circuits = circuitsOf(job);
  const rails = circuits.parts.filter((p) => p.kind === 'rail').map((p) => p.id);
  if (rails.length === 0) return undefined;
  const chain = blocksOf(job, 'supply');
  const at = chain.findIndex((b) => b.parts.includes(id));
  const rail = chain.findIndex((b) => find(job, b, 'rail'));
  if (at < 0 || rail < 0) return undefined;
  if (at >= rail) return 'afterRail';
  return at <= firstLine(job, chain, id) ? 'tank' : 'beforeRail';
}

/**
 * Moves a bypass regulator: behind the pump and the filter that follow it in the tank or beside it, before the last hose to
 * the rail, or behind the rail. By the tank nothing can lead manifold pressure to it. The rest of the run stays.
 */
export function moveRegulator(job: Job, id: string, to: RegulatorPlace): Job {
  const place = regulatorPlace(job, id);
  if (place === undefined) refused('only a bypass regulator of a run with a rail is moved so');
  const edit = new GraphEdit(job);
  const regulator = edit.part(id);
  const back = circuitsOf(job)
    .ports(id)
    .find((p) => p.port === 'return')?.peer;
  const closures = regulator.ports;
  edit.unjoin(id);
  const chain = blocksOf(edit.job, 'supply');
  const rail = chain.findIndex((b) => find(edit.job, b, 'rail'));
  const line = firstLine(edit.job, chain, id);
  const before = {
    tank: line,
    beforeRail: isHose(edit.job, chain[rail - 1]) && rail - 1 > line ? rail - 1 : rail,
    afterRail: rail + 1,
  }[to];
  const entry = chain[before]?.entry;
  const joint =
    entry &&
    circuitsOf(edit.job)
      .ports(entry.part)
      .find((p) => p.port === entry.port)?.peer?.joint;
  edit.put({ ...regulator, ...(closures ? { ports: closures } : {}), ...(to === 'tank' ? { referenced: false } : {}) });
  if (joint) edit.insert(id, joint.id, 'in', 'out');
  else {
    const end = freeEnd(edit.job, chain[rail]!) ?? refused('the rail has no free end for it');
    edit.connect(end, { part: id, port: 'in' });
  }
  if (place === 'afterRail' && to !== 'afterRail') closeEnd(edit, chain[rail]!);
  if (back) edit.connect({ part: id, port: 'return' }, { part: back.part, port: back.port }, back.joint);
  if (to === 'tank') shortenReturn(edit, id);
  return { ...edit.job, layout: { ...job.layout, key: layoutOf[to] } };
}

const isHose = (job: Job, block: Block | undefined) => block !== undefined && partsOf(job, block)[0]?.kind === 'hose';

/** By the tank the long line back has nothing to lead: it is kept aside with its measurements. */
function shortenReturn(edit: GraphEdit<Job>, id: string): void {
  const circuits = circuitsOf(edit.job);
  const zone = circuits.zoneAt(id, 'return');
  const lines = circuits.parts.filter((p) => p.kind === 'hardLine' && circuits.zoneOf(p.id) === zone);
  for (const line of lines) edit.setAside(line.id);
}

/** The end of the rails that nothing is joined to, or that only a cap closes. */
function freeEnd(job: Job, block: Block) {
  const circuits = circuitsOf(job);
  for (const id of [...block.parts].reverse())
    for (const port of [...circuits.ports(id)].reverse())
      if (!port.peer && port.spec.use === 'either' && !port.port.startsWith('side-'))
        return { part: id, port: port.port };
  return undefined;
}

function closeEnd(edit: GraphEdit<Job>, block: Block): void {
  const end = freeEnd(edit.job, block);
  if (!end) return;
  const part = edit.part(end.part);
  const state = part.ports?.[end.port];
  if (!state?.closed) edit.put({ ...part, ports: { ...part.ports, [end.port]: { ...state, closed: 'capped' } } });
}

/** Place of the first line that leads away from the tank: behind the pumps, what is immersed, and a filter right there. */
function firstLine(job: Job, chain: readonly Block[], regulator: string): number {
  let at = chain.findLastIndex((b) => partsOf(job, b).some(isPump)) + 1;
  const isByTank = (block: Block) =>
    partsOf(job, block).every(
      (p) =>
        (p.kind === 'hose' && p.immersed === true) ||
        (!isLine(p) && !isRegulator(p) && p.kind !== 'rail' && p.kind !== 'y' && p.kind !== 'block'),
    );
  while (at < chain.length && !chain[at]!.parts.includes(regulator) && isByTank(chain[at]!)) at++;
  return at;
}
