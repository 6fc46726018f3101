import { proofsOf, type Proof } from '@endrel/core/wiring/proofs';
import { useJob } from '../../session/session-context.tsx';
import { Caution } from '../../components/Caution.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Nothing } from './Nothing.tsx';
import { useWiring } from './use-wiring.ts';

const groups: Record<Proof['group'], string> = {
  dry: 'Before there is fuel in it, battery off',
  bridged: 'With the pump bridged, seconds at a time',
  cutOff: 'That it stops',
};

/** How the circuit is proved: what to measure, how, and the limits that follow from the plan. */
export function ProofTab() {
  const units = useDisplayUnits();
  const job = useJob();
  const { harness, found } = useWiring();
  if (!harness.devices?.length) return <Nothing />;
  if (!found) return <p className="text-ink-soft">Reckoning …</p>;
  const proofs = proofsOf(job, found.pumps);
  const says = ({ expect, least, most }: Proof) =>
    [
      expect && `expected ${units.figure(expect)}`,
      least && `at least ${units.figure(least)}`,
      most && `at most ${units.figure(most)}`,
    ]
      .filter(Boolean)
      .join(', ');
  return (
    <div className="max-w-[62rem]">
      <Caution>
        The pump is run by a bridge only with the line open into a can or closed and signed tight, with a class B
        extinguisher at hand and the room ventilated; never dry, and never with a bare wire near the tank.
      </Caution>
      {(Object.keys(groups) as Proof['group'][]).map((group) => {
        const rows = proofs.filter((p) => p.group === group);
        return (
          <section key={group} aria-label={groups[group]} className="mt-4">
            <h2 className="border-b border-ink pb-1 text-lg">{groups[group]}</h2>
            {rows.length === 0 && (
              <p className="text-ink-soft">
                {group === 'bridged'
                  ? 'Follows once the run is solved and the pump is in the circuit.'
                  : 'Nothing of that kind in the circuit.'}
              </p>
            )}
            <ul className="ruled">
              {rows.map((p) => (
                <li key={p.key} className="grid gap-x-6 py-1.5 sm:grid-cols-[1fr_15rem_6rem]">
                  <div>
                    <span className="font-semibold">{p.what}</span>
                    <span className="block text-[0.92rem] text-ink-soft">{p.how}</span>
                  </div>
                  <span className="figure">{says(p)}</span>
                  <span className="label border-b border-hair" aria-label="Read">
                    read
                  </span>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      <button className="button button-ink no-print mt-3" onClick={() => window.print()}>
        Print
      </button>
    </div>
  );
}
