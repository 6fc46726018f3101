import type { OldConnection } from '../job/old-connection.ts';

/** What becomes of one old connection. */
export interface BlockedOff {
  readonly id: string;
  readonly act: string;
  /** What no longer works; absent when nothing is lost. */
  readonly lost?: string;
  /** true: can be put back as it was. */
  readonly reversible: boolean;
  /** Grave enough to stop for. */
  readonly dangerous: boolean;
}

const lostBy: Record<NonNullable<OldConnection['did']>, string | undefined> = {
  feed: 'The old engine cannot be fed again without it.',
  return: 'Nothing brings fuel back: only a system without a return may be fitted.',
  breather: 'The tank no longer breathes here: another vent has to take the pump’s draw and the filling.',
  canister: 'Vapour no longer reaches the canister: the law may ask for it.',
  filling: 'Air cannot get away while filling: the nozzle clicks off early.',
  overflow: 'Spilled fuel round the filler no longer drains away.',
  drain: 'The tank can only be emptied from above.',
  heater: 'The fuel-fired heater is dead.',
  sender: 'The old sender or pump cannot go back.',
  crossing: 'The lobes are no longer joined: each must be emptied by a jet or a pump.',
};
const acts = {
  reuse: 'use it again',
  cap: 'cap or plug it',
  weld: 'weld or braze it shut',
  remove: 'take it away',
  open: 'leave it open',
} as const;

/** Capped, or taken away and kept: it can be put back. */
const isKept = ({ fate, tagged }: OldConnection): boolean => fate === 'cap' || (fate === 'remove' && tagged === true);
/** What costs nothing while it is kept: the old engine and the old sender are out anyway. */
const comesBack = new Set<OldConnection['did']>(['feed', 'sender']);

/** The list of old connections with what each closing costs, and whether the job can be undone there. */
export function blockingOff(connections: readonly OldConnection[]): BlockedOff[] {
  return connections.flatMap((c): BlockedOff[] => {
    if (!c.did || !c.fate) return [];
    const closed = c.fate === 'cap' || c.fate === 'weld' || c.fate === 'remove';
    return [
      {
        id: c.id,
        act: c.by ? `${acts[c.fate]}: ${c.by}` : acts[c.fate],
        lost: closed && !(isKept(c) && comesBack.has(c.did)) ? lostBy[c.did] : undefined,
        reversible: c.fate === 'reuse' || isKept(c),
        dangerous: c.fate === 'open',
      },
    ];
  });
}

/** What it is called: by its people, or by what it did. */
export const oldConnectionName = ({ label, did }: Pick<OldConnection, 'label' | 'did'>): string =>
  label ?? (did ? oldNames[did] : 'old connection');

const oldNames: Record<NonNullable<OldConnection['did']>, string> = {
  feed: 'old feed',
  return: 'old return',
  breather: 'breather',
  canister: 'canister line',
  filling: 'filling breather',
  overflow: 'filler overflow',
  drain: 'drain',
  heater: 'heater feed',
  sender: 'old sender hole',
  crossing: 'crossing between lobes',
};
