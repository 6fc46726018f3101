import type { Job } from '../job/job.ts';
import { bestBendOrder, type BendOrder } from './bend-order.ts';
import {
  benderOf,
  bendSteps,
  shortStraights,
  TIGHTEST_BEND,
  type Bender,
  type BendStep,
  type ShortStraight,
} from './bender.ts';
import type { BendTable } from './bend-table.ts';
import { stockPlan, type StockPlan } from './stock.ts';
import { makingFor, passesBend, usualNut, type TubeEndMaking } from './tube-ends.ts';
import { peersOf } from '../parts/graph.ts';
import type { PartOf } from '../parts/kinds.ts';
import { portKey } from '../parts/port.ts';
import { endOf } from '../run/joints.ts';

/** How a tube is cut, bent and ended. SI. */
export interface TubeBench {
  readonly bender: Bender;
  readonly isUsualBender: boolean;
  /** The bender’s radius under what such tube takes by hand. */
  readonly isTight: boolean;
  readonly ends: readonly [TubeEndMaking, TubeEndMaking];
  /** Tube that the two ends use up. */
  readonly uses: readonly [number, number];
  /** Developed, with what the ends use up: what is cut off the stock. */
  readonly cut: number;
  readonly steps: readonly BendStep[];
  readonly short: readonly ShortStraight[];
  readonly order: BendOrder;
  /** A nut would slide round the bends: it may be put on afterwards. */
  readonly nutPasses: boolean;
  readonly stock?: StockPlan;
}

/** @param outside - of the tube, m. */
export function tubeBench(job: Job, line: PartOf<'hardLine'>, table: BendTable, outside: number): TubeBench {
  const route = job.routes?.lines?.[line.id] ?? {};
  const bender = benderOf(route.bender ?? {}, outside);
  const ends = [endMaking(job, line, 'in'), endMaking(job, line, 'out')] as const;
  const uses = [ends[0].uses * outside, ends[1].uses * outside] as const;
  const nut = usualNut.length * outside;
  const straights = [straightAt(ends[0], outside), straightAt(ends[1], outside)] as const;
  return {
    bender,
    isUsualBender: route.bender?.radius === undefined,
    isTight: bender.radius < TIGHTEST_BEND * outside,
    ends,
    uses,
    cut: table.developed + uses[0] + uses[1],
    steps: bendSteps(table, bender, uses[0]),
    short: shortStraights(table, bender, straights),
    order: table.isBendable ? bestBendOrder(table, bender, outside) : { order: [], clashes: [] },
    nutPasses: passesBend(nut, usualNut.room, bender.radius),
    ...(route.stock ? { stock: stockPlan(table, bender.radius, route.stock.si, Math.max(...uses), straights[0]) } : {}),
  };
}

const straightAt = (end: TubeEndMaking, outside: number): number =>
  end.straight * outside + (end.nut ? usualNut.length * outside : 0);

/** Straight that tool, nut and bender need at either end of a line, m. */
export function endStraights(job: Job, line: PartOf<'hardLine'>, outside: number, bender: Bender): [number, number] {
  const need = (port: 'in' | 'out') => straightAt(endMaking(job, line, port), outside);
  return [Math.max(bender.before, need('in')), need('out')];
}

/** What is made on an end: by the fitting that it is looked at to be, else by what it meets. */
function endMaking(job: Job, line: PartOf<'hardLine'>, port: 'in' | 'out'): TubeEndMaking {
  const own = endOf(job, line.id, port);
  if (own.fitting && !own.isUsual) return makingFor(own.fitting);
  const peer = peersOf(job).get(portKey(line.id, port));
  const other = peer && endOf(job, peer.part, peer.port);
  return makingFor(other?.fitting ?? own.fitting);
}
