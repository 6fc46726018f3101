import { EXIT, SHARP_ENTRANCE } from '../hydraulics/loss-coefficient.ts';
import type { Liquid, LinkLaw, Network, NetworkLink, NetworkNode } from '../hydraulics/network.ts';
import { dischargeCoefficient } from '../hydraulics/orifice.ts';
import { pumpCurveAt, type PumpCurve } from '../hydraulics/pump-curve.ts';
import type { Component, ComponentOf } from '../job/component.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../job/value.ts';
import { pumpRows } from '../pumps/pump-rows.ts';
import { pumpRuns } from '../pumps/staging.ts';
import { hoseConstruction } from '../ratings/hose-construction.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { assertNever } from '../result.ts';
import { litresPerHour } from '../units/quick.ts';
import {
  boreOf,
  lengthOf,
  lineLaw,
  lineLawOf,
  mediumLaw,
  RELIEF_SEAT,
  sizeChangeOf,
  STOPPED_PUMP,
} from './component-loss.ts';
import { fillHeights } from './heights.ts';
import { layRail } from './lay-rail.ts';
import type { OperatingPoint } from './operating-point.ts';

/** Where a component sits in the network: its end nodes and the link that carries its flow. */
export interface Span {
  readonly component: string;
  readonly line: 'supply' | 'return';
  readonly inlet: string;
  readonly outlet: string;
  /** Of a bypass regulator what it spills, of a swirl pot what runs over. */
  readonly link?: string;
  /** m along the line, from its start to this component's inlet, and its own length. */
  readonly start: number;
  readonly length: number;
  /** m, absent where the flow meets no one bore. */
  readonly bore?: number;
}

/** A pump that runs at this point. */
export interface BuiltPump {
  readonly id: string;
  readonly curve: PumpCurve;
  readonly link: string;
  readonly inlet: string;
  /** Pumps side by side share a group; the last group feeds the engine, one before it lifts. */
  readonly group: number;
}

export interface RunNetwork {
  readonly network: Network;
  readonly spans: readonly Span[];
  readonly consumer: { readonly id: string; readonly nodes: readonly string[] };
  readonly pumps: readonly BuiltPump[];
  /** Pumps that stand and let fuel back. */
  readonly leaks: readonly { readonly link: string; readonly group: number }[];
  /** The link through which the bypass regulator spills. */
  readonly spill?: string;
  /** The node whose pressure a pump controller reads. */
  readonly sensor?: string;
}

export interface BuildOptions {
  /** Fixes the pressure at the consumer instead of its demand, Pa gauge: shows what the system can deliver. */
  readonly hold?: number;
  /** What reaches each pump whose wiring or controller is reckoned, V by id; the others get the point's voltage. */
  readonly voltages?: ReadonlyMap<string, number>;
}

export const SURFACE = 'surface';
const JET = 'siphonJet';
const RETURN_AIR = 'returnAir'; // where a return ends in the vapour space
const LEAST_REGULATOR_SLOPE = 1e5; // Pa s/m3, 3 Pa per 100 L/h: keeps the equations regular where both sides are held

/**
 * The network of a run at one operating point.
 *
 * The caller has made sure that the run has no fault and that nothing that stops the flow is unknown.
 */
export function buildNetwork(job: Job, liquid: Liquid, point: OperatingPoint, options: BuildOptions = {}): RunNetwork {
  return new NetworkBuilder(job, liquid, point, options).build();
}

interface Laid {
  outlet: string;
  link?: string;
}

/** Pumps side by side. Only there can one press fuel back through another: alone a pump's check valve changes nothing. */
interface PumpGroup {
  readonly inlet: string;
  readonly outlet: string;
  readonly shared: boolean;
  readonly number: number;
}

class NetworkBuilder {
  readonly #job: Job;
  readonly #liquid: Liquid;
  readonly #point: OperatingPoint;
  readonly #options: BuildOptions;
  readonly #nodes: { id: string; height?: number; fixedPressure?: number; demand?: number }[] = [];
  readonly #links: NetworkLink[] = [];
  readonly #spans: Span[] = [];
  readonly #pumps: BuiltPump[] = [];
  readonly #leaks: { link: string; group: number }[] = [];
  #pumpGroup: PumpGroup = { inlet: '', outlet: '', shared: false, number: -1 };
  #consumer: { id: string; nodes: readonly string[] } = { id: '', nodes: [] };
  #spill: { node: string; component: ComponentOf<'regulator'> } | undefined;
  #pot: string | undefined;
  #sensor: { node: string; onRail: boolean } | undefined;

  constructor(job: Job, liquid: Liquid, point: OperatingPoint, options: BuildOptions) {
    this.#job = job;
    this.#liquid = liquid;
    this.#point = point;
    this.#options = options;
  }

  build(): RunNetwork {
    const { supply, return: back, returnTo } = this.#job.run;
    const level = this.#tankTop() * this.#point.level;
    this.#nodes.push({ id: SURFACE, height: level, fixedPressure: 0 });
    this.#layLine('supply', supply, SURFACE);
    if (this.#spill) {
      const start = 'return:0';
      this.#nodes.push({ id: start, height: this.#spill.component.outletHeight?.si });
      this.#addRegulator(this.#spill.component, this.#spill.node, start);
      const toPot = returnTo === 'pot' ? this.#pot : undefined;
      const air = toPot ? undefined : this.#endsInAir(level);
      const end = toPot ?? this.#layJet(air === undefined ? SURFACE : RETURN_AIR);
      this.#layLine('return', back, start, end);
      if (air !== undefined) this.#nodes.push({ id: RETURN_AIR, height: air, fixedPressure: 0 });
    }
    const heights = fillHeights([...this.#nodes.map((n) => n.height), level]);
    const nodes: NetworkNode[] = this.#nodes.map((n, i) => ({ ...n, height: heights[i]! }));
    return {
      network: { liquid: this.#liquid, nodes, links: this.#links },
      spans: this.#spans,
      consumer: this.#consumer,
      pumps: this.#pumps,
      leaks: this.#leaks,
      spill: this.#spill?.component.id,
      sensor: this.#sensor?.onRail ? this.#consumer.nodes[0] : this.#sensor?.node,
    };
  }

  #tankTop(): number {
    return this.#job.survey.tank.depth?.si ?? 0;
  }

  /** A siphon jet at the return's end holds back what drives it. @returns where the return then ends. */
  #layJet(end: string): string {
    const { jetDrill, jetEdge } = this.#job.hanger ?? {};
    if (!jetDrill || jetDrill.si === 0) return end;
    this.#nodes.push({ id: JET });
    const loss = { k1: 0, kInfinity: 1 / dischargeCoefficient[jetEdge ?? 'sharp'] ** 2 };
    this.#links.push({ id: JET, from: JET, to: end, law: lineLaw(0, jetDrill.si, DRAWN_TUBE_ROUGHNESS, loss) });
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
      const extra = (last ? EXIT : 0) + entranceOf(components, i) + sizeChangeOf(components, i);
      const beside = component.kind === 'pump' && component.beside && components[i - 1]?.kind === 'pump';
      const inlet = beside ? this.#pumpGroup.inlet : at;
      const length = lengthOf(component);
      const laid = this.#layComponent(component, inlet, extra, last ? end : undefined, beside);
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

  #layComponent(component: Component, inlet: string, extra: number, end?: string, beside = false): Laid {
    const through = (law: LinkLaw, checkValve = false): Laid => {
      const outlet = end ?? `after:${component.id}`;
      if (!end) this.#nodes.push({ id: outlet, height: component.outletHeight?.si });
      this.#links.push({ id: component.id, from: inlet, to: outlet, law, checkValve });
      return { outlet, link: component.id };
    };
    switch (component.kind) {
      case 'tank':
        return { outlet: inlet };
      case 'pressureSensor':
        this.#sensor ??= { node: inlet, onRail: component.onRail === true };
        return { outlet: inlet };
      case 'sock':
        return through(this.#medium(settledValue(component, 'ratedFlow'), settledValue(component, 'ratedDrop'), 1));
      case 'filter':
        return through(
          this.#medium(
            settledValue(component, 'ratedFlow'),
            settledValue(component, 'ratedDrop'),
            Math.max(settledValue(component, 'dirt'), this.#point.dirt),
          ),
        );
      case 'pump':
        return beside ? this.#layPump(component, this.#pumpGroup) : this.#layFirstPump(component, inlet);
      case 'hose':
      case 'hardLine':
      case 'fitting':
      case 'returnDrop':
        return through(lineLawOf(component, extra)!);
      case 'checkValve':
        return through(lineLawOf(component, extra)!, true);
      case 'swirlPot':
        return this.#layPot(component, inlet);
      case 'rail': {
        const laid = layRail(component, inlet, component.injectors ?? this.#job.brief.injectors ?? 4);
        this.#nodes.push(...laid.nodes.map((id) => ({ id, height: this.#job.survey.railHeight?.si })));
        this.#links.push(...laid.links);
        this.#consume(component.id, laid.injectorNodes);
        return { outlet: laid.outlet };
      }
      case 'carburettor':
        this.#consume(component.id, [inlet]);
        return { outlet: inlet };
      case 'regulator':
        return this.#layRegulator(component, inlet);
      default:
        return assertNever(component);
    }
  }

  #medium(flow: number, drop: number, dirt: number): LinkLaw {
    return mediumLaw(this.#liquid, flow, drop, dirt);
  }

  /** A pump opens a group: those beside it use its inlet and outlet. */
  #layFirstPump(component: ComponentOf<'pump'>, inlet: string): Laid {
    const outlet = `after:${component.id}`;
    const height = component.inletHeight?.si ?? (component.place === 'inTank' ? 0 : undefined);
    const inletNode = this.#nodes.find((n) => n.id === inlet);
    if (inletNode && inletNode.id !== SURFACE && inletNode.id !== this.#pot) inletNode.height ??= height;
    this.#nodes.push({ id: outlet, height: component.outletHeight?.si ?? height });
    const { supply } = this.#job.run;
    const next = supply[supply.indexOf(component) + 1];
    const shared = next?.kind === 'pump' && next.beside === true;
    this.#pumpGroup = { inlet, outlet, shared, number: this.#pumpGroup.number + 1 };
    return this.#layPump(component, this.#pumpGroup);
  }

  #layPump(component: ComponentOf<'pump'>, group: PumpGroup): Laid {
    const { id, checkValve } = component;
    const { inlet, outlet } = group;
    if (!pumpRuns(component, this.#point)) {
      if (checkValve) return { outlet };
      this.#links.push({ id, from: inlet, to: outlet, law: { kind: 'porous', linear: STOPPED_PUMP, quadratic: 0 } });
      this.#leaks.push({ link: id, group: group.number });
      return { outlet, link: id };
    }
    const curve = pumpCurveAt(pumpRows(component), this.#options.voltages?.get(id) ?? this.#point.voltage);
    if (!curve.ok) throw new RangeError(`pump table of ${id}: ${curve.fault.code}`);
    this.#links.push({
      id,
      from: inlet,
      to: outlet,
      law: { kind: 'pump', rise: curve.value.rise },
      checkValve: checkValve && group.shared,
    });
    this.#pumps.push({ id, curve: curve.value, link: id, inlet, group: group.number });
    if (component.reliefPressure)
      this.#links.push({
        id: `${id}:relief`,
        from: outlet,
        to: component.place === 'external' ? inlet : SURFACE,
        startsShut: true,
        law: { kind: 'bypassRegulator', set: component.reliefPressure.si, slope: 0, ...RELIEF_SEAT },
      });
    return { outlet, link: id };
  }

  /**
   * A pot stands full and open to the tank through its overflow. Where the lift pump brings less than is drawn the
   * overflow's flow comes out negative: air follows, the pot runs down.
   */
  #layPot(component: ComponentOf<'swirlPot'>, inlet: string): Laid {
    const { id } = component;
    const brim = (component.baseHeight?.si ?? 0) + settledValue(component, 'potHeight');
    const air = `${id}:air`;
    const node = `after:${id}`;
    this.#nodes.push({ id: air, height: Math.max(brim, this.#tankTop()), fixedPressure: 0 });
    this.#nodes.push({ id: node, height: brim });
    this.#links.push({
      id: `${id}:in`,
      from: inlet,
      to: node,
      law: lineLaw(0, potInletBore(this.#job, id), DRAWN_TUBE_ROUGHNESS, { k1: 0, kInfinity: EXIT }),
    });
    const [length, bore] = [settledValue(component, 'overflowLength'), settledValue(component, 'overflowBore')];
    this.#links.push({
      id: `${id}:overflow`,
      from: node,
      to: air,
      law: lineLaw(length, bore, hoseConstruction('r9').roughness, { k1: 0, kInfinity: SHARP_ENTRANCE + EXIT }),
    });
    this.#pot = node;
    return { outlet: node, link: `${id}:overflow` };
  }

  #layRegulator(component: ComponentOf<'regulator'>, inlet: string): Laid {
    let at = inlet;
    if (component.builtInRating) {
      at = `within:${component.id}`;
      this.#nodes.push({ id: at });
      const [flow, drop] = [settledValue(component, 'builtInFlow'), settledValue(component, 'builtInDrop')];
      this.#links.push({
        id: `${component.id}:filter`,
        from: inlet,
        to: at,
        law: this.#medium(flow, drop, this.#point.dirt),
      });
    }
    if (component.action === 'bypass') {
      this.#spill ??= { node: at, component };
      return { outlet: at, link: component.id };
    }
    const outlet = `after:${component.id}`;
    this.#nodes.push({ id: outlet, height: component.outletHeight?.si });
    this.#addRegulator(component, at, outlet);
    return { outlet, link: component.id };
  }

  #consume(id: string, nodes: readonly string[]): void {
    this.#consumer = { id, nodes };
    const { hold } = this.#options;
    for (const node of this.#nodes)
      if (nodes.includes(node.id)) {
        node.height = this.#job.survey.railHeight?.si;
        node.demand = hold === undefined ? this.#point.demand / nodes.length : 0;
      }
    const held = this.#nodes.find((n) => n.id === nodes[0]);
    if (held && hold !== undefined) held.fixedPressure = hold;
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

const entranceOf = (components: readonly Component[], i: number): number => {
  const before = components[i - 1]?.kind;
  return before === 'tank' || before === 'swirlPot' ? SHARP_ENTRANCE : 0;
};

/** Fuel enters a pot through the bore of the line before it; a pot straight after its pump through its overflow's bore. */
function potInletBore(job: Job, id: string): number {
  const at = job.run.supply.findIndex((c) => c.id === id);
  const pot = job.run.supply[at]!;
  return (at > 0 ? boreOf(job.run.supply[at - 1]!) : undefined) ?? settledValue(pot, 'overflowBore');
}
