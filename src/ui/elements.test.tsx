import { Box as MuiBox, ThemeProvider, Typography as MuiTypography } from '@mui/material'
import fc from 'fast-check'
import type { ReactNode } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { Box, plainStyle, Typography } from './elements'
import { theme } from './theme'

/** What is said with an attribute is what the library would say in a style sheet. */

/** What the library makes of it, written as an attribute says it: without what is shown where variables are unknown. */
const libraryStyle = (sx: Readonly<Record<string, unknown>>): readonly Said[] => {
  const said = theme.unstable_sx(sx) as Record<string, unknown>
  return Object.entries(said).flatMap(([name, value]): Said[] => {
    const text = String(value)
      .replaceAll(/var\((--mui-palette-[\w-]+), [^)]*\)/g, 'var($1)')
      .replaceAll(/calc\((-?[\d.]+) \* var\(--mui-spacing, 8px\)\)/g, (_, n: string) => `${Number(n) * 8}px`)
      .replace('var(--mui-spacing, 8px)', '8px')
    const line = /^border(?:Top|Bottom|Left|Right)?$/.test(name) && /^(\d+)px solid$/.exec(text)
    if (line) return [inPixels(`${name}Width`, line[1]), inPixels(`${name}Style`, 'solid')]
    return [inPixels(name, text)]
  })
}

/** A property with its value in pixels, or as it stands; what comes later wins, so the order counts. */
type Said = readonly [name: string, value: string]
const inPixels = (name: string, value: unknown): Said => [name, String(value).replace(/px$/, '')]
const attribute = (style: object): readonly Said[] =>
  Object.entries(style).map(([name, value]) => inPixels(name, value))

const steps = fc.oneof(
  fc.integer({ min: -4, max: 8 }).map(n => n / 2),
  fc.constant('auto'),
)
const anything = {
  ...Object.fromEntries(['m', 'mt', 'mb', 'ml', 'mr', 'mx', 'my', 'p', 'pt', 'py', 'px'].map(name => [name, steps])),
  ...Object.fromEntries(['gap', 'rowGap', 'columnGap'].map(name => [name, fc.integer({ min: 0, max: 6 })])),
  ...Object.fromEntries(
    ['width', 'minWidth', 'maxWidth', 'height', 'minHeight'].map(name => [
      name,
      fc.oneof(fc.constantFrom(0, 0.5, 1, 44, 720, '100%', '60ch', 'var(--touch)')),
    ]),
  ),
  ...Object.fromEntries(
    ['color', 'bgcolor', 'borderColor'].map(name => [
      name,
      fc.constantFrom('divider', 'text.secondary', 'own.marigold.wash', 'error.main', 'inherit', 'transparent'),
    ]),
  ),
  ...Object.fromEntries(
    ['borderTop', 'borderBottom', 'borderLeft'].map(name => [name, fc.integer({ min: 0, max: 4 })]),
  ),
  fontWeight: fc.constantFrom(400, 700, 'fontWeightMedium'),
  display: fc.constantFrom('block', 'flex', 'grid', 'none'),
  flex: fc.constantFrom(1, '1 1 220px'),
  alignItems: fc.constantFrom('center', 'baseline'),
  gridTemplateColumns: fc.constantFrom('1fr 1fr', 'auto 1fr'),
}

describe('what a place asks for', () => {
  it('is said as the library says it', () => {
    fc.assert(
      fc.property(fc.record(anything, { requiredKeys: [] }), sx => {
        expect(attribute(plainStyle(sx) ?? { not: 'said' })).toEqual(libraryStyle(sx))
      }),
    )
  })

  it.each([
    ['breakpoints', { display: { xs: 'none', md: 'block' } }],
    ['selectors', { '& p': { m: 0 } }],
    ['names of widths', { maxWidth: 'sm' }],
    ['the theme', () => ({})],
    ['several at once', [{ m: 1 }, { p: 1 }]],
    ['what nobody has thought of', { filter: 'blur(2px)' }],
  ])('is left to the library where it is about %s', (_, sx) => {
    expect(plainStyle(sx)).toBeUndefined()
    const drawn = (of: ReactNode) => renderToStaticMarkup(<ThemeProvider theme={theme}>{of}</ThemeProvider>)
    expect(drawn(<Box sx={sx as never}>x</Box>)).toBe(drawn(<MuiBox sx={sx as never}>x</MuiBox>))
    const text = <Typography sx={sx}>x</Typography>
    expect(drawn(text)).toBe(drawn(<MuiTypography sx={sx}>x</MuiTypography>))
  })
})

describe('words', () => {
  it.each([
    [<Typography key="a">x</Typography>, '<p class="type type-body1">x</p>'],
    [
      <Typography key="b" variant="value" color="textSecondary" sx={{ mt: 1 }}>
        x
      </Typography>,
      '<span class="type type-value ink-textSecondary" style="margin-top:8px">x</span>',
    ],
    [
      <Typography key="c" variant="h2" component="h3" id="here" className="own">
        x
      </Typography>,
      '<h3 id="here" class="type type-h2 own">x</h3>',
    ],
    [
      <Box key="d" component="section" aria-label="x" sx={{ mb: 2 }} />,
      '<section aria-label="x" style="margin-bottom:16px"></section>',
    ],
  ])('are one element and its classes', (drawn, html) => {
    expect(renderToStaticMarkup(drawn)).toBe(html)
  })
})
