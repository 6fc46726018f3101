import { z } from 'zod';
import { lineSchema } from '../job/text.ts';

/** How a port seals and holds. */
export const portForms = {
  flare37: '37° flare',
  flare45: '45° flare',
  invertedFlare: 'inverted flare',
  oRingBoss: 'O-ring boss',
  npt: 'tapered pipe, NPT',
  bspt: 'tapered pipe, BSPT (R)',
  bspp: 'parallel pipe, BSPP (G)',
  metricBanjo: 'metric, banjo or washer',
  quickConnector: 'quick connector',
  barb: 'hose barb',
  bead: 'beaded tube end',
  hose: 'plain hose end',
} as const;
export type PortForm = keyof typeof portForms;

export const portSchema = z.strictObject({
  form: z.enum(Object.keys(portForms) as [PortForm, ...PortForm[]]),
  /** A size that the form knows, such as `−6` or `3/8`. */
  size: lineSchema(12).min(1),
  gender: z.enum(['male', 'female']),
});
export type Port = z.infer<typeof portSchema>;

export const describePort = (port: Port): string => `${port.gender} ${portForms[port.form]} ${port.size}`;
