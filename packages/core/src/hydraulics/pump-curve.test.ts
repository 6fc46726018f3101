import { expect } from 'chai';
import { kPa, litresPerHour } from '../units/quick.ts';
import { flowAgainst, pumpCurveAt, pumpTableFault, type PumpRows } from './pump-curve.ts';

const table = (voltage: number, rows: [number, number, number?][]): PumpRows => ({
  voltage,
  rows: rows.map(([p, q, current]) => ({ pressure: kPa(p), flow: litresPerHour(q), current })),
});
const at12 = table(12, [
  [200, 250, 7],
  [300, 220, 8],
  [400, 180, 9],
]);
const at14 = table(13.5, [
  [200, 290, 8],
  [300, 262, 9],
  [400, 228, 10],
]);

function curve(tables: PumpRows[], voltage: number) {
  const found = pumpCurveAt(tables, voltage);
  if (!found.ok) throw new Error(found.fault.code);
  return found.value;
}

describe('a pump from its table', () => {
  it('gives back its rows at a tabled voltage, whatever order they were typed in', () => {
    const shuffled = { voltage: 12, rows: [...at12.rows].reverse() };
    expect(curve([shuffled], 12).rise.value(litresPerHour(220))).to.be.closeTo(kPa(300), 1);
    expect(curve([at12], 12).extrapolated).to.equal(false);
  });
  it('lies between two voltages in proportion', () => {
    const q = litresPerHour(240);
    const [low, middle, high] = [12, 12.75, 13.5].map((v) => curve([at14, at12], v).rise.value(q));
    expect(middle).to.be.closeTo((low! + high!) / 2, 1e-6);
  });
  it('follows the affinity laws outside the table and says so', () => {
    const outside = curve([at12], 13.2);
    expect(outside.extrapolated).to.equal(true);
    expect(outside.rise.value(litresPerHour(220 * 1.1))).to.be.closeTo(kPa(300 * 1.21), 1);
  });
  it('interpolates current by pressure and by voltage', () => {
    expect(curve([at12, at14], 12.75).current(kPa(350))).to.be.closeTo(9, 1e-9);
  });
  it('knows whether its dead-head pressure is in the table', () => {
    expect(curve([at12], 12).deadHeadBeyondTable).to.equal(true);
    expect(
      curve(
        [
          table(12, [
            [0, 300],
            [300, 200],
            [700, 0],
          ]),
        ],
        12,
      ).deadHead,
    ).to.be.closeTo(kPa(700), 1e-6);
  });
  it('continues a table that stops short in the shape of a fuller one: less voltage never gives more pressure', () => {
    const full = table(13.5, [
      [0, 420],
      [300, 340],
      [600, 200],
      [760, 0],
    ]);
    const short = table(12, [
      [0, 364],
      [300, 279],
      [500, 190],
    ]);
    for (const voltage of [12, 12.5, 13])
      for (let q = 0; q < 360; q += 20)
        expect(curve([full, short], voltage).rise.value(litresPerHour(q))).to.be.lessThan(
          curve([full], 13.5).rise.value(litresPerHour(q)),
        );
    expect(curve([full, short], 12).deadHeadBeyondTable).to.equal(true);
  });
  it('refuses a table whose flow rises with pressure, and names the row', () => {
    expect(
      pumpTableFault([
        table(12, [
          [200, 250],
          [300, 260],
          [400, 180],
        ]),
      ]),
    ).to.include({ code: 'notMonotone', row: 1 });
    // as much flow at a higher pressure is no pump either
    expect(
      pumpTableFault([
        table(12, [
          [200, 250],
          [300, 250],
        ]),
      ]),
    ).to.include({ code: 'notMonotone', row: 1 });
    expect(
      pumpTableFault([
        table(12, [
          [200, 250],
          [200, 240],
        ]),
      ]),
    ).to.include({ code: 'samePressure', row: 1 });
    expect(pumpTableFault([table(12, [[200, 250]])])).to.include({ code: 'tooFewRows' });
    expect(pumpTableFault([at12, at12])).to.include({ code: 'sameVoltage', table: 1 });
  });
});

// Closed form: a displacement pump's flow is what it displaces, with its speed, less what slips back, with the pressure.
describe('a displacement pump at another voltage than its table’s', () => {
  const LPH = 1 / 3.6e6;
  // 200 L/h displaced at 12 V, 0.2 L/h slip per kPa
  const tables = [
    { voltage: 12, rows: [0, 100, 200, 300].map((p) => ({ pressure: p * 1e3, flow: (200 - 0.2 * p) * LPH })) },
  ];
  const flowAt = (volts: number, pressure: number, works?: 'displacement' | 'turbine') => {
    const curve = pumpCurveAt(tables, volts, works);
    if (!curve.ok) throw new Error('no curve');
    return flowAgainst(curve.value, pressure) / LPH;
  };
  it('gains flow in proportion to speed and keeps its slip', () => {
    expect(flowAt(13.5, 200e3, 'displacement')).to.be.closeTo(200 * (13.5 / 12) - 40, 0.2);
    expect(flowAt(9, 200e3, 'displacement')).to.be.closeTo(200 * (9 / 12) - 40, 0.2);
    expect(flowAt(9, 200e3)).to.be.lessThan(flowAt(9, 200e3, 'displacement')); // a turbine loses pressure with speed squared
  });
  it('is as its table says at its own voltage, and marked beyond it', () => {
    const at = (volts: number) => pumpCurveAt(tables, volts, 'displacement');
    expect(flowAt(12, 150e3, 'displacement')).to.be.closeTo(170, 1e-6);
    for (const [volts, is] of [
      [12, false],
      [11.9, true],
    ] as const) {
      const c = at(volts);
      expect(c.ok && c.value.extrapolated).to.equal(is);
    }
  });
});
