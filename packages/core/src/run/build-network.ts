import {
  EXIT,
  fittingLoss,
  SHARP_ENTRANCE,
  sizeChangeLoss,
  type LossCoefficient,
} from '../hydraulics/loss-coefficient.ts';
import type { Liquid, LinkLaw, Network, NetworkLink, NetworkNode } from '../hydraulics/network.ts';
import { dischargeCoefficient } from '../hydraulics/orifice.ts';
import { pumpCurveAt, type PumpCurve } from '../hydraulics/pump-curve.ts';
import type { Component, ComponentOf } from '../job/component.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../job/value.ts';
import { hoseConstruction } from '../ratings/hose-construction.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { assertNever } from '../result.ts';
import { litresPerHour, mm } from '../units/quick.ts';
import { fillHeights } from './heights.ts';
import type { OperatingPoint } from './operating-point.ts';
import { pumpRows } from './run-fault.ts';

/** Where a component sits in the network: its end nodes and the link that carries its flow. */
export interface Span {
  readonly component: string;
  readonly line: 'supply' | 'return';
  readonly inlet: string;
  readonly outlet: string;
  readonly link?: string;
  /** m along the line, from its start to this component's inlet, and its own length. */
  readonly start: number;
  readonly length: number;
  /** m, absent where the flow meets no one bore. */
  readonly bore?: number;
}

export interface RunNetwork {
  readonly network: Network;
  readonly spans: readonly Span[];
  readonly consumer: { readonly id: string; readonly nodes: readonly string[] };
  readonly pumps: readonly { readonly id: string; readonly curve: PumpCurve; readonly link: string }[];
  /** Where the pump draws: its inlet node. */
  readonly pumpInlet: string;
}

export const SURFACE = 'surface';
const JET = 'siphonJet';
const RETURN_AIR = 'returnAir'; // where a return ends in the vapour space
const PLAIN_FITTING_LOSS = 0.1; // K of a straight union on its own bore, typical, from memory
const QUICK_CONNECTOR_LOSS = 1; // typical, from memory
const BANJO_LOSS = 3; // typical, from memory
const RELIEF_SEAT = { bore: mm(5), k: 6 }; // pump relief valve wide open, typical, from memory
const LEAST_REGULATOR_SLOPE = 1e5; // Pa s/m3, 3 Pa per 100 L/h: keeps the equations regular where both sides are held
const MOST_RAIL_NODES = 8; // more injectors share nodes: the loss along a rail is small

/**
 * The network of a run at one operating point.
 *
 * The caller has made sure that the run has no fault and that nothing that stops the flow is unknown.
 * @param voltages - at pumps whose wiring is reckoned, V by id; the others get the point's.
 * @param hold - fixes the pressure at the consumer instead of its demand, Pa gauge: shows what the system can deliver.
 */
export function buildNetwork(
  job: Job,
  liquid: Liquid,
  point: OperatingPoint,
  hold?: number,
  voltages: ReadonlyMap<string, number> = new Map(),
): RunNetwork {
  return new NetworkBuilder(job, liquid, point, hold, voltages).build();
}

class NetworkBuilder {
  readonly #job: Job;
  readonly #liquid: Liquid;
  readonly #point: OperatingPoint;
  readonly #hold: number | undefined;
  readonly #voltages: ReadonlyMap<string, number>;
  readonly #nodes: { id: string; height?: number; fixedPressure?: number; demand?: number }[] = [];
  readonly #links: NetworkLink[] = [];
  readonly #spans: Span[] = [];
  readonly #pumps: { id: string; curve: PumpCurve; link: string }[] = [];
  #consumer: { id: string; nodes: string[] } = { id: '', nodes: [] };
  #spill: { node: string; component: ComponentOf<'regulator'> } | undefined;
  #pumpInlet = SURFACE;

  constructor(
    job: Job,
    liquid: Liquid,
    point: OperatingPoint,
    hold: number | undefined,
    voltages: ReadonlyMap<string, number>,
  ) {
    this.#job = job;
    this.#liquid = liquid;
    this.#point = point;
    this.#hold = hold;
    this.#voltages = voltages;
  }

  build(): RunNetwork {
    const { supply, return: back } = this.#job.run;
    const depth = this.#job.survey.tank.depth?.si ?? 0;
    const level = depth * assumed(this.#job.assumptions, 'fuelLevel');
    this.#nodes.push({ id: SURFACE, height: level, fixedPressure: 0 });
    this.#layLine('supply', supply, SURFACE);
    if (this.#spill) {
      const start = 'return:0';
      this.#nodes.push({ id: start, height: this.#spill.component.outletHeight?.si });
      this.#addRegulator(this.#spill.component, this.#spill.node, start);
      const air = this.#endsInAir(level);
      const end = air === undefined ? SURFACE : RETURN_AIR;
      this.#layLine('return', back, start, this.#layJet(end));
      if (air !== undefined) this.#nodes.push({ id: RETURN_AIR, height: air, fixedPressure: 0 });
    }
    const heights = fillHeights([...this.#nodes.map((n) => n.height), level]);
    const nodes: NetworkNode[] = this.#nodes.map((n, i) => ({ ...n, height: heights[i]! }));
    return {
      network: { liquid: this.#liquid, nodes, links: this.#links },
      spans: this.#spans,
      consumer: this.#consumer,
      pumps: this.#pumps,
      pumpInlet: this.#pumpInlet,
    };
  }

  /** A siphon jet at the return's end holds back what drives it. @returns where the return then ends. */
  #layJet(end: string): string {
    const { jetDrill, jetEdge } = this.#job.hanger ?? {};
    if (!jetDrill || jetDrill.si === 0) return end;
    this.#nodes.push({ id: JET });
    const loss = { k1: 0, kInfinity: 1 / dischargeCoefficient[jetEdge ?? 'sharp'] ** 2 };
    this.#links.push({
      id: JET,
      from: JET,
      to: end,
      law: { kind: 'line', length: 0, bore: jetDrill.si, roughness: DRAWN_TUBE_ROUGHNESS, loss },
    });
    return JET;
  }

  /** A return that ends above the fuel falls through the vapour space: its end is at tank pressure at its own height. */
  #endsInAir(level: number): number | undefined {
    const end = this.#job.run.return.find((c) => c.kind === 'returnDrop')?.endHeight?.si;
    return end !== undefined && end > level ? end : undefined;
  }

  #layLine(line: 'supply' | 'return', components: readonly Component[], start: string, end?: string): void {
    let at = start;
    let travelled = 0;
    components.forEach((component, i) => {
      const last = i === components.length - 1 && end !== undefined;
      const extra = (last ? EXIT : 0) + this.#entrance(components, i) + sizeChange(components, i);
      const inlet = at;
      const length = lengthOf(component);
      const laid = this.#layComponent(component, inlet, extra, last ? end : undefined);
      at = laid.outlet;
      this.#spans.push({
        component: component.id,
        line,
        inlet,
        outlet: at,
        link: laid.link,
        start: travelled,
        length,
        bore: boreOf(component),
      });
      travelled += length;
    });
  }

  #entrance(components: readonly Component[], i: number): number {
    return i > 0 && components[i - 1]!.kind === 'tank' ? SHARP_ENTRANCE : 0;
  }

  #layComponent(component: Component, inlet: string, extra: number, end?: string): { outlet: string; link?: string } {
    const outlet = end ?? `after:${component.id}`;
    const through = (law: LinkLaw, checkValve = false) => {
      if (!end) this.#nodes.push({ id: outlet, height: component.outletHeight?.si });
      this.#links.push({ id: component.id, from: inlet, to: outlet, law, checkValve });
      return { outlet, link: component.id };
    };
    const lineLaw = (
      length: number,
      bore: number,
      roughness: number,
      loss: LossCoefficient = { k1: 0, kInfinity: 0 },
    ): LinkLaw => ({
      kind: 'line',
      length,
      bore,
      roughness,
      loss: { k1: loss.k1, kInfinity: loss.kInfinity + extra },
    });
    switch (component.kind) {
      case 'tank':
        return { outlet: inlet };
      case 'sock':
      case 'filter': {
        const dirt = component.kind === 'filter' ? settledValue(component, 'dirt') : 1;
        const [flow, drop] = [settledValue(component, 'ratedFlow'), settledValue(component, 'ratedDrop')];
        // Darcy's law through the medium, linear in flow and in viscosity; rated on petrol at 20 °C (common practice)
        const linear = (dirt * drop * this.#liquid.viscosity) / (RATED_VISCOSITY * flow);
        return through({ kind: 'porous', linear, quadratic: 0 });
      }
      case 'pump':
        return this.#layPump(component, inlet, through);
      case 'hose':
        return through(lineLaw(component.length!.si, component.bore!.si, hoseRoughness(component)));
      case 'hardLine': {
        const bore = boreOf(component)!;
        const bend = fittingLoss('elbow90Bend', bore);
        const bends = component.bends ?? 0;
        return through(
          lineLaw(component.length!.si, bore, DRAWN_TUBE_ROUGHNESS, {
            k1: bend.k1 * bends,
            kInfinity: bend.kInfinity * bends,
          }),
        );
      }
      case 'fitting':
        return through(lineLaw(0, component.bore!.si, DRAWN_TUBE_ROUGHNESS, fittingLossOf(component)));
      case 'checkValve':
        return through(
          {
            ...(lineLaw(0, component.bore!.si, DRAWN_TUBE_ROUGHNESS, { k1: 0, kInfinity: 2 }) as LinkLaw & {
              kind: 'line';
            }),
            cracking: settledValue(component, 'cracking'),
          },
          true,
        );
      case 'rail':
        return this.#layRail(component, inlet);
      case 'carburettor': {
        this.#consume(component.id, [inlet]);
        return { outlet: inlet };
      }
      case 'regulator':
        if (component.action === 'bypass') {
          this.#spill ??= { node: inlet, component };
          return { outlet: inlet, link: component.id };
        }
        this.#nodes.push({ id: outlet, height: component.outletHeight?.si });
        this.#addRegulator(component, inlet, outlet);
        return { outlet, link: component.id };
      case 'returnDrop':
        return through(lineLaw(component.length!.si, component.bore!.si, DRAWN_TUBE_ROUGHNESS));
      default:
        return assertNever(component);
    }
  }

  #layPump(
    component: ComponentOf<'pump'>,
    inlet: string,
    through: (law: LinkLaw) => { outlet: string; link?: string },
  ) {
    const curve = pumpCurveAt(pumpRows(component), this.#voltages.get(component.id) ?? this.#point.voltage);
    if (!curve.ok) throw new RangeError(`pump table of ${component.id}: ${curve.fault.code}`);
    if (this.#pumps.length === 0) this.#pumpInlet = inlet;
    const inletNode = this.#nodes.find((n) => n.id === inlet);
    if (inletNode && inletNode.id !== SURFACE && inletNode.height === undefined)
      inletNode.height = component.inletHeight?.si ?? (component.place === 'inTank' ? 0 : undefined);
    const laid = through({ kind: 'pump', rise: curve.value.rise });
    const outletNode = this.#nodes.find((n) => n.id === laid.outlet)!;
    outletNode.height ??= component.inletHeight?.si ?? (component.place === 'inTank' ? 0 : undefined);
    this.#pumps.push({ id: component.id, curve: curve.value, link: component.id });
    if (component.reliefPressure)
      this.#links.push({
        id: `${component.id}:relief`,
        from: laid.outlet,
        to: SURFACE,
        startsShut: true,
        law: { kind: 'bypassRegulator', set: component.reliefPressure.si, slope: 0, ...RELIEF_SEAT },
      });
    return laid;
  }

  #layRail(component: ComponentOf<'rail'>, inlet: string): { outlet: string } {
    const injectors = Math.min(component.injectors ?? this.#job.brief.injectors ?? 4, MOST_RAIL_NODES) || 1;
    const bore = settledValue(component, 'bore');
    const segment = settledValue(component, 'length') / (injectors + 1);
    const height = this.#job.survey.railHeight?.si;
    const nodes: string[] = [];
    let at = inlet;
    for (let i = 0; i <= injectors; i++) {
      const node = i < injectors ? `${component.id}:${i + 1}` : `after:${component.id}`;
      this.#nodes.push({ id: node, height });
      this.#links.push({
        id: `${component.id}:${i}`,
        from: at,
        to: node,
        law: {
          kind: 'line',
          length: segment,
          bore,
          roughness: DRAWN_TUBE_ROUGHNESS,
          loss: { k1: 0, kInfinity: i === 0 ? SHARP_ENTRANCE : 0 },
        },
      });
      if (i < injectors) nodes.push(node);
      at = node;
    }
    this.#consume(component.id, nodes);
    return { outlet: at };
  }

  #consume(id: string, nodes: string[]): void {
    this.#consumer = { id, nodes };
    for (const node of this.#nodes)
      if (nodes.includes(node.id)) {
        node.height = this.#job.survey.railHeight?.si;
        node.demand = this.#point.demand / nodes.length;
      }
    if (this.#hold === undefined) return;
    const held = this.#nodes.find((n) => n.id === nodes[0]);
    if (held) held.fixedPressure = this.#hold;
    for (const node of this.#nodes) if (nodes.includes(node.id)) node.demand = 0;
  }

  #addRegulator(component: ComponentOf<'regulator'>, from: string, to: string): void {
    const manifold = component.referenced ? this.#point.manifold : 0;
    this.#links.push({
      id: component.id,
      from,
      to,
      law: {
        kind: component.action === 'bypass' ? 'bypassRegulator' : 'deadHeadRegulator',
        set: Math.max(0, component.setPressure!.si + manifold),
        slope: Math.max(settledValue(component, 'slope') / litresPerHour(100), LEAST_REGULATOR_SLOPE),
        bore: settledValue(component, 'seatBore'),
        k: settledValue(component, 'seatLoss'),
      },
    });
  }
}

const RATED_VISCOSITY = 0.53e-3; // Pa s, petrol at 20 °C, the usual test liquid; typical, from memory

const hoseRoughness = (component: ComponentOf<'hose'>): number =>
  hoseConstruction(component.construction ?? 'r9').roughness;

function fittingLossOf(component: ComponentOf<'fitting'>): LossCoefficient {
  if (component.lossCoefficient) return { k1: 0, kInfinity: component.lossCoefficient.si };
  switch (component.shape!) {
    case 'straight':
    case 'bulkhead':
      return { k1: 0, kInfinity: PLAIN_FITTING_LOSS };
    case 'quickConnector':
      return { k1: 0, kInfinity: QUICK_CONNECTOR_LOSS };
    case 'banjo':
      return { k1: 0, kInfinity: BANJO_LOSS };
    default:
      return fittingLoss(component.shape as Parameters<typeof fittingLoss>[0], component.bore!.si);
  }
}

/** Bore that the fuel meets in a component, m. */
export function boreOf(component: Component): number | undefined {
  switch (component.kind) {
    case 'hose':
    case 'fitting':
    case 'checkValve':
    case 'returnDrop':
      return component.bore?.si;
    case 'hardLine':
      return component.outsideDiameter && component.wall
        ? component.outsideDiameter.si - 2 * component.wall.si
        : undefined;
    case 'rail':
      return settledValue(component, 'bore');
    default:
      return undefined;
  }
}

/** Length of line in a component, m. */
export function lengthOf(component: Component): number {
  if (component.kind === 'rail') return settledValue(component, 'length');
  return 'length' in component ? (component.length?.si ?? 0) : 0;
}

/** K of the changes of bore at both ends of a component that its own (smaller) bore has to answer for. */
function sizeChange(components: readonly Component[], i: number): number {
  const own = boreOf(components[i]!);
  if (own === undefined || components[i]!.kind === 'rail') return 0;
  const before = i > 0 ? boreOf(components[i - 1]!) : undefined;
  const after = i < components.length - 1 ? boreOf(components[i + 1]!) : undefined;
  return (
    (before !== undefined && before > own ? sizeChangeLoss(before, own) : 0) +
    (after !== undefined && after > own ? sizeChangeLoss(own, after) : 0)
  );
}
