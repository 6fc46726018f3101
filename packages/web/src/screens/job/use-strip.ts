import { useCallback, useState } from 'react';
import type { Stage } from '@endrel/core/job/stage';
import { useMedia } from '../../components/use-media.ts';

/** Whether the run is drawn whole. Remembered apart for the Run stage, the other stages and a telephone. */
export function useStrip(stage: Stage): { readonly isOpen: boolean; readonly isNarrow: boolean; flip(): void } {
  const isNarrow = useMedia('(max-width: 640px)');
  const place = isNarrow ? 'narrow' : stage === 'run' ? 'run' : 'other';
  const [kept, setKept] = useState<Readonly<Partial<Record<string, boolean>>>>(() => ({
    narrow: read('narrow'),
    run: read('run'),
    other: read('other'),
  }));
  const isOpen = kept[place] ?? place === 'run';
  const flip = useCallback(() => {
    setKept((now) => ({ ...now, [place]: !isOpen }));
    localStorage.setItem(KEY + place, isOpen ? 'folded' : 'open');
  }, [place, isOpen]);
  return { isOpen, isNarrow, flip };
}

const KEY = 'endrel:strip:';
function read(place: string): boolean | undefined {
  const text = localStorage.getItem(KEY + place);
  return text === null ? undefined : text === 'open';
}
