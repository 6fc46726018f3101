import { toDegrees } from '../units/quick.ts';
import { zoneKinds } from '../job/routes.ts';
import type { RouteFindings } from './route-findings.ts';
import type { HoseCure } from './hose-cure.ts';
import type { MoveCure } from './move-cure.ts';

/** Millimetres, whole, for sentences that stand in a snag. */
export const sayMm = (metres: number): string => `${Math.round(metres * 1000)} mm`;
const sayDegrees = (angle: number): string => `${Math.round(toDegrees(angle))}°`;

/** What a zone is called in a sentence: by its label, else by what it is. */
export const zoneName = ({ zones }: RouteFindings, id: string): string => {
  const zone = zones.find((z) => z.id === id);
  return zone ? (zone.row.label?.trim() ? `“${zone.row.label}”` : zoneKinds[zone.kind].name) : 'a zone that is gone';
};

const endName = (angle: number): string => (angle === 0 ? 'straight' : `${angle}°`);

/** “Make it 40 mm longer.” */
export function sayHoseCure(cure: HoseCure): string {
  const long = `${cure.by < 0 ? `${sayMm(-cure.by)} shorter` : `${sayMm(cure.by)} longer`}, ${sayMm(cure.cut)} cut`;
  switch (cure.kind) {
    case 'longer':
    case 'shorter':
      return `Make it ${long}.`;
    case 'clock':
      return `Clock its ends to ${sayDegrees(cure.startClock)} and ${sayDegrees(cure.finishClock)}, and make it ${long}.`;
    case 'end':
      return `Put ${endName(cure.startEnd)} and ${endName(cure.finishEnd)} ends on it, clocked to ${sayDegrees(cure.startClock)} and ${sayDegrees(cure.finishClock)}, and make it ${long}.`;
  }
}

const toWay: Record<MoveCure['towards'], string> = {
  rearward: 'rearward',
  forward: 'forward',
  left: 'to the left',
  right: 'to the right',
  up: 'up',
  down: 'down',
};
/** “Move it 12 mm up there.” */
export const sayMoveCure = ({ by, towards }: MoveCure): string => `Move it ${sayMm(by)} ${toWay[towards]} there.`;
