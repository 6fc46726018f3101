import type { Liquid, Network, NetworkLink } from '../hydraulics/network.ts';
import type { Moment } from '../parts/lower.ts';
import type { CompiledRun } from './compiled-run.ts';

/** The compiled run as a plain network at one moment, for other engines and formats. */
export function networkOfRun(
  run: CompiledRun,
  moment: Moment,
  liquid: Liquid,
  demand: (node: number) => number | undefined,
): Network {
  const heights = run.heightsAt(moment);
  const fixed = new Set(run.open.map((o) => o.node));
  return {
    liquid,
    nodes: run.nodes.map((id, i) => ({
      id,
      height: heights[i]!,
      ...(fixed.has(i) ? { fixedPressure: moment.point.tankPressure } : {}),
      ...(demand(i) === undefined ? {} : { demand: demand(i) }),
    })),
    links: run.links.map((l): NetworkLink => ({
      id: l.id,
      from: run.nodes[l.from]!,
      to: run.nodes[l.to]!,
      law: typeof l.law === 'function' ? l.law(moment) : l.law,
      checkValve: l.checkValve,
      startsShut: l.startsShut,
    })),
  };
}
