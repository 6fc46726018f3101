import { useEffect } from 'react';
import { Link, useNavigate } from 'react-router';
import { ThemeButton, UnitsButton } from '../../components/PreferenceButtons.tsx';
import { StageTabs } from '../../components/StageTabs.tsx';
import { ChainFinder } from './ChainFinder.tsx';
import { ShelfTab } from './ShelfTab.tsx';
import { ThreadFinder } from './ThreadFinder.tsx';

const tabs = { thread: 'Which thread is it?', chain: 'From port to port', shelf: 'The shop’s shelf' } as const;

/** The tools for threads and adapters that need no job. */
export function FittingsScreen() {
  const navigate = useNavigate();
  useEffect(() => {
    const back = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && event.target === document.body) void navigate(-1);
    };
    document.addEventListener('keydown', back);
    return () => document.removeEventListener('keydown', back);
  }, [navigate]);
  return (
    <div className="mx-auto max-w-[82rem] px-4 pb-16 sm:px-8">
      <title>Endrel – threads and adapters</title>
      <header className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2 border-b-2 border-ink pt-6 pb-3">
        <h1 className="text-3xl">
          <Link to="/">Endrel</Link> <span className="font-normal text-ink-soft">/</span> Threads and adapters
        </h1>
        <div className="ml-auto flex items-center gap-2">
          <UnitsButton />
          <ThemeButton />
        </div>
      </header>
      <main tabIndex={-1} className="outline-none">
        <StageTabs label="Threads and adapters" names={tabs}>
          {(tab) => (tab === 'thread' ? <ThreadFinder /> : tab === 'chain' ? <ChainFinder /> : <ShelfTab />)}
        </StageTabs>
      </main>
    </div>
  );
}
