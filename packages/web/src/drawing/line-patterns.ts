/** Each circuit has a colour and a pattern, so that it reads in grey and for colour-blind eyes. */
export const circuits = {
  supply: { stroke: 'var(--supply)', strokeWidth: 2.6, strokeDasharray: undefined },
  return: { stroke: 'var(--return)', strokeWidth: 2.2, strokeDasharray: '9 4' },
  electrical: { stroke: 'var(--electrical)', strokeWidth: 1.5, strokeDasharray: '6 2 1 2' },
  vent: { stroke: 'var(--vent)', strokeWidth: 1.8, strokeDasharray: '2 4' },
} as const;
export type Circuit = keyof typeof circuits;
