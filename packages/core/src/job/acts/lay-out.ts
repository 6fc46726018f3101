import type { Component } from '../component.ts';
import type { Job } from '../job.ts';
import { layouts, type LayoutKey } from '../layout.ts';
import { freshId } from './fresh-id.ts';

type Recipe = { supply: readonly Seed[]; return: readonly Seed[] };
type Seed = Omit<Component, 'id'> & { kind: Component['kind'] };

const suctionEnd: Seed[] = [{ kind: 'tank' }, { kind: 'sock' }, { kind: 'pump', place: 'inTank' }] as Seed[];
const hose = (label: string): Seed => ({ kind: 'hose', label });

/** The skeleton of each school: kinds and order only, since everything measured is still unknown. */
const recipes: Record<LayoutKey, Recipe> = {
  bypassAfterRail: {
    supply: [
      ...suctionEnd,
      hose('Hanger hose'),
      { kind: 'filter', label: 'Fine filter' },
      { kind: 'hardLine', label: 'Feed line' },
      hose('Engine feed hose'),
      { kind: 'rail' },
      { kind: 'regulator', action: 'bypass', referenced: true },
    ] as Seed[],
    return: [hose('Regulator hose'), { kind: 'hardLine', label: 'Return line' }, { kind: 'returnDrop' }] as Seed[],
  },
  bypassBeforeRail: {
    supply: [
      ...suctionEnd,
      hose('Hanger hose'),
      { kind: 'filter', label: 'Fine filter' },
      { kind: 'hardLine', label: 'Feed line' },
      { kind: 'regulator', action: 'bypass', referenced: true },
      hose('Engine feed hose'),
      { kind: 'rail' },
    ] as Seed[],
    return: [hose('Regulator hose'), { kind: 'hardLine', label: 'Return line' }, { kind: 'returnDrop' }] as Seed[],
  },
  inTankReturnless: {
    supply: [
      ...suctionEnd,
      { kind: 'filter', label: 'Fine filter' },
      { kind: 'regulator', action: 'bypass', referenced: false },
      hose('Hanger hose'),
      { kind: 'hardLine', label: 'Feed line' },
      hose('Engine feed hose'),
      { kind: 'rail' },
    ] as Seed[],
    return: [{ kind: 'returnDrop' }] as Seed[],
  },
  carburettorBypass: {
    supply: [
      ...suctionEnd,
      hose('Hanger hose'),
      { kind: 'filter', label: 'Fine filter' },
      { kind: 'hardLine', label: 'Feed line' },
      { kind: 'regulator', action: 'bypass', referenced: false },
      hose('Carburettor hose'),
      { kind: 'carburettor' },
    ] as Seed[],
    return: [hose('Regulator hose'), { kind: 'hardLine', label: 'Return line' }, { kind: 'returnDrop' }] as Seed[],
  },
  bypassAtTank: {
    supply: [
      ...suctionEnd,
      hose('Hanger hose'),
      { kind: 'filter', label: 'Fine filter' },
      { kind: 'regulator', action: 'bypass', referenced: false },
      { kind: 'hardLine', label: 'Feed line' },
      hose('Engine feed hose'),
      { kind: 'rail' },
    ] as Seed[],
    return: [hose('Return hose'), { kind: 'returnDrop' }] as Seed[],
  },
  carburettorDeadHead: {
    supply: [
      ...suctionEnd,
      hose('Hanger hose'),
      { kind: 'filter', label: 'Fine filter' },
      { kind: 'hardLine', label: 'Feed line' },
      { kind: 'regulator', action: 'deadHead' },
      hose('Carburettor hose'),
      { kind: 'carburettor' },
    ] as Seed[],
    return: [],
  },
};

/**
 * Lays the run out in a school. Components already there are taken over, in their order, wherever the school has a
 * place for their kind; what it has no place for stays beside its old neighbour, so nothing measured is lost. Only a
 * return that the school does not have is taken off.
 */
export function layOut(job: Job, key: LayoutKey): Job {
  const stock = [...job.run.supply, ...job.run.return];
  const used = new Set<string>();
  let made: Job = { ...job, layout: { ...job.layout, key } };
  // a run that is already there gets only what the school cannot do without; an empty line gets the whole skeleton
  const place = (seeds: readonly Seed[], preferred: readonly Component[]): Component[] =>
    seeds.flatMap((seed): Component[] => {
      const free = (c: Component) => c.kind === seed.kind && !used.has(c.id);
      const found =
        preferred.find((c) => free(c) && c.label === seed.label) ??
        preferred.find(free) ??
        (isUnique(seed.kind) ? stock.find(free) : undefined);
      const fresh = { ...seed, id: freshId(made, seed.kind) } as Component;
      if (!found && preferred.length > 0 && !isUnique(seed.kind)) return [];
      const component = found ? adapt(found, seed) : fresh;
      used.add(component.id);
      made = { ...made, run: { ...made.run, supply: [...made.run.supply, component] } }; // so that the next id is free
      return [component];
    });
  const recipe = recipes[key];
  const supply = place(recipe.supply, job.run.supply);
  const back = place(recipe.return, job.run.return);
  return {
    ...job,
    layout: made.layout,
    run: {
      supply: keepBesideNeighbours(supply, job.run.supply, used, key),
      return: recipe.return.length === 0 ? [] : keepBesideNeighbours(back, job.run.return, used, key),
    },
  };
}

const isUnique = (kind: Component['kind']) => ['tank', 'pump', 'rail', 'carburettor', 'regulator'].includes(kind);

/** A component taken over keeps what was measured and takes on what the school demands of it. */
function adapt(component: Component, seed: Seed): Component {
  if (component.kind === 'regulator' && seed.kind === 'regulator') {
    const { action, referenced } = seed as Partial<Component & { kind: 'regulator' }>;
    return { ...component, action, ...(referenced === undefined ? {} : { referenced }) };
  }
  return component;
}

function keepBesideNeighbours(
  laid: Component[],
  old: readonly Component[],
  used: ReadonlySet<string>,
  key: LayoutKey,
): Component[] {
  const result = [...laid];
  old.forEach((component, i) => {
    if (used.has(component.id)) return;
    const consumer = layouts[key].engine === 'carburettor' ? 'rail' : 'carburettor';
    if (component.kind === consumer || component.kind === 'tank' || component.kind === 'regulator') return;
    const neighbour = old.slice(0, i).findLast((c) => result.some((r) => r.id === c.id));
    const at = neighbour ? result.findIndex((r) => r.id === neighbour.id) + 1 : 1;
    result.splice(at, 0, component);
  });
  return result;
}
