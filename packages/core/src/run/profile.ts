import type { Span } from './build-network.ts';
import type { PointResult } from './solve-run.ts';

/** Pressure at a place along the run: metres of line from the tank, out and back. */
export interface ProfilePoint {
  readonly distance: number; // m
  readonly pressure: number; // Pa gauge
  /** The component whose inlet or outlet this is. */
  readonly component: string;
  readonly end: 'inlet' | 'outlet';
}

/** Pressure along the supply and on along the return, in the order in which fuel passes. */
export function pressureProfile(spans: readonly Span[], result: PointResult): ProfilePoint[] {
  const supplyLength = Math.max(0, ...spans.filter((s) => s.line === 'supply').map((s) => s.start + s.length));
  return spans.flatMap((span): ProfilePoint[] => {
    const flow = result.components.find((c) => c.id === span.component);
    if (!flow) return [];
    const start = span.start + (span.line === 'return' ? supplyLength : 0);
    return [
      { distance: start, pressure: flow.inletPressure, component: span.component, end: 'inlet' },
      { distance: start + span.length, pressure: flow.outletPressure, component: span.component, end: 'outlet' },
    ];
  });
}
