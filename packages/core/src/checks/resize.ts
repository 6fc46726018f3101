import { capital } from '../units/capital.ts';
import { formatQuantity } from '../units/format-quantity.ts';
import type { Job } from '../job/job.ts';
import { deviceWord } from '../wiring/circuit-words.ts';
import { sizeFields } from '../wiring/resized.ts';
import type { SizeChange } from '../wiring/sizes.ts';
import type { SnagReport } from './snag.ts';

/** Other wires and fuses as one edit, in words. */
export function resize(
  { wiring = {} }: Pick<Job, 'wiring'>,
  changes: readonly SizeChange[],
): Pick<SnagReport, 'cure' | 'act' | 'actLabel'> {
  const name = (c: SizeChange) =>
    c.kind === 'fuse'
      ? `${formatQuantity('current', c.amps)} in ${deviceWord({ wiring }, c.id)}`
      : `${c.awg} AWG for wire ${(wiring.wires ?? []).findIndex((w) => w.id === c.id) + 1}`;
  const words = changes.map(name).join(', ');
  const short = changes.length > 3 ? `${changes.length} wires and fuses` : words;
  return {
    cure: `${capital(words)}.`,
    act: { act: 'setAll', title: `change ${short}`.slice(0, 120), changes: sizeFields(changes) },
    actLabel: `Use ${short}`,
  };
}
