import { expect } from 'chai';
import { inches, kPa, mm, psi } from '../units/quick.ts';
import { hoseConstructions } from './hose-construction.ts';
import { barlowPressure, lineMaterials } from './line-material.ts';

describe('working pressure of hard line', () => {
  it('is p = 2 S t / (4 D): 3/8 × 0.035 in 304 at 515 MPa comes to 24 MPa (Barlow, worked by hand)', () => {
    // 2 x 515 MPa x 0.889 mm / (4 x 9.525 mm)
    expect(barlowPressure(lineMaterials.stainless304.strength, inches(0.035), inches(3 / 8))).to.be.closeTo(
      24.03e6,
      0.01e6,
    );
  });
  it('goes with the wall and against the diameter', () => {
    expect(barlowPressure(1e8, mm(2), mm(20)) / barlowPressure(1e8, mm(1), mm(20))).to.be.closeTo(2, 1e-12);
    expect(barlowPressure(1e8, mm(1), mm(20)) / barlowPressure(1e8, mm(1), mm(10))).to.be.closeTo(0.5, 1e-12);
  });
  it('refuses a tube without a bore', () => {
    expect(() => barlowPressure(1e8, mm(5), mm(10))).to.throw(RangeError);
    expect(() => barlowPressure(1e8, 0, mm(10))).to.throw(RangeError);
  });
});

describe('hose constructions', () => {
  it('let only SAE 30R10 of the rubbers into the tank (SAE J30)', () => {
    const rubbers = Object.entries(hoseConstructions).filter(([key]) => /^r\d+$/.test(key));
    expect(rubbers.filter(([, h]) => h.immersible).map(([key]) => key)).to.deep.equal(['r10']);
  });
  it('hold 100 psi on injection types and 50 psi on low-pressure ones (SAE J30, limits from memory)', () => {
    for (const key of ['r9', 'r10', 'r14'] as const)
      expect(hoseConstructions[key].workingPressure).to.be.closeTo(psi(100), kPa(1));
    for (const key of ['r6', 'r7'] as const)
      expect(hoseConstructions[key].workingPressure).to.be.closeTo(psi(50), kPa(5));
  });
  it('say where every figure comes from', () => {
    for (const hose of Object.values(hoseConstructions)) expect(hose.source).to.match(/from memory/);
  });
});
