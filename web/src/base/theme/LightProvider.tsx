import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import { LightContext } from './light';
import { themeFor, type Light } from './theme';

const key = 'cavesson.light';

function kept(): Light {
  const stored = localStorage.getItem(key);
  return stored === 'evening' || stored === 'sun' ? stored : 'day';
}

const paper = typeof matchMedia === 'undefined' ? undefined : matchMedia('print');

function followPaper(changed: () => void) {
  paper?.addEventListener('change', changed);
  return () => paper?.removeEventListener('change', changed);
}

/** The chosen light, kept on the device. Paper is always seen by day. */
export function LightProvider({ children }: { children: ReactNode }) {
  const [light, setLight] = useState<Light>(kept);
  const onPaper = useSyncExternalStore(followPaper, () => paper?.matches ?? false);
  const theme = useMemo(() => themeFor(onPaper ? 'day' : light), [light, onPaper]);
  const choice = useMemo(
    () => ({
      light,
      choose(next: Light) {
        localStorage.setItem(key, next);
        setLight(next);
      },
    }),
    [light],
  );
  return (
    <LightContext.Provider value={choice}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        {children}
      </ThemeProvider>
    </LightContext.Provider>
  );
}
