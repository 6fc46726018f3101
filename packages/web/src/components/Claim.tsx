import type { ReactNode } from 'react';
import { useReckoning } from '../session/session-context.tsx';

/** A sentence that says what is missing or that nothing is wrong: it stands only once the job is judged. */
export function Claim({ children }: { children: ReactNode }) {
  const { state } = useReckoning();
  if (state === 'reckoning') return <>Not reckoned yet.</>;
  if (state === 'failed') return <>Not reckoned: Endrel cannot reckon here, see the snags.</>;
  return <>{children}</>;
}
