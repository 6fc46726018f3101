import { choice, flag, quantity, TYPICAL } from '../../fields/property.ts';
import { bar, kPa, mm } from '../../units/quick.ts';

/** What a regulator is known by, with a filter in its body or without. */
export const regulatorProperties = {
  action: choice(
    'works by',
    { bypass: 'bypass: spills to the return', deadHead: 'dead-head: blocks the supply' },
    { needed: true },
  ),
  setPressure: quantity('set pressure', 'pressure', 'bar', {
    maximum: bar(15),
    likely: [kPa(10), bar(7)],
    needed: true,
  }),
  setAt: choice(
    'it is set',
    {
      spring: 'by its spring: it opens there',
      heldOn: 'with the pump held on, engine off, reference hose off',
      idle: 'at idle, reference hose off',
    },
    { hint: 'What it reads while that much is spilled; with less spilled it holds less, by its rise.' },
  ),
  bleeds: flag('lets the pressure go when the pump stops', 'Some do by design, others are worn.'),
  adjustable: flag('set pressure can be adjusted'),
  referenced: flag('reference hose joins the manifold'),
  slope: quantity('rise per 100 L/h', 'pressure', 'kPa', {
    maximum: kPa(200),
    typical: { si: kPa(3), source: TYPICAL },
  }),
  seatBore: quantity('seat bore, wide open', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.5),
    maximum: mm(30),
    typical: { si: mm(5.5), source: TYPICAL },
  }),
  seatLoss: quantity('seat loss K, wide open', 'number', '', {
    minimum: 0.5,
    maximum: 200,
    typical: { si: 6, source: TYPICAL },
  }),
};
