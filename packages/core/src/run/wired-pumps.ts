import { onceFor } from '../memory/once-for.ts';
import type { Harness } from '../harness/harness.ts';
import type { Feed } from '../harness/lower-harness.ts';
import { pumpFeeds, type PumpFeeds } from '../harness/pump-feeds.ts';
import type { OperatingPoint } from './operating-point.ts';

/** The pumps whose voltage the circuit tells: their way is drawn and measured whole. */
export interface WiredFeeds extends Pick<PumpFeeds, 'open' | 'ohms'> {
  readonly ports: ReadonlySet<string>;
}

const feedsOf = /* @__PURE__ */ onceFor((harness: Harness): { readonly feeds?: WiredFeeds } => {
  const found = pumpFeeds(harness);
  if (!found.ok) return {};
  const { ports, open, ohms } = found.value;
  return { feeds: { open, ohms, ports: new Set(ports.filter((p) => p.unmeasured.length === 0).map((p) => p.part)) } };
});

/** Undefined while nothing is drawn, or where the circuit has no answer. */
export const wiredFeeds = (harness: Harness | undefined): WiredFeeds | undefined => harness && feedsOf(harness).feeds;

/** What feeds the circuit at a point: the battery while the engine stands, then what the engine drives. */
export const feedAt = ({ speed, voltage, feed }: Pick<OperatingPoint, 'speed' | 'voltage' | 'feed'>): Feed => ({
  by: feed ?? (speed > 0 ? 'running' : 'resting'),
  volts: voltage,
});
