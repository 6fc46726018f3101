import { useMemo, type ReactNode } from 'react';
import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import { describeAct } from '@endrel/core/acts/act';
import { capital } from '@endrel/core/units/capital';
import { keepFocusNear } from './return-focus.ts';
import { useAct, useJob, useSession } from '../session/session-context.tsx';

/** A button that does an act and says beforehand what it changes; where it would be refused it says why instead. */
export function ActButton({
  act,
  label,
  children,
  className = 'button',
  onDone,
}: {
  act: Act | undefined;
  label?: string;
  children: ReactNode;
  className?: string;
  onDone?(): void;
}) {
  const job = useJob();
  const session = useSession();
  const dispatch = useAct();
  const tried = useMemo(() => act && tryAct(job, act), [job, act]);
  const says =
    !act || !tried
      ? ''
      : tried.ok
        ? `${capital(describeAct(job, act))}${changesOf(job, tried.value)}`
        : tried.fault.message;
  return (
    <button
      className={className}
      aria-disabled={!tried?.ok}
      aria-label={label}
      title={says}
      onClick={() => {
        // why it cannot be done is said to who presses it: there is nothing to hover with under a car
        if (!act || !tried) return session.say('That cannot be done with this part where it is.');
        if (!tried.ok) return session.say(`Not possible: ${tried.fault.message}.`);
        dispatch(act);
        onDone?.();
        keepFocusNear();
      }}
    >
      {children}
    </button>
  );
}

type Records = Readonly<Record<string, unknown>>;

/** How many parts and joints an act puts in or takes away. */
function changesOf(before: { parts: Records; joints: Records }, after: { parts: Records; joints: Records }): string {
  const said = (['parts', 'joints'] as const).flatMap((kind) => {
    const [old, now] = [Object.keys(before[kind]), Object.keys(after[kind])];
    const gone = old.filter((id) => !(id in after[kind])).length;
    const made = now.filter((id) => !(id in before[kind])).length;
    const one = kind.slice(0, -1);
    const count = (n: number) => `${n} ${n === 1 ? one : kind}`;
    return [...(made > 0 ? [`${count(made)} new`] : []), ...(gone > 0 ? [`${count(gone)} gone`] : [])];
  });
  return said.length > 0 ? ` (${said.join(', ')})` : '';
}
