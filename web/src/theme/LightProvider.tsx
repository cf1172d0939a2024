import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { useMemo, useState, type ReactNode } from 'react';
import { LightContext } from './light';
import { themeFor, type Light } from './theme';

const key = 'cavesson.light';

function kept(): Light {
  const stored = localStorage.getItem(key);
  return stored === 'evening' || stored === 'sun' ? stored : 'day';
}

/** The chosen light, kept on the device. */
export function LightProvider({ children }: { children: ReactNode }) {
  const [light, setLight] = useState<Light>(kept);
  const theme = useMemo(() => themeFor(light), [light]);
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
