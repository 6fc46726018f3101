import { useMemo } from 'react';
import { sayEnd } from '@endrel/core/wiring/wire-list';
import { deviceName } from '@endrel/core/harness/devices/index';
import type { Harness } from '@endrel/core/harness/harness';
import type { WiringFindings } from '@endrel/core/wiring/wiring-findings';
import { useAssessment, useJob } from '../../session/session-context.tsx';

/** The circuit as it is drawn and what is found of it; findings lag behind an edit by a moment. */
export function useWiring(): { harness: Harness; found: WiringFindings | undefined; say(id: string): string } {
  const { wiring } = useJob();
  const found = useAssessment()?.findings.wiring;
  return useMemo(() => {
    const harness = wiring ?? {};
    return { harness, found, say: (id: string) => sayWay(harness, id) };
  }, [wiring, found]);
}

/** “Wire 4, Fuse, 30 to Relay, 30”, or a device's name. */
export function sayWay(harness: Harness, id: string): string {
  const at = (harness.wires ?? []).findIndex((w) => w.id === id);
  const wire = harness.wires?.[at];
  if (wire) return `Wire ${at + 1}, ${sayEnd(harness, wire.from)} to ${sayEnd(harness, wire.to)}`;
  const device = harness.devices?.find((d) => d.id === id);
  return device ? deviceName(device) : id;
}
