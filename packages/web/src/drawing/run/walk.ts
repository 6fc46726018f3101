import type { RunGeometry } from './run-drawing.ts';

export type Direction = 'left' | 'right' | 'up' | 'down';

const ASIDE = 3; // how much worse a step aside is than one in the direction asked for

/** The part that an arrow key leads to: the nearest that way, the tank included; from nowhere, the first. */
export function nextOnRun(
  { slots, tank }: RunGeometry,
  from: string | undefined,
  direction: Direction,
): string | undefined {
  const places = [
    ...slots.map(({ part, x, y }) => ({ id: part.id, x, y })),
    // the tank is left and below of all that lies in it
    ...(tank ? [{ id: tank.part.id, x: tank.left - 20, y: (tank.top + tank.bottom) / 2 }] : []),
  ];
  const here = places.find((p) => p.id === from);
  if (!here) return places[0]?.id;
  const isAlong = direction === 'left' || direction === 'right';
  const sense = direction === 'right' || direction === 'down' ? 1 : -1;
  let best: { id: string; cost: number } | undefined;
  for (const { id, x, y } of places) {
    const [along, aside] = isAlong ? [x - here.x, y - here.y] : [y - here.y, x - here.x];
    if (id === from || along * sense < 8) continue;
    const cost = Math.abs(along) + ASIDE * Math.abs(aside);
    if (!best || cost < best.cost) best = { id, cost };
  }
  return best?.id;
}
