import type { Gauge } from '../job/gauge.ts';

/**
 * How far a heat gauge's needle moves at ½ because its supply is not what it was made for, as a share of the scale.
 *
 * Its deflection goes with the heat in its own winding, I²R: with its voltage the heat at every reading goes up by the
 * square. Undefined for crossed coils, which do not mind, and while a value is unknown.
 */
export function supplyShift(gauge: Gauge): number | undefined {
  const { movement, stabiliser, gaugeResistance, gaugeEmpty, gaugeFull, supply } = gauge;
  if (movement !== 'bimetal' || !stabiliser || !gaugeResistance || !gaugeEmpty || !gaugeFull || !supply)
    return undefined;
  const heat = (volts: number, ohms: number) => (volts / (gaugeResistance.si + ohms)) ** 2;
  const [atEmpty, atFull] = [heat(stabiliser.si, gaugeEmpty.si), heat(stabiliser.si, gaugeFull.si)];
  if (atEmpty === atFull) return undefined;
  const half = (atEmpty + atFull) / 2;
  return (half * (supply.si / stabiliser.si) ** 2 - half) / (atFull - atEmpty);
}
