import { createContext, use, useCallback, useMemo, useState, type ReactNode } from 'react';

export type Theme = 'day' | 'under-car';
const KEY = 'endrel:theme';
const Context = createContext<{ theme: Theme; flip(): void }>({ theme: 'day', flip: () => undefined });

/** Day: paper and ink. Under-car: high contrast on black, for lying under a vehicle with a lamp. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const [theme, setTheme] = useState<Theme>(() => put(localStorage.getItem(KEY) === 'under-car' ? 'under-car' : 'day'));
  const flip = useCallback(
    () => setTheme(put(document.documentElement.dataset.theme === 'day' ? 'under-car' : 'day')),
    [],
  );
  const value = useMemo(() => ({ theme, flip }), [theme, flip]);
  return <Context value={value}>{children}</Context>;
}

/** On the page before anything is drawn: charts read the tokens while they render. */
function put(theme: Theme): Theme {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(KEY, theme);
  return theme;
}

export const useTheme = (): Theme => use(Context).theme;
export const useFlipTheme = (): (() => void) => use(Context).flip;
