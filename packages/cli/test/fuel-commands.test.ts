import { expect } from 'chai';
import { run } from '../src/main.ts';

async function endrel(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}
async function json(...args: string[]): Promise<Record<string, number | string | null>> {
  const { code, out, err } = await endrel(...args, '--json');
  expect(code, err).to.equal(0);
  return JSON.parse(out) as Record<string, number | string | null>;
}

describe('endrel fuel', () => {
  it('tells a blend at a temperature', async () => {
    const e85 = await json('fuel', '--ethanol', '85', '--rvp', '60kPa', '--at', '50C');
    expect(Object.keys(e85)).to.deep.equal([
      'density_kg_m3',
      'viscosity_mPa_s',
      'vapour_kPa',
      'boils_C',
      'stoichiometric',
      'volume_multiplier',
    ]);
    // reference G: 9.81413 and 1.42624 of E85
    expect(e85.stoichiometric).to.be.closeTo(9.81413, 1e-4);
    expect(e85.volume_multiplier).to.be.closeTo(1.42624, 1e-4);
    const at = async (ethanol: string) =>
      (await json('fuel', '--ethanol', ethanol, '--rvp', '60kPa', '--at', '37.8C')).vapour_kPa as number;
    expect((await at('10')) - (await at('0'))).to.be.within(5, 10);
    expect(await at('E85')).to.be.within(33, 45);
  });
  // Published: ethanol boils at 78.3 °C and has about 29.4 kPa at 50 °C, from memory.
  it('tells ethanol by its own constants, with no Reid figure asked', async () => {
    const e100 = await json('fuel', '--ethanol', '100', '--at', '50C');
    expect(e100.boils_C).to.be.closeTo(78.3, 0.05);
    expect(e100.vapour_kPa).to.be.closeTo(29.4, 0.1);
    expect(e100.volume_multiplier).to.be.closeTo(1.542, 1e-3);
  });
  it('takes the Reid figure of the blend as sold too', async () => {
    const sold = await json('fuel', '--ethanol', '10', '--rvp', '60kPa', '--rvp-of', 'blend', '--at', '37.8C');
    const petrols = await json('fuel', '--ethanol', '10', '--rvp', '60kPa', '--at', '37.8C');
    expect(sold.vapour_kPa).to.be.lessThan(petrols.vapour_kPa as number);
  });
  it('reads out in words, and says what is extrapolated', async () => {
    const { out } = await endrel('fuel', '--ethanol', '85', '--rvp', '60kPa', '--at', '70C');
    expect(out).to.include('(extrapolated)').and.to.include('Wilson').and.to.include('boils at 62.9 °C');
  });
  it('refuses by the option: 120 % ethanol, RVP of 300 kPa, none given, a blend that no petrol makes', async () => {
    for (const [args, complaint] of [
      [['--ethanol', '120', '--rvp', '60kPa'], /--ethanol.*over 100 %/],
      [['--ethanol', '10', '--rvp', '300kPa'], /--rvp.*over 110 kPa/],
      [['--ethanol', '10'], /--rvp is missing/],
      [['--ethanol', '85', '--rvp', '100kPa', '--rvp-of', 'blend'], /no petrol makes/],
      [['--rvp', '60kPa', '--rvp-of', 'diesel'], /petrol or blend/],
      [['--rvp', '60kPa', '--at', '200C'], /--at/],
      [['more'], /options only/],
    ] as const) {
      const { code, err } = await endrel('fuel', ...args);
      expect(code).to.equal(2);
      expect(err).to.match(complaint);
    }
  });
});

describe('endrel jet', () => {
  const usual = ['jet', '--nozzle', '3mm', '--throat', '9mm', '--motive', '200L/h', '--fuel', 'petrol'];
  // Common practice: 200 L/h of petrol through 3 mm hold back 60 kPa.
  it('tells what a jet holds back and draws', async () => {
    const drilled = await json(...usual, '--kind', 'drilled', '--lift', '0.1m');
    expect(Object.keys(drilled)).to.deep.equal(['back_pressure_kPa', 'suction_L_h', 'limit']);
    expect(drilled.back_pressure_kPa).to.be.closeTo(60, 0.5);
    expect(drilled.limit).to.equal('none');
    const moulded = await json(...usual, '--kind', 'moulded', '--lift', '0.1m');
    expect(moulded.suction_L_h).to.be.greaterThan(drilled.suction_L_h as number);
    const edged = await json(...usual, '--edge', 'drilled');
    expect(edged.back_pressure_kPa).to.be.closeTo(60 * (0.62 / 0.8) ** 2, 0.4);
  });
  it('says what limits it: too much lift, or vapour in its throat', async () => {
    expect(await json(...usual, '--lift', '3m')).to.include({ suction_L_h: 0, limit: 'air' });
    const hot = await json(
      'jet',
      '--nozzle',
      '1.5mm',
      '--throat',
      '6mm',
      '--motive',
      '250L/h',
      '--kind',
      'moulded',
      '--rvp',
      '60kPa',
      '--at',
      '48C',
    );
    expect(hot.limit).to.equal('cavitation');
    const diesel = await json(
      'jet',
      '--nozzle',
      '1.5mm',
      '--throat',
      '6mm',
      '--motive',
      '250L/h',
      '--kind',
      'moulded',
      '--fuel',
      'diesel',
      '--at',
      '48C',
    );
    expect(diesel.limit).to.equal('none');
    expect((await endrel(...usual, '--lift', '3m')).out).to.include('does not lift');
  });
  it('refuses a jet wider than its throat, and what it does not know', async () => {
    for (const [args, complaint] of [
      [['--nozzle', '9mm', '--throat', '9mm', '--motive', '200L/h'], /--nozzle: the jet is as wide as its throat/],
      [['--nozzle', '3mm', '--motive', '200L/h'], /--throat is missing/],
      [['--nozzle', '3mm', '--throat', '9mm', '--motive', '-5L/h'], /--motive/],
      [[...usual.slice(1), '--kind', 'cast'], /drilled or moulded/],
      [[...usual.slice(1, -1), 'water'], /not petrol, diesel, ethanol or a blend/],
    ] as const) {
      const { code, err } = await endrel('jet', ...args);
      expect(code, err).to.equal(2);
      expect(err).to.match(complaint);
    }
  });
});
