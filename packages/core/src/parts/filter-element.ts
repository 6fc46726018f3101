import type { LinkLaw, Liquid } from '../hydraulics/network.ts';
import { screenLoss } from '../hydraulics/woven-screen.ts';
import { choice, quantity, TYPICAL } from '../fields/property.ts';
import type { Measured } from '../fields/measured.ts';
import { kPa, litresPerHour, micrometres, mm } from '../units/quick.ts';
import { settled } from './define-part.ts';

/** Liquids that filters and pumps are rated with, at 20 °C. Typical, from memory; the test oil as ISO 4113 at 40 °C. */
const sheetLiquids = {
  petrol: { name: 'petrol', density: 745, viscosity: 0.53e-3 },
  diesel: { name: 'diesel', density: 835, viscosity: 3.0e-3 },
  water: { name: 'water', density: 998, viscosity: 1.0e-3 },
  testOil: { name: 'calibration oil, ISO 4113', density: 810, viscosity: 2.1e-3 },
} as const;
type SheetLiquid = keyof typeof sheetLiquids;

/** From here on a filter is a strainer, which fuel passes as openings and not as a felt; common practice. */
export const COARSE = micrometres(40);

/** What every filter element may say of the drop on its sheet. */
export const sheetProperties = (flow: number, drop: number) => ({
  ratedFlow: quantity('rated flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(1),
    typical: { si: flow, source: TYPICAL },
  }),
  ratedDrop: quantity('drop at rated flow, new', 'pressure', 'kPa', {
    maximum: kPa(500),
    typical: { si: drop, source: TYPICAL },
  }),
  sheetLiquid: choice(
    'its sheet was made with',
    Object.fromEntries(Object.entries(sheetLiquids).map(([key, { name }]) => [key, name])) as Record<
      SheetLiquid,
      string
    >,
    { hint: 'Petrol while nobody says otherwise; water shows about twice the drop of petrol.' },
  ),
  viscousShare: quantity('viscous share of that drop', 'fraction', '%', {
    maximum: 1,
    typical: { si: 0.8, source: TYPICAL },
    hint: 'What goes with flow and viscosity, in the medium; the rest goes with flow squared, in body and ports.',
  }),
});

/** Fuel in the body of a filter. */
export const fuelHeld = quantity('fuel its body holds', 'volume', 'mL', {
  maximum: 2e-3,
  likely: [2e-5, 5e-4],
  typical: { si: 1.2e-4, source: TYPICAL },
  hint: 'It has to be filled before the first start.',
});

/** What a strainer is known by where no sheet tells its drop. */
export const meshProperties = (area: number, port: number) => ({
  meshArea: quantity('mesh area', 'area', 'cm²', {
    minimum: 1e-5,
    maximum: 0.1,
    typical: { si: area, source: TYPICAL },
  }),
  portBore: quantity('bore of its ports', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(2),
    maximum: mm(40),
    typical: { si: port, source: TYPICAL },
  }),
});

export const dropBy = choice(
  'its drop goes by',
  { sheet: 'its sheet: a drop at a flow', mesh: 'mesh, area and ports' },
  { hint: 'Unsaid: from 40 µm on by the mesh, unless a drop is given.' },
);

interface Element {
  readonly rating?: Measured;
  readonly dropBy?: 'sheet' | 'mesh';
  readonly ratedFlow?: Measured;
  readonly ratedDrop?: Measured;
}

/** A strainer whose drop goes by its mesh. */
const isByMesh = ({ dropBy: by, rating, ratedFlow, ratedDrop }: Element): boolean =>
  by ? by === 'mesh' : (rating?.si ?? 0) >= COARSE && !ratedFlow && !ratedDrop;

/** Whether a property of an element says anything, as its drop is known. */
export function isElementRelevant(part: Element, key: string): boolean {
  if (['ratedFlow', 'ratedDrop', 'sheetLiquid', 'viscousShare'].includes(key)) return !isByMesh(part);
  if (key === 'meshArea' || key === 'portBore') return isByMesh(part);
  return true;
}

type Sheet = ReturnType<typeof sheetProperties>;

/**
 * Δp = a μ Q + b ρ Q²: both from one point of a sheet, in the liquid that it was made with.
 *
 * @param dirt - times the drop of the new element.
 */
export function sheetLaw(
  properties: Pick<Sheet, 'ratedFlow' | 'ratedDrop' | 'viscousShare'>,
  part: { ratedFlow?: Measured; ratedDrop?: Measured; viscousShare?: Measured; sheetLiquid?: SheetLiquid },
  liquid: Liquid,
  dirt: number,
): LinkLaw & { kind: 'porous' } {
  const flow = settled(properties.ratedFlow, part.ratedFlow);
  const drop = dirt * settled(properties.ratedDrop, part.ratedDrop);
  const share = settled(properties.viscousShare, part.viscousShare);
  const sheet = sheetLiquids[part.sheetLiquid ?? 'petrol'];
  return {
    kind: 'porous',
    linear: (share * drop * liquid.viscosity) / (sheet.viscosity * flow),
    quadratic: ((1 - share) * drop * liquid.density) / (sheet.density * flow ** 2),
  };
}

const BODY_LOSS = 2.5; // K on the bore of a strainer's ports: out into its body, a turn, and in again; typical, from memory

/** The law of an element, by its sheet or by its mesh. @param dirt - times the drop of the new element. */
export function elementLaw(
  properties: Sheet & ReturnType<typeof meshProperties>,
  part: Element & Parameters<typeof sheetLaw>[1] & { readonly meshArea?: Measured; readonly portBore?: Measured },
  liquid: Liquid,
  dirt: number,
): LinkLaw & { kind: 'porous' } {
  if (!isByMesh(part)) return sheetLaw(properties, part, liquid, dirt);
  const area = settled(properties.meshArea, part.meshArea);
  return meshLaw(part.rating?.si ?? COARSE, area, settled(properties.portBore, part.portBore), liquid, dirt);
}

/** A strainer by its mesh and its ports. @param opening - of the mesh, m. */
export function meshLaw(
  opening: number,
  area: number,
  port: number,
  liquid: Liquid,
  dirt: number,
): LinkLaw & { kind: 'porous' } {
  const screen = screenLoss({ opening, area }, liquid);
  const body = (BODY_LOSS * liquid.density) / 2 / ((Math.PI / 4) * port ** 2) ** 2;
  return { kind: 'porous', linear: dirt * screen.linear, quadratic: dirt * (screen.quadratic + body) };
}
