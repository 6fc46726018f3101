import { InitHydOption, NodeProperty, Project, Workspace } from 'epanet-js';
import type { Network } from '../src/hydraulics/network.ts';

const G = 9.80665;
const SCALE = 100; // see below

/** A network open in the engine. */
export interface OpenProject {
  /** Resets the flows and solves. */
  solve(): void;
  /** Gauge pressures, Pa, by node. */
  pressures(): Record<string, number>;
  close(): void;
}

/**
 * Opens a network in the EPANET engine (epanet-js 0.9.0, engine 2.3.5), as an oracle that shares no code with ours.
 *
 * The network is drawn a hundred times larger (bores, lengths, roughness and viscosity × 100, flows × 10 000): velocities,
 * Reynolds numbers and head losses stay as they are, while the engine's absolute flow tolerances, made for city mains,
 * shrink to nothing. Regulator slopes and fitting losses that fall with Reynolds number are not known to it: the caller
 * leaves them out.
 */
export async function openInEpanet({ liquid, nodes, links }: Network): Promise<OpenProject> {
  const weight = liquid.density * G;
  const name = new Map([...nodes, ...links].map((item, i) => [item.id, `N${i}`]));
  const nodeName = (id: string) => name.get(id)!;
  const lpm = (flow: number) => flow * 60_000 * SCALE ** 2;
  const junctions = nodes.filter((n) => n.fixedPressure === undefined);
  const lines: Record<string, string[]> = { JOINTS: [], PIPES: [], PUMPS: [], VALVES: [], CURVES: [] };
  links.forEach((link, i) => {
    const ends = `L${i} ${nodeName(link.from)} ${nodeName(link.to)}`;
    const { law } = link;
    if (law.kind === 'line') {
      const length = Math.max(law.length, 1e-4) * SCALE;
      // what has no length rubs nothing: a bore five times as wide, its loss on the velocity there
      const bore = law.bore;
      const loss = law.loss.kInfinity * (bore / law.bore) ** 4;
      lines.PIPES!.push(
        `${ends} ${length} ${bore * 1e3 * SCALE} ${law.roughness * 1e3 * SCALE} ${loss} ${link.checkValve ? 'CV' : 'OPEN'}`,
      );
    } else if (law.kind === 'pump') {
      lines.PUMPS!.push(`${ends} HEAD P${i}`);
      // straight lines between many points of our own curve, out to where it has no pressure left
      for (let k = 0; k <= 60; k++) {
        const flow = (k / 60) * 1.2e-4;
        lines.CURVES!.push(`P${i} ${lpm(flow)} ${law.rise.value(flow) / weight}`);
      }
    } else if (law.kind === 'curve') {
      throw new RangeError('loss curves are not for this oracle');
    } else if (law.kind === 'porous') {
      lines.VALVES!.push(`${ends} 1000 GPV F${i} 0`);
      for (let k = 0; k <= 60; k++) {
        const flow = (k / 60) * 2e-4;
        lines.CURVES!.push(`F${i} ${lpm(flow)} ${(law.linear * flow + law.quadratic * flow ** 2) / weight}`);
      }
    } else {
      const kind = law.kind === 'bypassRegulator' ? 'PSV' : 'PRV';
      const end = nodes.find((n) => n.id === link.to)!;
      const onReservoir = end.fixedPressure !== undefined;
      const to = onReservoir ? `J${i}` : nodeName(link.to);
      lines.VALVES!.push(
        `L${i} ${nodeName(link.from)} ${to} ${law.bore * 1e3 * SCALE} ${kind} ${law.set / weight} ${law.k}`,
      );
      if (onReservoir) {
        // the engine allows no such valve on a reservoir: a short, wide pipe between
        lines.JOINTS!.push(`J${i} ${end.height} 0`);
        lines.PIPES!.push(`S${i} J${i} ${nodeName(link.to)} 0.01 ${50 * SCALE} 0.001 0 OPEN`);
      }
    }
  });
  const kinematic = (liquid.viscosity / liquid.density) * SCALE;
  const input = [
    '[JUNCTIONS]',
    ...junctions.map((n) => `${nodeName(n.id)} ${n.height} ${lpm(n.demand ?? 0)}`),
    ...lines.JOINTS!,
    '[RESERVOIRS]',
    ...nodes
      .filter((n) => n.fixedPressure !== undefined)
      .map((n) => `${nodeName(n.id)} ${n.height + n.fixedPressure! / weight}`),
    ...Object.entries(lines)
      .filter(([section]) => section !== 'JOINTS')
      .flatMap(([section, rows]) => [`[${section}]`, ...rows]),
    '[OPTIONS]',
    'UNITS LPM',
    'HEADLOSS D-W',
    `VISCOSITY ${kinematic / 1.0219e-6}`, // relative to the engine's own water at 20 °C, 1.1e-5 ft2/s
    'ACCURACY 0.00001',
    'HTOL 0.0000001',
    'QTOL 0.0000001',
    'TRIALS 500',
    '[END]',
  ].join('\n');
  const workspace = new Workspace();
  await workspace.loadModule();
  workspace.writeFile('run.inp', input);
  const project = new Project(workspace);
  project.open('run.inp', 'run.rpt', 'run.bin');
  project.openH();
  return {
    solve: () => {
      project.initH(InitHydOption.InitFlow);
      project.runH();
    },
    pressures: () =>
      Object.fromEntries(
        junctions.map((n) => [
          n.id,
          (project.getNodeValue(project.getNodeIndex(nodeName(n.id)), NodeProperty.Head) - n.height) * weight,
        ]),
      ),
    close: () => {
      project.closeH();
      project.close();
    },
  };
}
