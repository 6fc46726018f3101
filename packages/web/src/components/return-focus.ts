import { useMemo, useRef } from 'react';

interface ReturnFocus {
  onOpenAutoFocus(): void;
  onCloseAutoFocus(event: Event): void;
}

/** For a sheet, dialog or menu: the focus goes back to where it came from, or, when that is gone, to the bench. */
export function useReturnFocus(): ReturnFocus {
  const from = useRef<Element | null>(null);
  return useMemo(
    () => ({
      onOpenAutoFocus: () => void (from.current = document.activeElement),
      onCloseAutoFocus(event) {
        event.preventDefault();
        // somebody may have been sent elsewhere, such as into a field that is to be changed
        const isSent =
          document.activeElement !== document.body &&
          !document.activeElement?.closest('[role="dialog"], [role="menu"]');
        if (isSent) return;
        const before = from.current;
        if (before instanceof HTMLElement || before instanceof SVGElement)
          if (before.isConnected && before !== document.body) return before.focus();
        if (before !== document.body) focusBench();
      },
    }),
    [],
  );
}

/** Where the work is: when what had the focus is gone, keys and screen readers go on from here. */
const focusBench = (): void => document.querySelector<HTMLElement>('main')?.focus({ preventScroll: true });

/** For how many frames a button may outlive the act that takes it away: what shows a finding is drawn when that is reckoned. */
const framesToWait = 30;

/** After an act that takes its own button away, whether at once or when its consequences are reckoned. */
export function keepFocusNear(): void {
  const had = document.activeElement;
  const look = (frames: number) => {
    const now = document.activeElement;
    if (now === document.body || now === null) return focusBench();
    if (now === had && frames > 0) requestAnimationFrame(() => look(frames - 1));
  };
  requestAnimationFrame(() => look(framesToWait));
}
