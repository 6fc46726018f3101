import { useEffect } from 'react';
import { useNavigate } from 'react-router';

const GO_WINDOW = 1500; // ms in which the letter after `g` counts

/** `g t` where no job is open: threads and adapters. */
export function useGoToThreads(): void {
  const navigate = useNavigate();
  useEffect(() => {
    let pressed = 0;
    const press = (event: KeyboardEvent) => {
      const { target } = event;
      const typing =
        target instanceof HTMLInputElement ||
        target instanceof HTMLTextAreaElement ||
        target instanceof HTMLSelectElement;
      if (typing || event.ctrlKey || event.metaKey || event.altKey || document.querySelector('[role="dialog"]')) return;
      if (event.key === 't' && Date.now() - pressed < GO_WINDOW) void navigate('/threads');
      pressed = event.key === 'g' ? Date.now() : 0;
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  }, [navigate]);
}
