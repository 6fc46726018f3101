import type { Component } from '../component.ts';
import type { Job } from '../job.ts';
import { layouts, type LayoutKey } from '../layout.ts';
import { freshId } from './fresh-id.ts';
import { recipes, type Seed } from './recipes.ts';

/**
 * Lays the run out in a school. Components already there are taken over, in their order, wherever the school has a
 * place for their kind; lines and fittings that it has no place for stay beside their old neighbours, and what it
 * cannot use at all is set aside with its measurements. Nothing measured is lost, and going back finds it again.
 */
export function layOut(job: Job, key: LayoutKey): Job {
  const recipe = recipes[key];
  const stock = [...job.run.supply, ...job.run.return, ...(job.run.spare ?? [])];
  const used = new Set<string>();
  let made: Job = { ...job, layout: { ...job.layout, key } };
  // a run that is already there gets only what the school cannot do without; an empty line gets the whole skeleton
  const place = (seeds: readonly Seed[], preferred: readonly Component[]): Component[] =>
    seeds.flatMap(({ named, ...seed }): Component[] => {
      const free = (c: Component) => c.kind === seed.kind && !used.has(c.id) && !isReserved(c, key, seed);
      const byName = (c: Component) => free(c) && c.label === seed.label;
      const found = named
        ? stock.find(byName)
        : (preferred.find(byName) ??
          preferred.find(free) ??
          (isUnique(seed.kind) ? stock.find(free) : (job.run.spare ?? []).find(byName)));
      const fresh = { ...seed, id: freshId(made, seed.kind) } as Component;
      if (!found && preferred.length > 0 && !isUnique(seed.kind) && !named) return [];
      const component = found ? adapt(found, seed) : fresh;
      used.add(component.id);
      made = { ...made, run: { ...made.run, supply: [...made.run.supply, component] } }; // so that the next id is free
      return [component];
    });
  const supply = place(recipe.supply, job.run.supply);
  const back = place(recipe.return, job.run.return.length > 0 ? job.run.return : spareReturn(job));
  const laid = {
    supply: keepBesideNeighbours(supply, job.run.supply, used),
    return: recipe.return.length === 0 ? [] : keepBesideNeighbours(back, job.run.return, used),
  };
  const spare = stock.filter((c) => ![...laid.supply, ...laid.return].some((l) => l.id === c.id));
  return {
    ...job,
    layout: made.layout,
    run: {
      ...laid,
      ...(recipe.returnTo ? { returnTo: recipe.returnTo } : {}),
      ...(spare.length > 0 ? { spare } : {}),
    },
  };
}

/** Kinds that a school has exactly where its recipe says, or not at all. */
const isUnique = (kind: Component['kind']) =>
  ['tank', 'pump', 'rail', 'carburettor', 'regulator', 'swirlPot', 'pressureSensor'].includes(kind);

/** Parts that serve one school only, or a return that another school will want again. */
const lift = ['Lift pump', 'Lift hose', 'Pot outlet hose'];
const isReserved = (component: Component, key: LayoutKey, seed: { label?: string }): boolean =>
  (lift.includes(component.label ?? '') && seed.label !== component.label) ||
  (key === 'liftAndPot' && lift.includes(seed.label ?? '') && component.label !== seed.label);

/** A return that was set aside whole: its lines, in their order, when it has a drop. */
const spareReturn = (job: Job): Component[] => {
  const spare = job.run.spare ?? [];
  return spare.some((c) => c.kind === 'returnDrop')
    ? spare.filter(
        (c) =>
          c.kind === 'returnDrop' || ((c.kind === 'hose' || c.kind === 'hardLine') && !lift.includes(c.label ?? '')),
      )
    : [];
};

/** A component taken over keeps what was measured and takes on what the school demands of it. */
function adapt(component: Component, seed: Seed): Component {
  if (component.kind === 'regulator' && seed.kind === 'regulator') {
    const { action, referenced } = seed as Partial<Component & { kind: 'regulator' }>;
    return { ...component, action, ...(referenced === undefined ? {} : { referenced }) };
  }
  if (component.kind === 'pump' && seed.kind === 'pump') {
    const { drive, place } = seed as Partial<Component & { kind: 'pump' }>;
    // where a measured pump sits is the fitter's own; only a pump behind a pot cannot be in the tank
    const moved = place === 'external' && component.place === 'inTank' ? { place } : {};
    return drive === 'pwm' || component.drive ? { ...component, ...moved, drive } : { ...component, ...moved };
  }
  return component;
}

/** Lines, fittings, filters and the like that the school does not name stay where they were; pumps beside a pump too. */
function keepBesideNeighbours(laid: Component[], old: readonly Component[], used: ReadonlySet<string>): Component[] {
  const result = [...laid];
  old.forEach((component, i) => {
    if (used.has(component.id)) return;
    const isBeside = component.kind === 'pump' && component.beside === true;
    if ((isUnique(component.kind) && !isBeside) || lift.includes(component.label ?? '')) return;
    const neighbour = old.slice(0, i).findLast((c) => result.some((r) => r.id === c.id));
    const at = neighbour ? result.findIndex((r) => r.id === neighbour.id) + 1 : 1;
    result.splice(at, 0, component);
  });
  return result;
}

/** Every school in which an engine of this kind can be laid out. */
export const layoutsFor = (engine: 'injection' | 'carburettor'): LayoutKey[] =>
  (Object.keys(layouts) as LayoutKey[]).filter((key) => layouts[key].engine === engine);
