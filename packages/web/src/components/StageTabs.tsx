import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { markFailed } from '../session/failed-places.ts';
import { useJobIfOpen } from '../session/session-context.tsx';
import { Boundary } from './Boundary.tsx';

interface StageTabsProps<K extends string> {
  readonly label: string;
  readonly names: Readonly<Record<K, string>>;
  children(tab: K): ReactNode;
}

/** Pages within a stage. Which is open stands in the address, so that back and reload work. */
export function StageTabs<K extends string>({ label, names, children }: StageTabsProps<K>) {
  const [search, setSearch] = useSearchParams();
  const job = useJobIfOpen();
  const keys = Object.keys(names) as K[];
  const open = keys.find((key) => key === search.get('tab')) ?? keys[0]!;
  return (
    <Tabs.Root
      value={open}
      onValueChange={(next) =>
        setSearch(
          (before) => {
            before.set('tab', next);
            return before;
          },
          { replace: true, flushSync: true },
        )
      }
    >
      <Tabs.List aria-label={label} className="no-print mb-3 flex flex-wrap gap-x-5 border-b border-hair">
        {keys.map((key) => (
          <Tabs.Trigger
            key={key}
            value={key}
            className="min-h-8 border-b-3 border-transparent px-0.5 pb-0.5 font-semibold text-ink-soft data-[state=active]:border-ink data-[state=active]:text-ink"
            style={{ fontStretch: '84%' }}
          >
            {names[key]}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value={open} tabIndex={-1}>
        <Boundary key={open} what={`“${names[open]}”`} tries={[job]} onFailed={() => markFailed(window.location)}>
          {children(open)}
        </Boundary>
      </Tabs.Content>
    </Tabs.Root>
  );
}
