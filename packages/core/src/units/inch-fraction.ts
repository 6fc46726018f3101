/** A number of inches as a workshop says it: whole and a fraction in lowest terms. */
export function fractionText(sixtyFourths: number): string {
  const size = Math.abs(sixtyFourths);
  let [top, bottom] = [size % 64, 64];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const whole = Math.floor(size / 64);
  const text = top === 0 ? String(whole) : whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
  return `${sixtyFourths < 0 ? '−' : ''}${text}`;
}

/** The sixty-fourths that a number of inches is exactly, as far as a double tells; `undefined` for any other number. */
export function exactSixtyFourths(inches: number): number | undefined {
  const nearest = Math.round(inches * 64);
  return Math.abs(nearest / 64 - inches) < 1e-9 ? nearest : undefined;
}

const READ_IN_32NDS = 6; // in; on a rule up to here thirty-seconds are read, on a tape sixteenths: common practice

/** As read on a tape or a rule: what is a sixty-fourth exactly as that, all else at the nearest mark. */
export function tapeText(inches: number): string {
  const marks = Math.abs(inches) < READ_IN_32NDS ? 32 : 16;
  return fractionText(exactSixtyFourths(inches) ?? Math.round(inches * marks) * (64 / marks));
}
