import { createContext, use, useCallback, useLayoutEffect, useMemo, useState, type ReactNode } from 'react';

export type Theme = 'day' | 'under-car';
const KEY = 'endrel:theme';
const Context = createContext<{ theme: Theme; flip(): void }>({ theme: 'day', flip: () => undefined });

/** Day: paper and ink. Under-car: high contrast on black, for lying under a vehicle with a lamp. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const [theme, setTheme] = useState<Theme>(() => (localStorage.getItem(KEY) === 'under-car' ? 'under-car' : 'day'));
  useLayoutEffect(() => {
    document.documentElement.dataset.theme = theme;
    localStorage.setItem(KEY, theme);
  }, [theme]);
  const flip = useCallback(() => setTheme((now) => (now === 'day' ? 'under-car' : 'day')), []);
  const value = useMemo(() => ({ theme, flip }), [theme, flip]);
  return <Context value={value}>{children}</Context>;
}
export const useTheme = (): Theme => use(Context).theme;
export const useFlipTheme = (): (() => void) => use(Context).flip;
