import { genericAdapter } from '../fittings/adapter-catalogue.ts';
import type { Adapter } from '../fittings/adapter.ts';
import type { ShelfPart } from '../fittings/stock.ts';
import { readPort } from '../fittings/read-port.ts';
import type { Port } from '../fittings/port.ts';
import { mm } from '../units/quick.ts';

const port = (text: string): Port => {
  const read = readPort(text);
  if (!read.ok) throw new RangeError(read.fault);
  return read.value;
};

/** Generic parts that the invented shop has in its drawers, and how many. */
const drawers: readonly (readonly [code: string, count: number])[] = [
  ['straight: male flare37 -6 + male orb -6, aluminium', 5],
  ['straight: male flare37 -6 + male orb -8, aluminium', 2],
  ['straight: swivel female flare37 -6 + male npt 3/8, aluminium', 1],
  ['straight: male flare37 -6 + male npt 1/4, aluminium', 4],
  ['elbow90: male flare37 -6 + male orb -6, aluminium', 2],
  ['hoseEnd reusable: hoseend -6 PTFE + swivel female flare37 -6, aluminium', 4],
  ['hoseEnd90 reusable: hoseend -6 PTFE + swivel female flare37 -6, aluminium', 2],
  ['tubeEnd: tubeend 3/8 + swivel female flare37 -6, steel', 6],
  ['bulkhead: male flare37 -6 + male flare37 -6, aluminium', 2],
  ['cap: swivel female flare37 -6, aluminium', 3],
];

const own: readonly (Omit<Adapter, 'ports'> & { ports: readonly string[]; count: number; note: string })[] = [
  {
    code: 'drawer 12/3',
    name: 'turned union for the old feed pipe',
    shape: 'straight',
    ports: ['male metric M14x1.5', 'male flare37 -6'],
    angle: 0,
    bore: mm(7.5),
    length: mm(38),
    flats: mm(19),
    material: 'steel',
    price: 9,
    count: 1,
    note: 'turned here, deburred',
  },
];

/** The shelf of the demo shop. */
export const demoShelf = (): ShelfPart[] => [
  ...drawers.map(([code, count]): ShelfPart => {
    const adapter = genericAdapter(code);
    if (!adapter) throw new RangeError(`“${code}” is no generic part`);
    return { adapter, count };
  }),
  ...own.map(({ ports, count, note, ...rest }): ShelfPart => ({
    adapter: { ...rest, ports: ports.map(port) },
    count,
    note,
  })),
];
