import { readFileSync } from 'node:fs';
import { expect } from 'chai';

const text = readFileSync(new URL('./tokens.css', import.meta.url), 'utf8');
const [day = '', underCar = ''] = text.split("[data-theme='under-car']");
const tokensOf = (css: string) =>
  Object.fromEntries(
    [...css.matchAll(/--([a-z-]+): (#[0-9a-f]{6})/g)].map(([, name, value]) => [name, value]),
  ) as Record<string, string>;

/** Relative luminance and contrast as WCAG 2.2 defines them. */
const luminance = (colour: string): number => {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(colour.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
};

const inks = ['ink', 'ink-soft', 'supply', 'return', 'vent', 'electrical', 'stop', 'fix', 'note', 'good'];
const grounds = ['paper', 'sheet', 'lit', 'fuel'];

describe('colours', () => {
  it('contrast is reckoned as the standard has it', () => {
    expect(contrast('#000000', '#ffffff')).to.be.closeTo(21, 1e-9);
    expect(contrast('#777777', '#ffffff')).to.be.closeTo(4.48, 0.01); // WCAG's own well-known example of just too little
  });
  for (const [theme, css, least] of [
    ['day', day, 4.5],
    ['under-car', underCar, 7],
  ] as const)
    for (const ink of inks)
      it(`${ink} stands out ${least}:1 on every ground of the ${theme} theme`, () => {
        const tokens = tokensOf(css);
        for (const ground of grounds) expect(contrast(tokens[ink]!, tokens[ground]!), ground).to.be.at.least(least);
      });
});
