import { AnalysisStatistic, InitHydOption, LinkProperty, NodeProperty, Project, Workspace } from 'epanet-js';
import { EPANET_GRAVITY, fromEngineFlow } from '../src/networks/epanet-constants.ts';
import { STANDARD_GRAVITY, type Network } from '../src/hydraulics/network.ts';

/** What the EPANET engine (epanet-js 0.9.0) makes of an input file, in SI by the names of a network. */
export async function solveInp(
  input: string,
  network: Network,
): Promise<{ pressures: Record<string, number>; flows: Record<string, number>; error: number }> {
  const workspace = new Workspace();
  await workspace.loadModule();
  workspace.writeFile('run.inp', input);
  const project = new Project(workspace);
  project.open('run.inp', 'run.rpt', 'run.bin');
  project.openH();
  project.initH(InitHydOption.InitFlow);
  project.runH();
  const weight = network.liquid.density * EPANET_GRAVITY;
  const pressures = Object.fromEntries(
    network.nodes.map((n) => {
      const head = project.getNodeValue(project.getNodeIndex(n.id), NodeProperty.Head);
      return [n.id, (head - (n.height * STANDARD_GRAVITY) / EPANET_GRAVITY) * weight];
    }),
  );
  const flows = Object.fromEntries(
    network.links.map((l) => [
      l.id,
      fromEngineFlow(project.getLinkValue(project.getLinkIndex(l.id), LinkProperty.Flow)),
    ]),
  );
  const error = project.getStatistic(AnalysisStatistic.RelativeError);
  project.closeH();
  project.close();
  return { pressures, flows, error };
}
