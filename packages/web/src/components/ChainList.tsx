import type { Chain, Obstacle } from '@endrel/core/fittings/chain-search';
import { adaptersOf } from '@endrel/core/fittings/adapter';
import { costParts } from '@endrel/core/fittings/chain-cost';
import { seals } from '@endrel/core/fittings/port-form';
import { describePort, type Port } from '@endrel/core/fittings/port';
import { whyBetter } from '@endrel/core/fittings/why-better';
import { ChainSketch } from '../drawing/fittings/ChainSketch.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';

interface ChainListProps {
  readonly from: Port;
  readonly to: Port;
  readonly chains: readonly Chain[];
  /** Codes of the parts that are chosen now, joined. */
  readonly chosen?: string;
  onUse?(chain: Chain): void;
}

export const codesOf = (codes: Iterable<{ readonly code: string }>): string =>
  [...codes].map((c) => c.code).join(' + ');

/** Chains of adapters, best first: each to scale, what it costs and why it beats the next, what has to be bought. */
export function ChainList({ from, to, chains, chosen, onUse }: ChainListProps) {
  return (
    <ol className="ruled">
      {chains.map((chain, i) => (
        <ChainItem key={i} {...{ from, to, chain, next: chains[i + 1], chosen, onUse }} place={i + 1} />
      ))}
    </ol>
  );
}

function ChainItem({
  from,
  to,
  chain,
  next,
  chosen,
  place,
  onUse,
}: Omit<ChainListProps, 'chains'> & { chain: Chain; next: Chain | undefined; place: number }) {
  const units = useDisplayUnits();
  const adapters = adaptersOf(chain);
  const isChosen = chosen !== undefined && codesOf(adapters) === chosen;
  const better = next ? whyBetter(chain, next) : [];
  const toBuy = chain.links.filter((l) => !l.onShelf);
  const name =
    chain.links.length === 0
      ? 'Nothing: they mate as they are'
      : chain.links.map((l) => l.adapter.name).join(', then ');
  return (
    <li className="py-2" data-chain={place}>
      <div className="flex flex-wrap items-start justify-between gap-x-4 gap-y-1">
        <h4 className="min-w-0 flex-1 text-[1rem]">
          <span className="figure mr-1.5">{place}</span>
          {name}
        </h4>
        {onUse &&
          (isChosen ? (
            <span className="label py-1.5">chosen</span>
          ) : (
            <button className={`button ${place === 1 ? 'button-ink' : ''}`} onClick={() => onUse(chain)}>
              Use {chain.links.length === 1 ? 'it' : 'these'}
              <span className="sr-only">: chain {place}</span>
            </button>
          ))}
      </div>
      <div className="flex flex-wrap items-start gap-x-5">
        {chain.links.length > 0 && <ChainSketch from={from} adapters={adapters} to={to} height={104} />}
        <div className="min-w-[15rem] flex-1">
          <p className="text-[0.92rem]">
            {adapters.map((a) => `${describePort(a.ports[0]!)} to ${describePort(a.ports[1]!)}`).join('; ')}
          </p>
          <p className="text-[0.92rem] text-ink-soft">
            cost <span className="figure text-ink">{chain.cost.toFixed(1)}</span>, {chain.seals.length} joints
            {chain.links.length > 0 && (
              <>
                , least bore {units.show('length', chain.bore)}, {units.show('length', chain.length)} long,{' '}
                {units.show('pressure', chain.loss)} at 200 L/h
              </>
            )}
            {chain.links.length > 0 &&
              (toBuy.length === 0
                ? ', all on the shelf'
                : toBuy.length === chain.links.length
                  ? ', all to buy'
                  : `, to buy: ${toBuy.map((l) => l.adapter.name).join(', ')}; the rest on the shelf`)}
            {better.length > 0 && `; better than the next: ${better.join(', ')}`}
          </p>
        </div>
      </div>
      <details>
        <summary className="label min-h-[24px]">How the cost is made up</summary>
        <table className="text-[0.9rem]">
          <tbody className="ruled">
            {costParts(chain).map(({ what, points }) => (
              <tr key={what}>
                <th scope="row" className="pr-4 text-left font-normal">
                  {what}
                </th>
                <td className="figure text-right">{points.toFixed(2)}</td>
              </tr>
            ))}
            <tr>
              <th scope="row" className="text-left">
                cost
              </th>
              <td className="figure text-right">{chain.cost.toFixed(2)}</td>
            </tr>
          </tbody>
        </table>
        <p className="label">Seals: {chain.seals.map((s) => seals[s]).join('; ')}. Weights are common practice.</p>
      </details>
    </li>
  );
}

const wantWords: Readonly<Record<Obstacle['want'], string>> = {
  minimumBore: 'the least bore',
  angle: 'the turn that is wanted',
  swivel: 'that something must turn freely',
  noTaper: 'that no taper may be between',
  maximumLength: 'the length',
  maximumFlats: 'the size across flats',
  pressure: 'the pressure',
  materials: 'the fuel',
  together: 'all that is wanted together',
};

/** Why there is no chain, and the nearest that would do. */
export function NoChain({ obstacles }: { obstacles: readonly Obstacle[] }) {
  if (obstacles.length === 0)
    return (
      <p className="text-fix">
        No adapters join these two: a length of hose or tube has to stand between, or one of the ports is another than
        it usually is.
      </p>
    );
  return (
    <div>
      <p className="text-fix">No chain keeps to everything.</p>
      <ul className="list-disc pl-5">
        {obstacles.map(({ want, nearest }) => (
          <li key={want}>
            But for {wantWords[want]}:{' '}
            {nearest.links.length === 0
              ? 'they mate as they are'
              : nearest.links.map((l) => l.adapter.name).join(', then ')}{' '}
            would do, cost {nearest.cost.toFixed(1)}.
          </li>
        ))}
      </ul>
    </div>
  );
}
