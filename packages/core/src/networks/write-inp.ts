import { inOneLine } from '../fields/text.ts';
import type { LinkLaw, Network, NetworkLink, NetworkNode, NetworkSolution } from '../hydraulics/network.ts';
import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import type { Curve } from '../numerics/curve.ts';
import { EPANET_GRAVITY, MINOR_FACTOR, toEngineFlow } from './epanet-constants.ts';
import { lastWhere } from '../numerics/last-where.ts';
import { evenly } from '../numerics/evenly.ts';

const POINTS = 200; // of a curve that the engine gets as straight lines
const MOST_FLOW = 600 / 3.6e6; // m3/s, as far as curves are written
const LEAST_LENGTH = 1e-3; // m: the engine has no pipe without length
const TIE_BORE = 0.05; // m: what has no length has no wall, and in so wide a bore its least length rubs nothing

/**
 * A network as an EPANET input file, so that anyone can check it in that engine.
 *
 * What the engine cannot say is replaced by an equivalent and noted in the title: a regulator's slope by a loss curve beside
 * a valve that holds exactly, a loss that depends on Reynolds number by its value at the solved flow, curved tables by
 * straight lines, a check valve's cracking pressure by a loss curve.
 */
export const writeInp = (network: Network, title: string, solution?: NetworkSolution): string =>
  new InpWriter(network, solution).file(title);

class InpWriter {
  readonly #network: Network;
  readonly #solution: NetworkSolution | undefined;
  /** Links that the engine is not given: what they draw and bring is. */
  readonly #choked: readonly NetworkLink[];
  readonly #notes = new Set<string>();
  readonly #sections = {
    JUNCTIONS: [] as string[],
    RESERVOIRS: [] as string[],
    PIPES: [] as string[],
    PUMPS: [] as string[],
    VALVES: [] as string[],
    CURVES: [] as string[],
  };

  constructor(network: Network, solution: NetworkSolution | undefined) {
    this.#network = network;
    this.#solution = solution;
    this.#choked = network.links.filter((l) => solution?.states[l.id] === 'choked');
    if (this.#choked.length > 0)
      this.#notes.add('a choked pump as what it draws at its inlet and brings at its outlet');
    for (const node of network.nodes) this.#node(node);
    for (const link of network.links) this.#link(link);
  }

  file(title: string): string {
    const { liquid } = this.#network;
    return [
      '[TITLE]',
      inOneLine(title)
        .replace(/^[\s[;]+/, '')
        .slice(0, 79), // no section, no comment
      ...[...this.#notes].map((note) => `; ${note}`),
      ...Object.entries(this.#sections).flatMap(([name, rows]) => [`[${name}]`, ...rows]),
      '[OPTIONS]',
      'UNITS LPM',
      'HEADLOSS D-W',
      'PRESSURE METERS',
      `SPECIFIC GRAVITY ${number(liquid.density / 1000)}`,
      `VISCOSITY ${number(liquid.viscosity / liquid.density)}`,
      'TRIALS 500',
      'ACCURACY 0.00001',
      // undocumented, but without them the engine judges valves by a tolerance of 10 L/h
      'HTOL 0.000001',
      'QTOL 0.000000001',
      'FLOWCHANGE 0.00000001',
      'UNBALANCED STOP',
      '[TIMES]',
      'DURATION 0',
      '[END]',
      '',
    ].join('\n');
  }

  #head = (pressure: number): number => pressure / (this.#network.liquid.density * EPANET_GRAVITY);
  #find = (id: string): NetworkNode => this.#network.nodes.find((n) => n.id === id)!;
  #isFixed = (id: string): boolean => this.#network.nodes.some((n) => n.id === id && n.fixedPressure !== undefined);

  #node({ id, height, demand, fixedPressure }: NetworkNode): void {
    if (fixedPressure === undefined) {
      const drawn = this.#choked.reduce(
        (sum, link) => sum + (Number(link.from === id) - Number(link.to === id)) * this.#solution!.flows[link.id]!,
        0,
      );
      this.#sections.JUNCTIONS.push(`${id} ${number(toHeight(height))} ${number(toEngineFlow((demand ?? 0) + drawn))}`);
    } else this.#sections.RESERVOIRS.push(`${id} ${number(toHeight(height) + this.#head(fixedPressure))}`);
  }

  /** A junction of the engine's own, as high as a node. */
  #beside(id: string, node: string): string {
    this.#sections.JUNCTIONS.push(`${id} ${number(toHeight(this.#find(node).height))} 0`);
    return id;
  }

  #curve(
    id: string,
    pressureAt: (flow: number) => number,
    flows: readonly number[] = evenly(0, MOST_FLOW, POINTS),
  ): void {
    for (const flow of flows)
      this.#sections.CURVES.push(`${id} ${number(toEngineFlow(flow))} ${number(this.#head(pressureAt(flow)))}`);
  }

  #pipe(id: string, from: string, to: string, made: Pipe): void {
    const { length, bore, roughness, k, hasCheckValve } = made;
    const told = length > 0 ? bore : Math.max(bore, TIE_BORE);
    const loss = k * (told / bore) ** 4; // on the velocity in the bore that is told
    this.#sections.PIPES.push(
      `${id} ${from} ${to} ${number(Math.max(length, LEAST_LENGTH))} ${number(told * 1e3)} ${number(roughness * 1e3)} ${number(loss * MINOR_FACTOR)} ${hasCheckValve ? 'CV' : 'OPEN'}`,
    );
  }

  #link(link: NetworkLink): void {
    const { law } = link;
    switch (law.kind) {
      case 'line':
        return this.#line(link, law);
      case 'pump':
        return this.#pump(link, law);
      case 'curve':
        return this.#lossCurve(link, (flow) => law.loss.value(flow));
      case 'porous':
        return this.#lossCurve(link, (flow) => law.linear * flow + law.quadratic * flow ** 2);
      case 'bypassRegulator':
      case 'deadHeadRegulator':
        return this.#regulator(link, law);
    }
  }

  #line(link: NetworkLink, law: LawOf<'line'>): void {
    let { from } = link;
    if (law.cracking) {
      this.#notes.add('cracking pressure as a loss curve');
      from = this.#beside(`${link.id}.c`, link.from);
      this.#sections.VALVES.push(`${link.id}.v ${link.from} ${from} ${number(law.bore * 1e3)} GPV ${link.id}.k 0`);
      this.#sections.CURVES.push(
        `${link.id}.k 0 0`,
        `${link.id}.k 0.001 ${number(this.#head(law.cracking))}`,
        `${link.id}.k 100 ${number(this.#head(law.cracking) * 1.0001)}`,
      );
    }
    if (law.loss.k1 > 0) this.#notes.add('fitting losses at the solved Reynolds number');
    const reynolds = reynoldsOf(law.bore, this.#solution?.flows[link.id] ?? 0, this.#network.liquid);
    const k = law.loss.kInfinity + (reynolds > 1 ? law.loss.k1 / reynolds : 0);
    const { length, bore, roughness } = law;
    this.#pipe(link.id, from, link.to, { length, bore, roughness, k, hasCheckValve: link.checkValve === true });
  }

  #pump(link: NetworkLink, { rise }: LawOf<'pump'>): void {
    if (this.#choked.includes(link)) return;
    if (!rise.knots) this.#notes.add('pump curve as straight lines');
    this.#sections.PUMPS.push(`${link.id} ${link.from} ${link.to} HEAD ${link.id}.k`);
    this.#curve(`${link.id}.k`, (flow) => rise.value(flow), rise.knots ?? evenly(0, runOut(rise), POINTS));
  }

  #lossCurve({ id, from, to }: NetworkLink, loss: (flow: number) => number): void {
    this.#notes.add('filter and strainer as loss curves');
    this.#sections.VALVES.push(`${id} ${from} ${to} 10 GPV ${id}.k 0`);
    this.#curve(`${id}.k`, loss);
  }

  #regulator(link: NetworkLink, law: LawOf<'bypassRegulator' | 'deadHeadRegulator'>): void {
    const { id } = link;
    const bypass = law.kind === 'bypassRegulator';
    let { from, to } = link;
    // wide open a regulator no longer follows its slope
    if (law.slope > 0 && this.#solution?.states[id] !== 'wideOpen') {
      this.#notes.add('regulator slope as a loss curve beside the valve');
      const held = bypass ? from : to;
      const middle = this.#beside(`${id}.s`, held);
      const [before, behind] = bypass ? [held, middle] : [middle, held];
      this.#sections.VALVES.push(`${id}.g ${before} ${behind} ${number(law.bore * 1e3)} GPV ${id}.k 0`);
      this.#curve(`${id}.k`, (flow) => law.slope * flow);
      if (bypass) from = middle;
      else to = middle;
    }
    // the engine takes no such valve on a reservoir: a short, wide pipe between
    if (this.#isFixed(to)) {
      const middle = this.#beside(`${id}.r`, to);
      this.#pipe(`${id}.p`, middle, to, SHORT_AND_WIDE);
      to = middle;
    }
    if (this.#isFixed(from)) {
      const middle = this.#beside(`${id}.f`, from);
      this.#pipe(`${id}.q`, from, middle, SHORT_AND_WIDE);
      from = middle;
    }
    this.#sections.VALVES.push(
      `${id} ${from} ${to} ${number(law.bore * 1e3)} ${bypass ? 'PSV' : 'PRV'} ${number(this.#head(law.set))} ${number(law.k * MINOR_FACTOR)}`,
    );
  }
}

type LawOf<K extends LinkLaw['kind']> = Extract<LinkLaw, { readonly kind: K }>;
interface Pipe {
  readonly length: number;
  readonly bore: number;
  readonly roughness: number;
  /** On the velocity in its bore. */
  readonly k: number;
  readonly hasCheckValve?: boolean;
}
const SHORT_AND_WIDE: Pipe = { length: 0.01, bore: 0.05, roughness: 1e-6, k: 0 };

/** The engine has another gravity: heights are told so that they weigh the same. */
const toHeight = (z: number): number => (z * STANDARD_GRAVITY) / EPANET_GRAVITY;

/** Flow at which a pump has no pressure left, m3/s: curves are written as far as that. */
const runOut = (rise: Curve): number => lastWhere(0, MOST_FLOW, (flow) => rise.value(flow) > 0);

const reynoldsOf = (bore: number, flow: number, { density, viscosity }: Network['liquid']): number =>
  (4 * density * Math.abs(flow)) / (Math.PI * bore * viscosity);
const number = (value: number): string => String(Number(value.toPrecision(14)) + 0);
