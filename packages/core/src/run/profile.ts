import type { Span } from './spans.ts';
import type { PointResult } from './point-result.ts';

/** Pressure at a place along the run: metres of line from the tank, out and back. */
export interface ProfilePoint {
  readonly distance: number; // m
  readonly pressure: number; // Pa gauge
  /** The part whose inlet or outlet this is. */
  readonly part: string;
  readonly end: 'inlet' | 'outlet';
}

/** Pressure along the supply and on along the return, in the order in which fuel passes. */
export function pressureProfile(spans: readonly Span[], result: PointResult): ProfilePoint[] {
  const supplyLength = Math.max(0, ...spans.filter((s) => s.line === 'supply').map((s) => s.start + s.length));
  return spans.flatMap((span): ProfilePoint[] => {
    const flow = result.parts.find((c) => c.id === span.part);
    if (!flow) return [];
    const start = span.start + (span.line === 'supply' ? 0 : supplyLength);
    return [
      { distance: start, pressure: flow.inletPressure, part: span.part, end: 'inlet' },
      { distance: start + span.length, pressure: flow.outletPressure, part: span.part, end: 'outlet' },
    ];
  });
}
