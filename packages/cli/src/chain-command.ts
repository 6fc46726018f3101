import { genericAdapters } from '@endrel/core/fittings/adapter-catalogue';
import {
  ChainSearch,
  obstacles,
  type Chain,
  type ChainWant,
  type ChainWants,
} from '@endrel/core/fittings/chain-search';
import { whyBetter } from '@endrel/core/fittings/why-better';
import { readPort } from '@endrel/core/fittings/read-port';
import { sayPort, type Port } from '@endrel/core/fittings/port';
import { lastingMaterials } from '@endrel/core/ratings/material-fuel';
import { degrees, kPa, mm } from '@endrel/core/units/quick';
import type { QuantityField } from '@endrel/core/units/field';
import { BadInput } from './bad-input.ts';
import { fuelOption } from './fuel-option.ts';
import { jsonText, rounded, type Output } from './output.ts';
import { angleOption, quantityOption } from './parse-options.ts';

type Options = Partial<
  Record<'fuel' | 'ethanol' | 'min-bore' | 'angle' | 'pressure' | 'max-length' | 'max-flats', string>
> & { readonly json?: boolean; readonly swivel?: boolean; readonly 'no-taper'?: boolean };

const length = (name: string, most: number): QuantityField => ({
  kind: 'length',
  name,
  unit: 'mm',
  minimum: 0,
  maximum: mm(most),
});
const pressure: QuantityField = { kind: 'pressure', name: 'pressure', unit: 'kPa', minimum: 0, maximum: kPa(100_000) };

const wantNames: Record<ChainWant | 'together', string> = {
  minimumBore: 'min-bore',
  angle: 'angle',
  swivel: 'swivel',
  noTaper: 'no-taper',
  maximumLength: 'max-length',
  maximumFlats: 'max-flats',
  pressure: 'pressure',
  materials: 'fuel',
  together: 'all of them',
};

/** `endrel chain "male flare37 -6" "female npt 3/8"`: the best adapters from one port to another. */
export function chainCommand(operands: readonly string[], options: Options, output: Output): number {
  if (operands.length !== 2)
    throw new BadInput('chain takes two ports: endrel chain "male flare37 -6" "female npt 3/8"');
  const [from, to] = operands.map(portOperand) as [Port, Port];
  const wants = wantsOf(options);
  const search = new ChainSearch(genericAdapters().map((adapter) => ({ adapter, onShelf: 0 })));
  const chains = search.find(from, to, wants);
  if (options.json) {
    const none =
      chains.length > 0
        ? {}
        : {
            obstacles: obstacles(search, from, to, wants).map(({ want, nearest }) => ({
              want: wantNames[want],
              nearest: report(nearest),
            })),
          };
    output.out(jsonText({ chains: chains.map(report), ...none }));
    return 0;
  }
  if (chains.length > 0) {
    const beats = (i: number) => (chains[i + 1] ? whyBetter(chains[i]!, chains[i + 1]!).join(', ') : '');
    output.out(
      chains.map((chain, i) => `${i + 1}. ${say(chain)}${beats(i) && `; before the next: ${beats(i)}`}`).join('\n'),
    );
    return 0;
  }
  const why = obstacles(search, from, to, wants);
  output.out(
    why.length === 0
      ? 'No chain of up to four adapters joins them.'
      : `No chain: ${why.map(({ want, nearest }) => `without ${want === 'together' ? 'all that is wanted' : `--${wantNames[want]}`} ${say(nearest)}`).join('; ')}`,
  );
  return 0;
}

function portOperand(text: string): Port {
  const read = readPort(text);
  if (!read.ok) throw new BadInput(`“${text}”: ${read.fault}`);
  return read.value;
}

function wantsOf(options: Options): ChainWants {
  const { 'min-bore': bore, angle, pressure: held, 'max-length': long, 'max-flats': wide } = options;
  return {
    ...(bore === undefined ? {} : { minimumBore: quantityOption('min-bore', bore, length('least bore', 60)) }),
    ...(angle === undefined ? {} : { angle: turnOption(angle) }),
    ...(held === undefined ? {} : { pressure: quantityOption('pressure', held, pressure) }),
    ...(long === undefined ? {} : { maximumLength: quantityOption('max-length', long, length('length', 2000)) }),
    ...(wide === undefined ? {} : { maximumFlats: quantityOption('max-flats', wide, length('across flats', 200)) }),
    ...(options.swivel ? { swivel: true } : {}),
    ...(options['no-taper'] ? { noTaper: true } : {}),
    ...(options.fuel === undefined && options.ethanol === undefined
      ? {}
      : { materials: lastingMaterials(fuelOption(options)) }),
  };
}

function turnOption(text: string): number {
  const angle = angleOption('angle', text, 361, 'no chain turns so far');
  if (!(angle >= 0)) throw new BadInput(`--angle: ${text} is below 0`);
  return angle;
}

const report = ({ links, seals, cost, bore, length: long, loss }: Chain) => ({
  cost: rounded(cost),
  joints: seals.length,
  seals,
  bore_mm: Number.isFinite(bore) ? rounded(bore * 1000) : null,
  length_mm: rounded(long * 1000),
  loss_kPa_at_200_L_h: rounded(loss / 1000),
  parts: links.map(({ adapter, in: inlet, out }) => ({
    code: adapter.code,
    name: adapter.name,
    ports: [sayPort(adapter.ports[inlet]!), sayPort(adapter.ports[out]!)],
    angle_deg: Math.round(adapter.angle / degrees(1)),
    bore_mm: rounded(adapter.bore * 1000),
    material: adapter.material,
  })),
});

const say = ({ links, cost }: Chain): string =>
  links.length === 0
    ? 'they mate as they are'
    : `${links.map(({ adapter, in: i, out: o }) => `${adapter.name} (${sayPort(adapter.ports[i]!)} to ${sayPort(adapter.ports[o]!)})`).join(', then ')}; cost ${cost.toFixed(1)}`;
