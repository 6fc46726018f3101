import { expect } from 'chai';
import { openInEpanet } from '../../test/epanet.ts';
import { oddRuns } from '../../test/odd-runs.ts';
import { afterRailJob, carburettorJob, cleanJob, get, railsJob, twoPumpJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { LinkLaw, Network } from '../hydraulics/network.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { resultsOf } from './solve-run.ts';
import { networkAt } from './network-at.ts';

/** What EPANET cannot say is taken out on both sides: regulator slope, the Reynolds part of fitting losses, cracking. */
function plain(law: LinkLaw): LinkLaw {
  if (law.kind === 'line') return { ...law, loss: { k1: 0, kInfinity: law.loss.kInfinity }, cracking: 0 };
  return law.kind === 'bypassRegulator' || law.kind === 'deadHeadRegulator' ? { ...law, slope: 0 } : law;
}

const jobs: Record<string, () => Job> = {
  'mail van': () => demoJobs.mailVan,
  'swirl pot, two rails in parallel': () => demoJobs.rescuePickup,
  'rails in series': () => railsJob('series'),
  'second rail on a crossover': () => railsJob('crossover'),
  'electronic returnless': () => demoJobs.islandShuttle,
  'two pumps side by side': () => twoPumpJob(),
  'sprint car': () => demoJobs.sprintCar,
  'tender with its creeping return': () => demoJobs.flatBedTender,
  'bypass after the rail': () => afterRailJob(),
  'carburettor on a dead-head regulator': () => carburettorJob(),
  ...oddRuns,
  'long thin feed': () => cleanJob((j) => (get(j, 'hardLine').length = { si: 7, unit: 'mm' })),
};

// Oracle: the EPANET engine through epanet-js. It uses 64/Re, Dunlop's cubic and Swamee-Jain where ours uses Churchill:
// the reference README (section C) puts the difference at up to 0.23 kPa in networks like these.
describe('whole runs against the EPANET engine', () => {
  for (const [name, made] of Object.entries(jobs))
    it(`${name}: every pressure at every operating point`, async function () {
      const job = made();
      for (const result of resultsOf(findingsOf(job).solution!)) {
        const { point } = result;
        const built = networkAt(job, fuelOf(job)!, result);
        const network: Network = { ...built, links: built.links.map((l) => ({ ...l, law: plain(l.law) })) };
        const ours = solveNetwork(network);
        if (!ours.ok) throw new Error(JSON.stringify(ours.fault));
        // what EPANET does not know: a choked pump draws and brings what it does
        const choked = built.links.filter((l) => ours.value.states[l.id] === 'choked');
        const passing = (id: string) =>
          choked.reduce((sum, l) => sum + (Number(l.from === id) - Number(l.to === id)) * ours.value.flows[l.id]!, 0);
        const epanet = await openInEpanet({
          ...network,
          nodes: network.nodes.map((n) =>
            n.fixedPressure === undefined ? { ...n, demand: (n.demand ?? 0) + passing(n.id) } : n,
          ),
          links: network.links.filter((l) => !choked.some((c) => c.id === l.id)),
        });
        epanet.solve();
        const theirs = epanet.pressures();
        epanet.close();
        for (const [node, pressure] of Object.entries(theirs))
          expect(ours.value.pressures[node]! / 1e3, `${point.key} ${node}`).to.be.closeTo(
            pressure / 1e3,
            0.6 + 0.004 * Math.abs(pressure / 1e3),
          );
      }
    });
});
