import { SHARP_ENTRANCE } from '../hydraulics/loss-coefficient.ts';
import type { NetworkLink } from '../hydraulics/network.ts';
import type { ComponentOf } from '../job/component.ts';
import { settledValue } from '../job/value.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { lineLaw, splitterLoss } from './component-loss.ts';

const MOST_RAIL_NODES = 8; // more injectors share nodes: the loss along a rail is small
const JOIN_LOSS = 1; // K of leaving a branch into the line, typical, from memory

/** A rail set as nodes and links: all at the height of the injectors. */
export interface LaidRail {
  readonly nodes: readonly string[];
  readonly links: readonly NetworkLink[];
  readonly injectorNodes: readonly string[];
  readonly outlet: string;
}

/**
 * One rail, or two fed in series, in parallel or by a crossover tube. The link into it is `<id>:0`.
 *
 * @param injectors - of the engine.
 */
export function layRail(component: ComponentOf<'rail'>, inlet: string, injectors: number): LaidRail {
  const { id } = component;
  const nodes: string[] = [];
  const links: NetworkLink[] = [];
  const injectorNodes: string[] = [];
  const feed = component.feed ?? 'single';
  const bore = settledValue(component, 'bore');
  const length = settledValue(component, 'length');
  const branch = { length: settledValue(component, 'branchLength'), bore: settledValue(component, 'branchBore') };
  const lay = (link: string, from: string, to: string, of: { length: number; bore: number }, k = 0): string => {
    if (!nodes.includes(to)) nodes.push(to);
    const law = lineLaw(of.length, of.bore, DRAWN_TUBE_ROUGHNESS, { k1: 0, kInfinity: k });
    links.push({ id: link, from, to, law });
    return to;
  };
  /** One rail from its inlet on; returns the node behind its last injector, at the far end. */
  const one = (name: string, from: string, count: number, entry?: string, end?: string): string => {
    const each = Math.min(count, MOST_RAIL_NODES) || 1;
    const segment = { length: length / (each + 1), bore };
    let at = from;
    for (let i = 0; i <= each; i++) {
      const last = i === each;
      const node = last ? (end ?? `${name}:end`) : `${name}:${i + 1}`;
      lay(i === 0 && entry ? entry : `${name}:${i}`, at, node, segment, i === 0 ? SHARP_ENTRANCE : 0);
      if (!last) injectorNodes.push(node);
      at = node;
    }
    return at;
  };
  const outlet = `after:${id}`;
  if (feed === 'single') one(id, inlet, injectors, `${id}:0`, outlet);
  else {
    const [first, second] = [Math.ceil(injectors / 2), Math.floor(injectors / 2)];
    const [a, b] = [`${id}:a`, `${id}:b`];
    if (feed === 'series') {
      const middle = lay(`${id}:link`, one(a, inlet, first, `${id}:0`), `${id}:middle`, branch, JOIN_LOSS);
      one(b, middle, second, undefined, outlet);
    } else if (feed === 'parallel') {
      const k = splitterLoss[component.splitter ?? 'y'];
      const split = lay(`${id}:0`, inlet, `${id}:split`, { length: 0, bore: branch.bore });
      for (const [name, count] of [
        [a, first],
        [b, second],
      ] as const) {
        const end = one(name, lay(`${name}:in`, split, `${name}:0`, branch, k), count);
        lay(`${name}:out`, end, outlet, branch, JOIN_LOSS);
      }
    } else {
      // the second rail hangs on the tube and is not flushed
      const split = lay(`${id}:0`, inlet, `${id}:split`, { length: 0, bore });
      one(a, split, first, undefined, outlet);
      one(b, lay(`${id}:crossover`, split, `${id}:across`, branch, splitterLoss.tee), second);
    }
  }
  return { nodes, links, injectorNodes, outlet };
}
