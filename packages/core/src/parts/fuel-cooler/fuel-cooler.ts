import { formatQuantity } from '../../units/format-quantity.ts';
import { kPa, litresPerHour } from '../../units/quick.ts';
import { flag, quantity, TYPICAL } from '../../fields/property.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import { fuelHeld, sheetLaw, sheetProperties } from '../filter-element.ts';
import { specification } from '../list-line.ts';

const properties = {
  sheds: quantity('heat it sheds per kelvin', 'conductance', 'W/K', {
    maximum: 200,
    likely: [2, 60],
    typical: { si: 12, source: TYPICAL },
    hint: 'Over the air that passes it, at the flow it will see: its sheet’s watts over the difference they were told at.',
  }),
  ...sheetProperties(litresPerHour(150), kPa(4)),
  fuelHeld,
  maximumPressure: quantity('maximum pressure', 'pressure', 'kPa', {
    maximum: 1e7,
    hint: 'Printed on it; most are made for a return.',
  }),
  reversed: flag('arrow points against the flow'),
};

/** Fuel gives heat off to the air in it: in the return, before the tank, or wherever it is put. */
export const fuelCooler = definePart('fuelCooler', 'Fuel cooler', properties, {
  ports: twoEnds,
  blocks: () => false,
  holds: (part) => settled(properties.fuelHeld, part.fuelHeld),
  heat: (part) => ({ sheds: settled(properties.sheds, part.sheds) }),
  buys: ({ sheds, maximumPressure }, say) =>
    specification(
      sheds && `sheds ${formatQuantity('conductance', sheds.si)}`,
      maximumPressure && `up to ${say('pressure', maximumPressure.si)}`,
    ),
  symbol: () => 'cooler',
  lower: (part) => ({
    links: [{ id: part.id, from: 'in', to: 'out', law: ({ liquid }) => sheetLaw(properties, part, liquid, 1) }],
    through: part.id,
  }),
});
