import { mate, startsByHand } from './mating.ts';
import { portForm, portFormKeys, seals, type PortFormKey } from './port-form.ts';
import { portSize, portSizes } from './port-size.ts';
import { describePort, type Port } from './port.ts';
import { measureNext, measurements } from '../threads/measure-next.ts';
import { sayThread, threads, type Gender, type Thread } from '../threads/thread.ts';

/** The form of port that carries threads of a family. */
const formOf = (thread: Thread): PortFormKey | undefined =>
  portFormKeys.find((form) => portForm(form).word === thread.family);

/** What a thread mates with, in words; none for a plain screw, which seals nowhere. */
export function matesOf(thread: Thread, gender: Gender): string[] {
  const form = formOf(thread);
  const size = form && Object.keys(portSizes(form)).find((s) => portSize(form, s)?.thread === thread);
  if (!form || size === undefined) return [];
  const own: Port = { form, size, gender };
  return portFormKeys.flatMap((other) =>
    (['male', 'female'] as const).flatMap((g): string[] => {
      const port: Port = { form: other, size, gender: g };
      const joint = portSize(other, size) ? mate(own, port) : undefined;
      return joint?.mates
        ? [`${describePort(port)}, by ${seals[joint.seal]}${joint.note === undefined ? '' : `. ${joint.note}`}`]
        : [];
    }),
  );
}

/** A thread that is taken for another, and what decides. */
export interface LookAlike {
  readonly thread: Thread;
  readonly decides: string;
}

/** Threads of other families that screw on or start by hand, each with the measurement that decides. */
export const lookAlikesOf = (thread: Thread, gender: Gender): LookAlike[] =>
  threads
    .filter((other) => other !== thread && startsByHand(thread, other))
    .map((other) => {
      const [first] = measureNext([thread, other], gender).best;
      return {
        thread: other,
        decides: first ? measurements[first] : 'Nothing that can be measured: ask what it came off.',
      };
    })
    .sort((a, b) => sayThread(a.thread).localeCompare(sayThread(b.thread)));
