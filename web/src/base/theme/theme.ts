import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bitter';
import './figures.css';
import { createTheme, type Theme } from '@mui/material/styles';

/** Day for the tack room, evening for after dark, sun for the arena. */
export type Light = 'day' | 'evening' | 'sun';

interface Leathers {
  ground: string;
  paper: string;
  ink: string;
  faded: string;
  leather: string;
  onLeather: string;
  water: string;
  brick: string;
  line: string;
}

const leathers: Record<Light, Leathers> = {
  day: {
    ground: '#f4ecdd',
    paper: '#fbf6ec',
    ink: '#221b14',
    faded: '#5c4f40',
    leather: '#7a3e12',
    onLeather: '#fdf6ea',
    water: '#1d5060',
    brick: '#93261a',
    line: '#c9b896',
  },
  evening: {
    ground: '#1b1611',
    paper: '#262019',
    ink: '#f2e9da',
    faded: '#c4b49c',
    leather: '#e2a76c',
    onLeather: '#21170d',
    water: '#92c8d4',
    brick: '#f39a8b',
    line: '#5b4c39',
  },
  sun: {
    ground: '#ffffff',
    paper: '#ffffff',
    ink: '#000000',
    faded: '#2b2620',
    leather: '#552604',
    onLeather: '#ffffff',
    water: '#00343f',
    brick: '#6f0f05',
    line: '#000000',
  },
};

declare module '@mui/material/styles' {
  interface Palette {
    leather: Leathers;
  }
  interface PaletteOptions {
    leather?: Leathers;
  }
}

const slab = '"Bitter Variable", Georgia, serif';
// Figures come from the slab face: the text face has a slashed zero only.
const sans = 'Figures, "Atkinson Hyperlegible Next Variable", Verdana, sans-serif';

export function themeFor(light: Light): Theme {
  const c = leathers[light];
  return createTheme({
    palette: {
      mode: light === 'evening' ? 'dark' : 'light',
      leather: c,
      background: { default: c.ground, paper: c.paper },
      text: { primary: c.ink, secondary: c.faded },
      primary: { main: c.leather, contrastText: c.onLeather },
      secondary: { main: c.water },
      info: { main: c.water },
      error: { main: c.brick },
      warning: { main: c.brick },
      success: { main: c.leather },
      divider: c.line,
    },
    shape: { borderRadius: 5 },
    typography: {
      fontFamily: sans,
      fontSize: 15,
      h1: { fontFamily: slab, fontWeight: 700, fontSize: '2rem', lineHeight: 1.15 },
      h2: { fontFamily: slab, fontWeight: 700, fontSize: '1.45rem', lineHeight: 1.2 },
      h3: { fontFamily: slab, fontWeight: 650, fontSize: '1.12rem', lineHeight: 1.25 },
      button: { fontFamily: slab, fontWeight: 650, textTransform: 'none', fontSize: '1.05rem' },
      body1: { fontVariantNumeric: 'tabular-nums' },
      body2: { fontVariantNumeric: 'tabular-nums', fontSize: '0.95rem' },
    },
    components: {
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true, variant: 'outlined' },
        styleOverrides: {
          root: { minHeight: 48, borderWidth: 2, '&:hover': { borderWidth: 2 } },
        },
      },
      MuiPaper: { defaultProps: { elevation: 0 } },
      MuiCssBaseline: {
        styleOverrides: {
          'a:not([class])': { color: c.leather },
          ':focus-visible': { outline: `3px solid ${c.water}`, outlineOffset: 2 },
          '@media (prefers-reduced-motion: reduce)': {
            '*, *::before, *::after': {
              animationDuration: '1ms !important',
              animationIterationCount: '1 !important',
              transitionDuration: '1ms !important',
              scrollBehavior: 'auto !important',
            },
          },
          '@media print': { body: { background: '#fff' } },
        },
      },
    },
  });
}
