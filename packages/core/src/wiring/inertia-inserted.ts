import type { Harness } from '../harness/harness.ts';
import { pumpFeeds } from '../harness/pump-feeds.ts';
import { HarnessBuild } from '../harness-templates/harness-build.ts';

/** A harness with an inertia switch in the wire that feeds the coil of the relay before a pump; undefined where there is none. */
export function inertiaInserted(harness: Harness, part: string): Harness | undefined {
  const feeds = pumpFeeds(harness);
  const port = feeds.ok ? feeds.value.ports.find((p) => p.part === part) : undefined;
  const relay = (harness.devices ?? []).find(
    (d) => d.kind === 'relay' && Math.abs(port?.shares.get(`${d.id}/0`) ?? 0) > 1e-9,
  );
  const isCoil = (end: { device: string; terminal: string } | undefined) =>
    end?.device === relay?.id && end?.terminal === '86';
  const wire = (harness.wires ?? []).find((w) => w.stands !== 'out' && (isCoil(w.from) || isCoil(w.to)));
  if (!relay || !wire) return undefined;
  const build = new HarnessBuild({ ...harness, wires: (harness.wires ?? []).filter((w) => w.id !== wire.id) });
  const far = isCoil(wire.from) ? wire.to : wire.from;
  if (!far) return undefined;
  const inertia = build.device('inertiaSwitch');
  const { id: _id, from: _from, to: _to, length: _length, ...same } = wire;
  build.wire(`${far.device}:${far.terminal}`, `${inertia}:in`, same);
  build.wire(`${inertia}:out`, `${relay.id}:86`, same);
  return build.harness;
}
