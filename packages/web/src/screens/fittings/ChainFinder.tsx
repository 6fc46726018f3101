import { useMemo } from 'react';
import type { ChainWants } from '@endrel/core/fittings/chain-search';
import { genericAdapters } from '@endrel/core/fittings/adapter-catalogue';
import { readPort } from '@endrel/core/fittings/read-port';
import { sayPort, type Port } from '@endrel/core/fittings/port';
import { lastingMaterials } from '@endrel/core/ratings/material-fuel';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import type { QuantityField } from '@endrel/core/units/field';
import { degrees, kPa, mm } from '@endrel/core/units/quick';
import { useShelf } from '../../api/shelf.ts';
import { useChains } from '../../calc/use-joint-plan.ts';
import { ChainList, NoChain } from '../../components/ChainList.tsx';
import { PortField } from '../../components/PortField.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { ChosenField, Panel, TypedField } from './fields.tsx';
import { useAddress } from './use-address.ts';

const length = (name: string, most: number): QuantityField => ({
  kind: 'length',
  name,
  unit: 'mm',
  minimum: 0,
  maximum: mm(most),
});
const fields = {
  bore: length('least bore', 60),
  long: length('longest', 2000),
  flats: length('across flats', 200),
  pressure: { kind: 'pressure', name: 'pressure', unit: 'kPa', minimum: 0, maximum: kPa(100_000) } as QuantityField,
  angle: { kind: 'angle', name: 'turn', unit: '°', minimum: 0, maximum: degrees(360) } as QuantityField,
} as const;
const fuels = { '': 'any', petrol: 'petrol or E10', e85: 'E85 or more ethanol', diesel: 'diesel' } as const;

function wantsOf(
  get: (key: string) => string,
  bare: (field: QuantityField) => string,
): { wants: ChainWants; faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const read = (key: keyof typeof fields) => {
    if (get(key).trim() === '') return undefined;
    const value = parseQuantity(get(key), { ...fields[key], unit: bare(fields[key]) });
    if (value.ok) return value.value.si;
    faults[key] = value.fault.message;
    return undefined;
  };
  const [bore, long, flats, pressure, angle] = [
    read('bore'),
    read('long'),
    read('flats'),
    read('pressure'),
    read('angle'),
  ];
  const fuel = get('fuel');
  return {
    faults,
    wants: {
      ...(bore === undefined ? {} : { minimumBore: bore }),
      ...(long === undefined ? {} : { maximumLength: long }),
      ...(flats === undefined ? {} : { maximumFlats: flats }),
      ...(pressure === undefined ? {} : { pressure }),
      ...(angle === undefined ? {} : { angle }),
      ...(get('swivel') === 'yes' ? { swivel: true } : {}),
      ...(get('taper') === 'no' ? { noTaper: true } : {}),
      ...(fuel === ''
        ? {}
        : {
            materials: lastingMaterials(
              fuel === 'diesel' ? { family: 'diesel' } : { family: 'petrol', ethanol: fuel === 'e85' ? 0.85 : 0.1 },
            ),
          }),
    },
  };
}

/** The best chains of adapters from one port to another, under what is wanted, the shelf first. */
export function ChainFinder() {
  const [get, set] = useAddress();
  const units = useDisplayUnits();
  const shelf = useShelf();
  const [from, to] = (['from', 'to'] as const).map((key) => {
    const read = readPort(get(key));
    return read.ok ? read.value : undefined;
  });
  const { wants, faults } = wantsOf(get, units.bareUnit);
  const found = useChains(from, to, wants, shelf);
  const count = useMemo(() => genericAdapters().length, []);
  const choose = (key: string) => (port: Port | undefined) => set(key, port ? sayPort(port) : '');
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[22rem_1fr]">
      <Panel title="From what to what">
        <PortField label="from" anchor="chain-from" value={from} onChange={choose('from')} />
        <PortField label="to" anchor="chain-to" value={to} onChange={choose('to')} />
        <h3 className="mt-2">What it has to keep to</h3>
        <div className="grid grid-cols-2 gap-x-4">
          <ChosenField label="Fuel" value={get('fuel')} options={fuels} onChange={(v) => set('fuel', v)} />
          <TypedField
            label="Pressure"
            value={get('pressure')}
            fault={faults.pressure}
            onChange={(v) => set('pressure', v)}
          />
          <TypedField label="Least bore" value={get('bore')} fault={faults.bore} onChange={(v) => set('bore', v)} />
          <TypedField
            label="Turn in all"
            hint="45, 90 …; 0: straight"
            value={get('angle')}
            fault={faults.angle}
            onChange={(v) => set('angle', v)}
          />
          <TypedField label="Longest" value={get('long')} fault={faults.long} onChange={(v) => set('long', v)} />
          <TypedField
            label="Widest across flats"
            value={get('flats')}
            fault={faults.flats}
            onChange={(v) => set('flats', v)}
          />
          <ChosenField
            label="Has to be pointed"
            value={get('swivel')}
            options={{ '': 'no', yes: 'yes: with a swivel' }}
            onChange={(v) => set('swivel', v)}
          />
          <ChosenField
            label="Tapers between"
            value={get('taper')}
            options={{ '': 'allowed', no: 'none' }}
            onChange={(v) => set('taper', v)}
          />
        </div>
      </Panel>
      <div className="min-w-0" aria-live="polite">
        {!from || !to ? (
          <p className="sheet max-w-xl p-5 text-ink-soft">
            Say what the two ends are: Endrel searches {count.toLocaleString('en')} generic adapters and the shop’s
            shelf for the chain with the fewest joints, least leak risk, least loss and least to buy.
          </p>
        ) : !found ? (
          <p className="text-ink-soft">Searching …</p>
        ) : found.chains.length > 0 ? (
          <>
            <h2 className="border-b border-ink pb-1 text-lg">
              The best {found.chains.length === 1 ? 'chain' : `${found.chains.length} chains`}
            </h2>
            <ChainList from={from} to={to} chains={found.chains} />
          </>
        ) : (
          <NoChain obstacles={found.obstacles} />
        )}
      </div>
    </div>
  );
}
