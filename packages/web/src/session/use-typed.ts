import { useState, useSyncExternalStore } from 'react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { TypedText } from './browser-database.ts';
import { useSession } from './session-context.tsx';
import { typedText } from './typed-text.ts';

/** Other each time text is brought into the field from a page that is gone: the field is drawn anew then. */
export function useBrought(path: FieldPath | undefined): number {
  const { id } = useSession();
  return useSyncExternalStore(typedText.subscribe, () => (path ? typedText.timesBrought(id, path) : 0));
}

/** The text that is typed into a field of the job being edited and not in the job yet; nothing is kept without a path. */
export function useTyped(path: FieldPath | undefined): {
  /** What was typed before the field was shown. */
  readonly before: TypedText | undefined;
  /** @param was - what the field showed before. */
  keep(text: string | undefined, was: string): void;
} {
  const { id } = useSession();
  const [before] = useState(() => path && typedText.get(id, path));
  return {
    before,
    keep: (text, was) => {
      if (path) typedText.set(id, path, text, was);
    },
  };
}
