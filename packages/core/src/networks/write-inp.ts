import { inOneLine } from '../fields/text.ts';
import type { Network, NetworkSolution } from '../hydraulics/network.ts';
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
export function writeInp(network: Network, title: string, solution?: NetworkSolution): string {
  const { liquid } = network;
  const head = (pressure: number) => pressure / (liquid.density * EPANET_GRAVITY);
  const height = (z: number) => (z * STANDARD_GRAVITY) / EPANET_GRAVITY;
  const notes = new Set<string>();
  const sections: Record<'JUNCTIONS' | 'RESERVOIRS' | 'PIPES' | 'PUMPS' | 'VALVES' | 'CURVES', string[]> = {
    JUNCTIONS: [],
    RESERVOIRS: [],
    PIPES: [],
    PUMPS: [],
    VALVES: [],
    CURVES: [],
  };
  const choked = network.links.filter((l) => solution?.states[l.id] === 'choked');
  if (choked.length > 0) notes.add('a choked pump as what it draws at its inlet and brings at its outlet');
  const drawn = (id: string) =>
    choked.reduce(
      (sum, { id: pump, from, to }) => sum + (Number(from === id) - Number(to === id)) * solution!.flows[pump]!,
      0,
    );
  for (const node of network.nodes)
    if (node.fixedPressure === undefined)
      sections.JUNCTIONS.push(
        `${node.id} ${number(height(node.height))} ${number(toEngineFlow((node.demand ?? 0) + drawn(node.id)))}`,
      );
    else sections.RESERVOIRS.push(`${node.id} ${number(height(node.height) + head(node.fixedPressure))}`);
  const heightOf = (id: string) => network.nodes.find((n) => n.id === id)!.height;
  const isFixed = (id: string) => network.nodes.find((n) => n.id === id)?.fixedPressure !== undefined;
  const between = (id: string, z: number) => {
    sections.JUNCTIONS.push(`${id} ${number(height(z))} 0`);
    return id;
  };
  const curve = (
    id: string,
    pressureAt: (flow: number) => number,
    flows: readonly number[] = evenly(0, MOST_FLOW, POINTS),
  ) => {
    for (const flow of flows)
      sections.CURVES.push(`${id} ${number(toEngineFlow(flow))} ${number(head(pressureAt(flow)))}`);
  };
  const pipe = (
    id: string,
    from: string,
    to: string,
    length: number,
    bore: number,
    roughness: number,
    k: number,
    status = 'OPEN',
  ) => {
    const told = length > 0 ? bore : Math.max(bore, TIE_BORE);
    const loss = k * (told / bore) ** 4; // on the velocity in the bore that is told
    sections.PIPES.push(
      `${id} ${from} ${to} ${number(Math.max(length, LEAST_LENGTH))} ${number(told * 1e3)} ${number(roughness * 1e3)} ${number(loss * MINOR_FACTOR)} ${status}`,
    );
  };
  for (const link of network.links) {
    const { law } = link;
    switch (law.kind) {
      case 'line': {
        let from = link.from;
        if (law.cracking) {
          notes.add('cracking pressure as a loss curve');
          from = between(`${link.id}.c`, heightOf(link.from));
          sections.VALVES.push(`${link.id}.v ${link.from} ${from} ${number(law.bore * 1e3)} GPV ${link.id}.k 0`);
          sections.CURVES.push(
            `${link.id}.k 0 0`,
            `${link.id}.k 0.001 ${number(head(law.cracking))}`,
            `${link.id}.k 100 ${number(head(law.cracking) * 1.0001)}`,
          );
        }
        if (law.loss.k1 > 0) notes.add('fitting losses at the solved Reynolds number');
        const reynolds = reynoldsOf(law.bore, solution?.flows[link.id] ?? 0, liquid);
        const k = law.loss.kInfinity + (reynolds > 1 ? law.loss.k1 / reynolds : 0);
        pipe(link.id, from, link.to, law.length, law.bore, law.roughness, k, link.checkValve ? 'CV' : 'OPEN');
        break;
      }
      case 'pump': {
        if (choked.includes(link)) break;
        if (!law.rise.knots) notes.add('pump curve as straight lines');
        sections.PUMPS.push(`${link.id} ${link.from} ${link.to} HEAD ${link.id}.k`);
        curve(`${link.id}.k`, (flow) => law.rise.value(flow), law.rise.knots ?? evenly(0, runOut(law.rise), POINTS));
        break;
      }
      case 'curve':
      case 'porous': {
        notes.add('filter and strainer as loss curves');
        sections.VALVES.push(`${link.id} ${link.from} ${link.to} 10 GPV ${link.id}.k 0`);
        curve(`${link.id}.k`, (flow) =>
          law.kind === 'curve' ? law.loss.value(flow) : law.linear * flow + law.quadratic * flow ** 2,
        );
        break;
      }
      case 'bypassRegulator':
      case 'deadHeadRegulator': {
        const bypass = law.kind === 'bypassRegulator';
        let [from, to] = [link.from, link.to];
        // wide open a regulator no longer follows its slope
        if (law.slope > 0 && solution?.states[link.id] !== 'wideOpen') {
          notes.add('regulator slope as a loss curve beside the valve');
          const held = bypass ? from : to;
          const middle = between(`${link.id}.s`, heightOf(held));
          sections.VALVES.push(
            `${link.id}.g ${bypass ? held : middle} ${bypass ? middle : held} ${number(law.bore * 1e3)} GPV ${link.id}.k 0`,
          );
          curve(`${link.id}.k`, (flow) => law.slope * flow);
          if (bypass) from = middle;
          else to = middle;
        }
        // the engine takes no such valve on a reservoir: a short, wide pipe between
        if (isFixed(to)) {
          const middle = between(`${link.id}.r`, heightOf(to));
          pipe(`${link.id}.p`, middle, to, 0.01, 0.05, 1e-6, 0);
          to = middle;
        }
        if (isFixed(from)) {
          const middle = between(`${link.id}.f`, heightOf(from));
          pipe(`${link.id}.q`, from, middle, 0.01, 0.05, 1e-6, 0);
          from = middle;
        }
        sections.VALVES.push(
          `${link.id} ${from} ${to} ${number(law.bore * 1e3)} ${bypass ? 'PSV' : 'PRV'} ${number(head(law.set))} ${number(law.k * MINOR_FACTOR)}`,
        );
        break;
      }
    }
  }
  const viscosity = liquid.viscosity / liquid.density;
  return [
    '[TITLE]',
    inOneLine(title)
      .replace(/^[\s[;]+/, '')
      .slice(0, 79), // no section, no comment
    ...[...notes].map((note) => `; ${note}`),
    ...Object.entries(sections).flatMap(([name, rows]) => [`[${name}]`, ...rows]),
    '[OPTIONS]',
    'UNITS LPM',
    'HEADLOSS D-W',
    'PRESSURE METERS',
    `SPECIFIC GRAVITY ${number(liquid.density / 1000)}`,
    `VISCOSITY ${number(viscosity)}`,
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

/** Flow at which a pump has no pressure left, m3/s: curves are written as far as that. */
const runOut = (rise: Curve): number => lastWhere(0, MOST_FLOW, (flow) => rise.value(flow) > 0);

const reynoldsOf = (bore: number, flow: number, { density, viscosity }: Network['liquid']): number =>
  (4 * density * Math.abs(flow)) / (Math.PI * bore * viscosity);
const number = (value: number): string => String(Number(value.toPrecision(14)) + 0);
