import type { Network, NetworkFault } from './network.ts';

/** What is wrong with a network before anything is computed: a link to a node that is not there, or no pressure to start from. */
export function structuralFault({ nodes, links }: Network): NetworkFault | undefined {
  const known = new Set(nodes.map((n) => n.id));
  for (const { id, from, to } of links) {
    if (!known.has(from)) return { code: 'danglingLink', link: id, node: from };
    if (!known.has(to)) return { code: 'danglingLink', link: id, node: to };
  }
  return nodes.some((n) => n.fixedPressure !== undefined) ? undefined : { code: 'noSource' };
}
