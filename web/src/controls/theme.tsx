import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';

export type Theme = 'day' | 'night';

interface ThemeChoice {
  readonly theme: Theme;
  readonly choose: (theme: Theme) => void;
  /** The colour that a token stands for under this theme, for what is drawn without CSS. */
  readonly token: (name: `--${string}`) => string;
}

const KEY = 'ivlen.theme';
const ThemeContext = createContext<ThemeChoice | undefined>(undefined);

/** Follows the system setting until a theme is chosen. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const [chosen, setChosen] = useState<Theme | null>(() => readChoice());
  const [system, setSystem] = useState<Theme>(() => systemTheme());
  useEffect(() => {
    const media = window.matchMedia('(prefers-color-scheme: dark)');
    const follow = () => setSystem(systemTheme());
    media.addEventListener('change', follow);
    return () => media.removeEventListener('change', follow);
  }, []);

  const theme = chosen ?? system;
  // Set while rendering rather than after it, since what is drawn below reads the colours.
  document.documentElement.dataset.theme = theme;
  const value = useMemo(
    () => ({
      theme,
      token: (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim(),
      choose: (next: Theme) => {
        localStorage.setItem(KEY, next);
        setChosen(next);
      },
    }),
    [theme],
  );
  return <ThemeContext.Provider value={value}>{children}</ThemeContext.Provider>;
}

export function useTheme(): ThemeChoice {
  const value = useContext(ThemeContext);
  if (!value) throw new Error('useTheme needs a <ThemeProvider> above it');
  return value;
}

function readChoice(): Theme | null {
  const stored = localStorage.getItem(KEY);
  return stored === 'day' || stored === 'night' ? stored : null;
}

function systemTheme(): Theme {
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day';
}
