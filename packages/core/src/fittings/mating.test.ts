import { expect } from 'chai';
import { mate, sayMismatch, seatings, startsByHand, type Mismatch } from './mating.ts';
import { readPort } from './read-port.ts';
import { sayPort, type Port } from './port.ts';
import { portForm, portFormKeys } from './port-form.ts';
import { portSize, portSizes } from './port-size.ts';
import { threadByCode } from '../threads/thread.ts';

const port = (text: string): Port => {
  const read = readPort(text);
  if (!read.ok) throw new Error(read.fault);
  return read.value;
};
const verdict = (a: string, b: string): string => {
  const joint = mate(port(a), port(b));
  return joint.mates ? joint.seal : joint.mismatch.code;
};
const mismatch = (a: string, b: string): Mismatch => {
  const joint = mate(port(a), port(b));
  if (joint.mates) throw new Error(`${a} and ${b} mate`);
  return joint.mismatch;
};
const said = (a: string, b: string) => sayMismatch(mismatch(a, b), port(a), port(b));

const everyPort = (): Port[] =>
  portFormKeys.flatMap((form) =>
    Object.keys(portSizes(form)).flatMap((size): Port[] =>
      (['male', 'female'] as const)
        .filter((gender) => (portForm(form).only ?? gender) === gender)
        .map((gender) => ({ form, size, gender })),
    ),
  );

describe('what mates with what', () => {
  it('seals a 37° flare of one size, male on female (SAE J514), and says that hydraulic and aviation ends mate', () => {
    const joint = mate(port('male flare37 -6'), port('swivel female flare37 -6'));
    expect(joint).to.include({ mates: true, seal: 'metalCone' });
    expect(joint.mates && joint.note).to.match(/Hydraulic and aviation 37° ends mate/);
  });
  it('refuses a plain 37° male in an O-ring boss although the thread is the same', () => {
    expect(mismatch('male flare37 -6', 'female orb -6')).to.deep.include({ code: 'screwsOn', thread: '9/16-18' });
    expect(said('male flare37 -6', 'female orb -6')).to.match(/no O-ring/);
  });
  it('refuses a 45° flare on a 37° flare where they share a thread (SAE J512 3/16, 1/4, 5/16, 1/2, 5/8)', () => {
    for (const [inch, dash] of [
      ['3/16', '-3'],
      ['1/4', '-4'],
      ['5/16', '-5'],
      ['1/2', '-8'],
      ['5/8', '-10'],
    ])
      expect(verdict(`male flare45 ${inch}`, `female flare37 ${dash}`)).to.equal('screwsOn');
    expect(verdict('male flare45 3/8', 'female flare37 -6')).to.not.equal('screwsOn');
  });
  it('names the look-alikes that start by hand', () => {
    const pairs = [
      ['male metric M14x1.5', 'female orb -6', /M14×1\.5 and 9\/16-18/],
      ['male npt 1/2', 'female bspt 1/2', /60° meet flanks of 55°/],
      ['female npt 1/8', 'male metric M10x1', /one is tapered, the other parallel/],
      ['male flare45 3/8', 'female metric M16x1.5', /5\/8-18/],
    ] as const;
    for (const [a, b, words] of pairs) {
      expect(verdict(a, b), a).to.equal('lookAlike');
      expect(said(a, b)).to.match(words);
    }
  });
  it('starts nothing by hand that differs by more than a turn or two takes', () => {
    const thread = (code: string) => threadByCode(code)!;
    expect(startsByHand(thread('metric:M14x1.5'), thread('orb:-6'))).to.equal(true);
    expect(startsByHand(thread('metric:M14x1.5'), thread('metric:M16x1.5'))).to.equal(false);
    expect(startsByHand(thread('metric:M10x1'), thread('metric:M12x1.5'))).to.equal(false);
    // just under and just over: 0.65 mm of diameter, 7 % of pitch; common practice
    const own = thread('metric:M14x1.5');
    const like = (bigger: number, coarser: number) =>
      startsByHand(own, { ...own, readMale: own.readMale + bigger, pitch: own.pitch / (1 + coarser) });
    expect([like(0.00064, 0), like(-0.00064, 0), like(0.00066, 0), like(-0.00066, 0)]).to.deep.equal([
      true,
      true,
      false,
      false,
    ]);
    expect([like(0, 0.069), like(0, 0.071)]).to.deep.equal([true, false]);
  });
  it('clamps hose on a barb or a bead of its own size only, and never on plain tube', () => {
    expect(verdict('barb 3/8', 'hose 3/8')).to.equal('clampedHose');
    expect(verdict('hose 5/16', 'bead 3/8')).to.equal('differentSizes');
    expect(verdict('hose 3/8', 'tube 3/8')).to.equal('noBead');
  });
  it('wants hose ends of their own for PTFE hose', () => {
    expect(verdict('hoseend -6 PTFE', 'hose -6 PTFE')).to.equal('hoseEnd');
    expect(verdict('hoseend -6', 'hose -6 PTFE')).to.equal('differentSizes');
  });
  it('seals a taper R in a parallel Rp (ISO 7-1), never a parallel in a taper', () => {
    expect(verdict('male bspt 1/4', 'female bspp 1/4')).to.equal('taperedThread');
    expect(verdict('male bspp 1/4', 'female bspt 1/4')).to.not.equal('taperedThread');
  });
  it('refuses two males, and a size that the form does not have', () => {
    expect(verdict('male npt 1/4', 'male npt 1/4')).to.equal('sameGender');
    expect(mate({ form: 'npt', size: '−6', gender: 'male' }, port('female npt 1/4'))).to.deep.include({ mates: false });
  });
  it('is the same from both sides, and mates with one size only, for every pair of ports', () => {
    const ports = everyPort();
    const code = (a: Port, b: Port) => {
      const joint = mate(a, b);
      return joint.mates ? joint.seal : joint.mismatch.code;
    };
    for (const a of ports)
      for (const b of ports) {
        expect(code(a, b)).to.equal(code(b, a));
        if (mate(a, b).mates) expect(a.size).to.equal(b.size);
      }
  });
  it('has for every seating two ends that mate by it', () => {
    for (const { a, b, seal } of seatings) {
      const size = Object.keys(portSizes(a[0])).find((s) => portSize(b[0], s))!;
      expect(mate({ form: a[0], size, gender: a[1] }, { form: b[0], size, gender: b[1] })).to.include({ seal });
    }
  });
  it('says every mismatch in words that name both', () => {
    const ports = everyPort();
    for (const a of ports)
      for (const b of ports) {
        const joint = mate(a, b);
        if (!joint.mates)
          expect(sayMismatch(joint.mismatch, a, b))
            .to.match(/\w{3}/)
            .and.not.match(/undefined|NaN/);
      }
  });
});

describe('the notation of ports', () => {
  it('reads what it writes, for every port', () => {
    for (const p of everyPort()) {
      const swivel: Port = portForm(p.form).only ? p : { ...p, swivel: true };
      expect(port(sayPort(p))).to.deep.equal(p);
      expect(port(sayPort(swivel))).to.deep.equal(swivel);
    }
  });
  it('takes words in any case, an ASCII dash, and the usual names', () => {
    expect(port('FEMALE orb −8')).to.deep.equal({ form: 'oRingBoss', size: '−8', gender: 'female' });
    expect(port('male an -6')).to.deep.equal(port('male flare37 -6'));
    expect(port('male M10x1 metric'.split(' ').sort().reverse().join(' '))).to.deep.include({ size: 'M10×1' });
    expect(port('hose -6 ptfe').size).to.equal('−6 PTFE');
  });
  it('says what is wrong with what it cannot read', () => {
    const fault = (text: string) => {
      const read = readPort(text);
      return read.ok ? '' : read.fault;
    };
    expect(fault('flare37 -6')).to.match(/neither male nor female/);
    expect(fault('male flare37 -7')).to.match(/no size “-7”; it has -3, -4/);
    expect(fault('male wobble 3')).to.match(/“wobble” is no form of port; there are flare37/);
    expect(fault('male hose -6')).to.match(/always female/);
  });
});
