'use client'

import { createTheme } from '@mui/material/styles'
import type { Grade } from '@/core/vocabulary/grade'

/** The one theme: every colour, size and typeface of the interface is named here. */

type GradeColours = Record<Grade, string>

interface Own {
  /** The alignment mark and everything that grades. */
  grade: GradeColours
  /** The ribbon across the top. */
  ribbon: { main: string; text: string; quiet: string }
  /** Where you are. */
  marigold: { main: string; ink: string; wash: string }
  /** Group heads and small labels. */
  label: string
  /** Lines of drawings. */
  line: string
}

declare module '@mui/material/styles' {
  interface Palette {
    own: Own
  }
  interface PaletteOptions {
    own: Own
  }
  interface TypographyVariants {
    value: React.CSSProperties
    eyebrow: React.CSSProperties
    figure: React.CSSProperties
    strong: React.CSSProperties
  }
  interface TypographyVariantsOptions {
    value?: React.CSSProperties
    eyebrow?: React.CSSProperties
    figure?: React.CSSProperties
    strong?: React.CSSProperties
  }
}
declare module '@mui/material/Typography' {
  interface TypographyPropsVariantOverrides {
    value: true
    eyebrow: true
    figure: true
    strong: true
  }
}

const HEADING = '"Bricolage Grotesque Variable", system-ui, sans-serif'
const TEXT = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif'
const MONO = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace'

/** Of what stands out in running text, and of headings. */
const WEIGHT = 650
/**
 * Every size that more than one view asks for, in pixels; views say `var(--touch)`.
 */
export const SIZES = {
  /** What a thumb hits; a button beside others; a line of a dense list; rows of one and of two lines. */
  touch: 44,
  button: 40,
  dense: 34,
  row: 52,
  'row-tall': 64,
  /** The ribbon, the bar of views below it, and both with the line between. */
  ribbon: 56,
  bar: 52,
  head: 109,
  /** How wide text and forms run: a note, a line to be read, what has two columns. */
  narrow: 560,
  line: 760,
  wide: 900,
  /** Fields: a number, a word, a name, a choice with a sentence in it. Two of a word fit beside each other on a phone. */
  'field-number': 112,
  'field-short': 170,
  field: 220,
  'field-long': 320,
  /** What stands beside the main thing of a view. */
  side: 380,
  'side-narrow': 280,
}

/** In pixels: what distances are counted in. */
export const SPACING = 8

/** What words of each variant are written in, unless told otherwise; see elements.tsx. */
export const VARIANT_ELEMENTS = {
  h1: 'h1',
  h2: 'h2',
  h3: 'h3',
  body1: 'p',
  body2: 'p',
  strong: 'p',
  value: 'span',
  eyebrow: 'span',
  figure: 'span',
  caption: 'span',
} as const
type Variant = keyof typeof VARIANT_ELEMENTS
const INKS = ['primary', 'secondary', 'error', 'warning', 'success'] as const

const heading = (size: string) => ({ fontFamily: HEADING, fontWeight: WEIGHT, fontSize: size, lineHeight: 1.2 })

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#20242a' },
        secondary: { main: '#7a5600' },
        error: { main: '#a8382b' },
        warning: { main: '#8a5300' },
        success: { main: '#0b6e66' },
        background: { default: '#f6f3ec', paper: '#ffffff' },
        text: { primary: '#20242a', secondary: '#565b64' },
        divider: '#ddd7ca',
        own: {
          grade: { same: '#0b6e66', near: '#3f6aa8', 'stand-in': '#b06a00', different: '#a8382b', missing: '#8a8f98' },
          ribbon: { main: '#20242a', text: '#f6f3ec', quiet: '#c9c5bb' },
          marigold: { main: '#f2b84b', ink: '#20242a', wash: '#fdf3dd' },
          label: '#7a5600',
          line: '#565b64',
        },
      },
    },
    dark: {
      palette: {
        primary: { main: '#e6dac4' },
        secondary: { main: '#d9a441' },
        error: { main: '#e98b7d' },
        warning: { main: '#dba04c' },
        success: { main: '#5fbfb1' },
        background: { default: '#16130f', paper: '#1d1914' },
        text: { primary: '#e6dac4', secondary: '#b0a48f' },
        divider: '#38322a',
        own: {
          grade: { same: '#5fbfb1', near: '#8fb0e2', 'stand-in': '#dba04c', different: '#e98b7d', missing: '#8f8a80' },
          ribbon: { main: '#0d0b08', text: '#e6dac4', quiet: '#a89c87' },
          marigold: { main: '#c7923a', ink: '#16130f', wash: '#2c2315' },
          label: '#d9a441',
          line: '#b0a48f',
        },
      },
    },
  },
  shape: { borderRadius: 6 },
  spacing: SPACING,
  typography: {
    fontFamily: TEXT,
    fontSize: 14,
    fontWeightMedium: WEIGHT,
    h1: heading('1.6rem'),
    h2: heading('1.2rem'),
    h3: heading('1rem'),
    body1: { lineHeight: 1.45 },
    body2: { lineHeight: 1.4 },
    /** What a row or a note is about. */
    strong: { fontFamily: TEXT, fontSize: '1rem', lineHeight: 1.45, fontWeight: WEIGHT },
    button: { textTransform: 'none', fontWeight: WEIGHT },
    value: { fontFamily: MONO, fontSize: '0.85rem', lineHeight: 1.4 },
    eyebrow: { fontFamily: MONO, fontSize: '0.78rem', letterSpacing: '0.08em', fontWeight: WEIGHT, lineHeight: 1.4 },
    figure: { fontFamily: MONO, fontSize: '1.15rem', fontWeight: WEIGHT, lineHeight: 1.3 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: ({ palette, typography, vars }) => ({
        // Words and their colours, as plain classes; see elements.tsx.
        '.type': { margin: 0 },
        ...Object.fromEntries(Object.keys(VARIANT_ELEMENTS).map(v => [`.type-${v}`, typography[v as Variant]])),
        ...Object.fromEntries(INKS.map(ink => [`.ink-${ink}`, { color: (vars?.palette ?? palette)[ink].main }])),
        '.ink-textPrimary': { color: vars?.palette.text.primary },
        '.ink-textSecondary': { color: vars?.palette.text.secondary },
        ':root': Object.fromEntries(Object.entries(SIZES).map(([name, px]) => [`--${name}`, `${px}px`])),
        'b, strong': { fontWeight: WEIGHT },
        // A link in running text: told from the text by its line, legible in both themes.
        'a:not([class])': { color: 'inherit' },
        ':focus-visible': { outline: '3px solid var(--mui-palette-own-marigold-main)', outlineOffset: '2px' },
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': { animationDuration: '0.01ms !important', transitionDuration: '0.01ms !important' },
        },
        '.visually-hidden': { position: 'absolute', width: 1, height: 1, overflow: 'hidden', clipPath: 'inset(50%)' },
        '@media print': { '.no-print': { display: 'none !important' } },
      }),
    },
    MuiTypography: { defaultProps: { variantMapping: VARIANT_ELEMENTS } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: { styleOverrides: { root: { minHeight: SIZES.button } } },
    MuiIconButton: { styleOverrides: { root: { minWidth: SIZES.touch, minHeight: SIZES.touch } } },
    MuiMenuItem: { styleOverrides: { root: { minHeight: SIZES.touch } } },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          minHeight: SIZES.button,
          color: 'var(--mui-palette-text-secondary)',
          '&.Mui-selected': { color: 'var(--mui-palette-text-primary)', fontWeight: WEIGHT },
        },
      },
    },
    // What is only worth knowing does not shout: a bar at its side, as with cautions.
    MuiAlert: {
      styleOverrides: {
        root: {
          variants: [
            {
              props: { severity: 'info' },
              style: {
                color: 'var(--mui-palette-text-primary)',
                background: 'transparent',
                borderLeft: '3px solid var(--mui-palette-own-marigold-main)',
                borderRadius: 0,
                padding: '2px 0 2px 12px',
                '& .MuiAlert-icon': { display: 'none' },
              },
            },
          ],
        },
        action: { alignItems: 'center', paddingTop: 0, whiteSpace: 'nowrap' },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
  },
})
