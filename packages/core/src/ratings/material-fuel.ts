import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { fittingMaterials, type FittingMaterial } from './fitting-material.ts';
import { hoseConstructions } from './hose-construction.ts';
import { lineMaterials } from './line-material.ts';

const MOST_OWN = 100;

/** fine: lasts. watch: slowly attacked, or only for a time. attacked: not to be used. ask: only the maker can say. */
export const verdicts = ['fine', 'watch', 'attacked', 'ask'] as const;
export type Verdict = (typeof verdicts)[number];

/** Fuels by what they do to materials. */
export const fuelClasses = {
  petrol: 'petrol, no ethanol',
  e10: 'up to 10 % ethanol',
  high: 'more ethanol',
  diesel: 'diesel',
} as const;
export type FuelClass = keyof typeof fuelClasses;

/** What somebody knows better of a material than the table does, by the material’s name: of a maker’s sheet, by fuel. */
export const ownMaterialsSchema = z
  .record(
    lineSchema(80),
    z.strictObject({
      on: z.partialRecord(z.enum(Object.keys(fuelClasses) as [FuelClass, ...FuelClass[]]), z.enum(verdicts)),
      source: lineSchema(120),
    }),
  )
  .refine((held) => Object.keys(held).length <= MOST_OWN, `holds more than ${MOST_OWN} materials`);
export type OwnMaterials = z.infer<typeof ownMaterialsSchema>;

export interface MaterialRow {
  readonly name: string;
  readonly group: 'tank wall' | 'hard line' | 'hose' | 'seal' | 'metal' | 'wire' | 'foam';
  readonly on: Readonly<Record<FuelClass, Verdict>>;
  readonly source: string;
}

/** What a fuel does to a material: as the job itself says, else by the table. */
export const verdictOn = (row: MaterialRow, kind: FuelClass, own?: OwnMaterials): Verdict =>
  own?.[row.name]?.on[kind] ?? row.on[kind];
/** Where that is from. */
export const sourceOn = (row: MaterialRow, kind: FuelClass, own?: OwnMaterials): string =>
  own?.[row.name]?.on[kind] === undefined ? row.source : own[row.name]!.source;

const PRACTICE = 'common practice';
const MEMORY = 'typical, from memory: ask the maker';
const on = (petrol: Verdict, e10: Verdict, high: Verdict, diesel: Verdict) => ({ petrol, e10, high, diesel });
const row = (group: MaterialRow['group'], name: string, verdict: MaterialRow['on'], source = MEMORY): MaterialRow => ({
  group,
  name,
  on: verdict,
  source,
});

export const tankWalls = {
  bareSteel: row('tank wall', 'bare steel', on('fine', 'watch', 'watch', 'fine')),
  zinc: row('tank wall', 'zinc (galvanised)', on('fine', 'watch', 'attacked', 'attacked'), PRACTICE),
  terne: row('tank wall', 'terne (lead-tin)', on('fine', 'watch', 'attacked', 'watch'), PRACTICE),
  aluminium: row('tank wall', 'bare aluminium', on('fine', 'watch', 'attacked', 'fine'), PRACTICE),
  stainless: row('tank wall', 'stainless', on('fine', 'fine', 'fine', 'fine')),
  polyethylene: row('tank wall', 'polyethylene', on('fine', 'fine', 'fine', 'fine')),
  sealer: row('tank wall', 'epoxy sealer', on('fine', 'ask', 'ask', 'fine'), PRACTICE),
} as const;

export const seals = {
  fkm: row('seal', 'fluoroelastomer (FKM)', on('fine', 'fine', 'fine', 'fine')),
  fvmq: row('seal', 'fluorosilicone (FVMQ)', on('fine', 'fine', 'fine', 'fine')),
  ptfe: row('seal', 'PTFE', on('fine', 'fine', 'fine', 'fine')),
  hnbr: row('seal', 'hydrogenated nitrile (HNBR)', on('fine', 'fine', 'ask', 'fine')),
  nbr: row('seal', 'nitrile (NBR)', on('fine', 'watch', 'attacked', 'fine'), PRACTICE),
  cork: row('seal', 'cork', on('watch', 'attacked', 'attacked', 'watch'), PRACTICE),
  silicone: row('seal', 'plain silicone', on('attacked', 'attacked', 'attacked', 'attacked'), PRACTICE),
} as const;
export type SealKey = keyof typeof seals;

/** What fittings are made of. */
export const fittingMetals: Readonly<Record<FittingMaterial, MaterialRow>> = {
  aluminium: row('metal', fittingMaterials.aluminium, on('fine', 'fine', 'fine', 'fine')),
  steel: row('metal', fittingMaterials.steel, on('fine', 'fine', 'watch', 'fine')),
  stainless: row('metal', fittingMaterials.stainless, on('fine', 'fine', 'fine', 'fine')),
  brass: row('metal', fittingMaterials.brass, on('fine', 'fine', 'watch', 'watch')),
  plastic: row('metal', fittingMaterials.plastic, on('fine', 'fine', 'fine', 'fine')),
};

/** What covers wires, as the fuel sees it. */
export const wireCovers = {
  fluoropolymer: row('wire', 'wire in PTFE or ETFE', on('fine', 'fine', 'fine', 'fine')),
  nylon: row('wire', 'wire in nylon, made for fuel', on('fine', 'fine', 'ask', 'fine')),
  pvc: row('wire', 'general wire in PVC', on('attacked', 'attacked', 'attacked', 'attacked'), PRACTICE),
} as const;

const rated = (ethanol: 'rated' | 'ask maker' | 'not rated', mild: Verdict): MaterialRow['on'] =>
  on('fine', mild, ethanol === 'rated' ? 'fine' : ethanol === 'ask maker' ? 'ask' : 'attacked', 'ask');

/** Every material that Endrel knows, by what each fuel does to it. What is not in here is to be asked about. */
export const materialRows: readonly MaterialRow[] = [
  ...Object.values(tankWalls),
  ...Object.values(lineMaterials).map((m) =>
    row(
      'hard line',
      m.name,
      { ...rated(m.ethanol, m.ethanol === 'rated' ? 'fine' : 'watch'), diesel: 'fine' },
      m.ethanol === 'rated' ? MEMORY : PRACTICE,
    ),
  ),
  ...Object.values(hoseConstructions).map((h) => row('hose', h.name, rated(h.ethanol, 'fine'), h.source)),
  ...Object.values(seals),
  ...Object.values(fittingMetals),
  row('metal', 'zinc die casting', on('fine', 'watch', 'attacked', 'watch'), PRACTICE),
  ...Object.values(wireCovers),
  row('foam', 'polyester cell foam', on('fine', 'watch', 'attacked', 'fine'), PRACTICE),
  row('foam', 'polyether cell foam for ethanol', on('fine', 'fine', 'fine', 'fine')),
];

const rowByName = new Map(materialRows.map((r) => [r.name, r]));
export const materialRow = (name: string): MaterialRow | undefined => rowByName.get(name);

const MILD_BLEND = 0.1; // what pump petrol may hold; the attack is slow up to there, common practice

/** What a fuel does to what a fitting is made of. */
export const fittingVerdict = (material: FittingMaterial, fuel: Fuel, own?: OwnMaterials): Verdict =>
  verdictOn(fittingMetals[material], fuelClassOf(fuel), own);
/** Materials that a new fitting may be of: none that the fuel attacks, be it slowly. */
export const lastingMaterials = (fuel: Fuel, own?: OwnMaterials): ReadonlySet<FittingMaterial> =>
  new Set((Object.keys(fittingMetals) as FittingMaterial[]).filter((m) => fittingVerdict(m, fuel, own) === 'fine'));

export const fuelClassOf = (fuel: Fuel): FuelClass => {
  if (fuel.family === 'diesel') return 'diesel';
  return fuel.ethanol === 0 ? 'petrol' : fuel.ethanol <= MILD_BLEND + 1e-9 ? 'e10' : 'high';
};
