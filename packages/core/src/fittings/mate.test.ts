import { expect } from 'chai';
import { mate } from './mate.ts';
import type { Port, PortForm } from './port.ts';
import { formSizes } from './thread.ts';

const port = (form: PortForm, size: string, gender: Port['gender']): Port => ({ form, size, gender });
const verdict = (a: Port, b: Port) => {
  const joint = mate(a, b);
  return joint.ok ? joint.value : joint.fault.code;
};

describe('a joint of two ports', () => {
  it('seals a 37° flare of one size, male on female (SAE J514)', () => {
    expect(verdict(port('flare37', '−6', 'male'), port('flare37', '−6', 'female'))).to.equal('metalCone');
  });
  it('refuses a plain 37° male in an O-ring boss although the thread is the same', () => {
    expect(mate(port('flare37', '−6', 'male'), port('oRingBoss', '−6', 'female'))).to.deep.equal({
      ok: false,
      fault: { code: 'sealMismatch', thread: '9/16-18' },
    });
  });
  it('refuses a 45° flare on a 37° flare where they share a thread (SAE J512 3/16, 1/4, 5/16, 1/2, 5/8)', () => {
    const shared = [
      ['3/16', '−3'],
      ['1/4', '−4'],
      ['5/16', '−5'],
      ['1/2', '−8'],
      ['5/8', '−10'],
    ] as const;
    for (const [inch, dash] of shared)
      expect(verdict(port('flare45', inch, 'male'), port('flare37', dash, 'female'))).to.equal('sealMismatch');
    expect(verdict(port('flare45', '3/8', 'male'), port('flare37', '−6', 'female'))).to.equal('differentForms');
  });
  it('names the look-alikes that start by hand: M14×1.5 in 9/16-18, NPT in BSPT 1/2-14, M10×1 in 1/8-27', () => {
    expect(verdict(port('metricBanjo', 'M14×1.5', 'male'), port('oRingBoss', '−6', 'female'))).to.equal('lookAlike');
    expect(verdict(port('npt', '1/2', 'male'), port('bspt', '1/2', 'female'))).to.equal('lookAlike');
    expect(verdict(port('npt', '1/8', 'female'), port('metricBanjo', 'M10×1', 'male'))).to.equal('lookAlike');
  });
  it('clamps hose on a barb or a bead of its own size only', () => {
    expect(verdict(port('barb', '3/8', 'male'), port('hose', '3/8', 'female'))).to.equal('clampedHose');
    expect(verdict(port('hose', '5/16', 'female'), port('bead', '3/8', 'male'))).to.equal('differentSizes');
  });
  it('refuses two males, and a size that the form does not have', () => {
    expect(verdict(port('npt', '1/4', 'male'), port('npt', '1/4', 'male'))).to.equal('sameGender');
    expect(verdict(port('npt', '−6', 'male'), port('npt', '1/4', 'female'))).to.equal('unknownSize');
  });
  it('is the same from both sides, for every pair of forms and sizes', () => {
    const ports = (Object.keys(formSizes) as PortForm[]).flatMap((form) =>
      Object.keys(formSizes[form]).flatMap((size) => [port(form, size, 'male'), port(form, size, 'female')]),
    );
    for (const a of ports) for (const b of ports) expect(verdict(a, b)).to.equal(verdict(b, a));
  });
});
