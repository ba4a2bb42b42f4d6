import '@fontsource-variable/atkinson-hyperlegible-next';

import { createTheme, type ThemeOptions } from '@mui/material/styles';

import { DARK, DAYLIGHT, tonesOf } from '../figure/tones';

/*
 * Warm paper and ink; one green for action, ochre for watch, brick for over, plum for stop, slate
 * for unknown. Every text colour stands at least 4.5 : 1 against the paper it is used on.
 */
declare module '@mui/material/styles' {
  interface Palette {
    watch: Palette['primary'];
    over: Palette['primary'];
    stop: Palette['primary'];
    unknown: Palette['primary'];
    line: Palette['primary'];
  }
  interface PaletteOptions {
    watch: PaletteOptions['primary'];
    over: PaletteOptions['primary'];
    stop: PaletteOptions['primary'];
    unknown: PaletteOptions['primary'];
    line: PaletteOptions['primary'];
  }
}

declare module '@mui/material/Typography' {
  interface TypographyPropsColorOverrides {
    watch: true;
    over: true;
    stop: true;
    unknown: true;
  }
}
declare module '@mui/material/Paper' {
  interface PaperPropsVariantOverrides {
    /** A part of a page with a thin edge. */
    panel: true;
  }
}
declare module '@mui/material/Button' {
  interface ButtonPropsSizeOverrides {
    /** The one thing to press on a screen of the phone, with chalky hands. */
    main: true;
  }
}

const panel = (padding: number) => ({
  props: { variant: 'panel' as const },
  style: { border: '1px solid var(--mui-palette-divider)', padding },
});

const look: ThemeOptions = {
  cssVariables: { colorSchemeSelector: 'media' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#1f5a43', contrastText: '#fffdf7' },
        error: { main: '#9a3620' },
        warning: { main: '#85560a' },
        info: { main: '#57626b' },
        background: { default: '#f4eee2', paper: '#fffcf5' },
        text: { primary: '#23261f', secondary: '#595b50' },
        divider: '#ddd4c2',
        watch: { main: '#85560a' },
        over: { main: '#9a3620' },
        stop: { main: '#6b2450' },
        unknown: { main: '#57626b' },
        line: { main: '#b9ae98' },
      },
    },
    dark: {
      palette: {
        primary: { main: '#86c9a6', contrastText: '#10241a' },
        error: { main: '#f09a80' },
        warning: { main: '#e2b565' },
        info: { main: '#a4b1b9' },
        background: { default: '#161915', paper: '#1f231e' },
        text: { primary: '#ece6d8', secondary: '#b3b1a3' },
        divider: '#383d35',
        watch: { main: '#e2b565' },
        over: { main: '#f09a80' },
        stop: { main: '#dda3ca' },
        unknown: { main: '#a4b1b9' },
        line: { main: '#5b6156' },
      },
    },
  },
  shape: { borderRadius: 6 },
  typography: {
    fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
    fontSize: 14,
    fontWeightMedium: 600,
    fontWeightBold: 600,
    h1: { fontSize: '1.45rem', fontWeight: 600, lineHeight: 1.25 },
    h2: { fontSize: '1.05rem', fontWeight: 600, lineHeight: 1.3 },
    h3: { fontSize: '0.9rem', fontWeight: 600, lineHeight: 1.3 },
    subtitle1: { fontWeight: 600, lineHeight: 1.5 },
    subtitle2: { fontWeight: 600, lineHeight: 1.43 },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'tabular-nums' },
        // The tones of a drawn figure (web/figure), in daylight and in the dark.
        ':root': tonesOf(DAYLIGHT),
        '@media (prefers-color-scheme: dark)': { ':root': tonesOf(DARK) },
        // Whoever wants no movement sees what opens at once.
        '@media (prefers-reduced-motion: reduce)': {
          '*, ::before, ::after': {
            animationDuration: '0.01ms !important',
            animationIterationCount: '1 !important',
            transitionDuration: '0.01ms !important',
            transitionDelay: '0s !important',
          },
        },
        ':focus-visible': { outline: '2px solid var(--mui-palette-primary-main)', outlineOffset: '2px' },
      },
    },
    MuiButton: { defaultProps: { disableElevation: true, size: 'small' } },
    MuiButtonBase: { styleOverrides: { root: { fontFamily: 'inherit' } } },
    MuiToggleButton: { styleOverrides: { root: { color: 'var(--mui-palette-text-primary)' } } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiTypography: { defaultProps: { variantMapping: { subtitle1: 'p', subtitle2: 'p' } } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { variants: [panel(12)] } } },
    MuiAlert: {
      defaultProps: { icon: false },
      styleOverrides: {
        root: { alignItems: 'center', paddingTop: 4, paddingBottom: 4 },
        standard: {
          backgroundColor: 'var(--mui-palette-background-paper)',
          color: 'var(--mui-palette-text-primary)',
          border: '1px solid var(--mui-palette-divider)',
          borderLeftWidth: 4,
          '&.MuiAlert-colorInfo': { borderLeftColor: 'var(--mui-palette-unknown-main)' },
          '&.MuiAlert-colorWarning': { borderLeftColor: 'var(--mui-palette-watch-main)' },
          '&.MuiAlert-colorError': { borderLeftColor: 'var(--mui-palette-over-main)' },
        },
      },
    },
  },
};

/** The desk: close together, for a mouse and a large screen. */
export const theme = createTheme(look);

/** The athlete's phone: the same look, everything to press large enough for chalky hands. */
export const phoneTheme = createTheme(look, {
  components: {
    MuiButton: {
      defaultProps: { size: 'medium' },
      styleOverrides: {
        root: {
          minHeight: 48,
          fontSize: '1rem',
          variants: [
            { props: { size: 'small' }, style: { minHeight: 44 } },
            { props: { size: 'large' }, style: { minHeight: 56, fontSize: '1.125rem' } },
            { props: { size: 'main' }, style: { minHeight: 64, fontSize: '1.25rem' } },
          ],
        },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          minHeight: 48,
          fontSize: '1rem',
          // Side by side; below each other only where large letters leave no room.
          variants: [{ props: { fullWidth: true }, style: { width: 'auto', flex: '1 1 0' } }],
        },
      },
    },
    MuiToggleButtonGroup: { styleOverrides: { root: { flexWrap: 'wrap' } } },
    MuiFormControlLabel: { styleOverrides: { root: { minHeight: 48 } } },
    MuiPaper: { styleOverrides: { root: { variants: [panel(16)] } } },
  },
});

export const colour = (name: 'primary' | 'watch' | 'over' | 'stop' | 'unknown' | 'line'): string =>
  `var(--mui-palette-${name}-main)`;
export const ink = 'var(--mui-palette-text-primary)';
export const faint = 'var(--mui-palette-text-secondary)';
