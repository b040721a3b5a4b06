'use client'

import { Box as MuiBox, Typography as MuiTypography } from '@mui/material'
import { createElement, type CSSProperties, type ElementType } from 'react'
import { SPACING, theme, VARIANT_ELEMENTS } from './theme'

/**
 * Typography and Box of the library, taken and typed alike, for the thousand places where nothing but an element with
 * the theme's own class is needed: a page has hundreds of them, and the library reckons the styles of each anew at every
 * drawing. What asks for more (breakpoints, selectors, the theme) is handed to the library.
 */

type Name = keyof CSSProperties
type Value = string | number

const sides = (property: 'margin' | 'padding', letter: 'm' | 'p') => {
  const at = (...ends: readonly string[]): readonly Name[] => ends.map(end => `${property}${end}` as Name)
  return {
    [letter]: [property] as readonly Name[],
    [`${letter}t`]: at('Top'),
    [`${letter}b`]: at('Bottom'),
    [`${letter}l`]: at('Left'),
    [`${letter}r`]: at('Right'),
    [`${letter}x`]: at('Left', 'Right'),
    [`${letter}y`]: at('Top', 'Bottom'),
  }
}

/** What is counted in steps of the theme's spacing. */
const SPACED: Readonly<Record<string, readonly Name[]>> = {
  ...sides('margin', 'm'),
  ...sides('padding', 'p'),
  gap: ['gap'],
  rowGap: ['rowGap'],
  columnGap: ['columnGap'],
}

const SIZED: ReadonlySet<string> = new Set(['width', 'minWidth', 'maxWidth', 'height', 'minHeight', 'maxHeight'])
const COLOURED: Readonly<Record<string, Name>> = {
  color: 'color',
  bgcolor: 'backgroundColor',
  borderColor: 'borderColor',
}
const LINED: Readonly<Record<string, string>> = {
  border: 'border',
  borderTop: 'borderTop',
  borderBottom: 'borderBottom',
  borderLeft: 'borderLeft',
  borderRight: 'borderRight',
}
/** What means the same here as in a style sheet. */
const PLAIN: ReadonlySet<string> = new Set([
  'alignItems',
  'alignSelf',
  'breakInside',
  'columns',
  'cursor',
  'display',
  'flex',
  'flexBasis',
  'flexDirection',
  'flexGrow',
  'flexShrink',
  'flexWrap',
  'gridArea',
  'gridColumn',
  'gridRow',
  'gridTemplateColumns',
  'justifyContent',
  'lineHeight',
  'listStyle',
  'opacity',
  'overflow',
  'overflowWrap',
  'overflowX',
  'overflowY',
  'position',
  'textAlign',
  'textDecoration',
  'textTransform',
  'touchAction',
  'whiteSpace',
])

const PALETTE = /^(?:divider|[a-z]+(?:\.[a-zA-Z-]+)+)$/
const colour = (value: Value): Value =>
  typeof value === 'string' && PALETTE.test(value) ? `var(--mui-palette-${value.replaceAll('.', '-')})` : value

const BREAKPOINTS: ReadonlySet<Value> = new Set(theme.breakpoints.keys)

/** One property as a style attribute says it; undefined where only the library knows. */
const plain = (name: string, value: Value): CSSProperties | undefined => {
  const spaced = SPACED[name]
  if (spaced) {
    const size = typeof value === 'number' ? value * SPACING : value
    return Object.fromEntries(spaced.map(s => [s, size]))
  }
  if (SIZED.has(name)) {
    if (BREAKPOINTS.has(value)) return undefined
    // Up to one it is a share.
    return { [name]: typeof value === 'number' && value > 0 && value <= 1 ? `${value * 100}%` : value }
  }
  const coloured = COLOURED[name]
  if (coloured) return { [coloured]: colour(value) }
  const lined = LINED[name]
  if (lined) return typeof value === 'number' ? { [`${lined}Width`]: value, [`${lined}Style`]: 'solid' } : undefined
  if (name === 'fontWeight') return typeof value === 'number' ? { fontWeight: value } : weighed(value)
  return PLAIN.has(name) ? { [name]: value } : undefined
}

const weighed = (name: Value): CSSProperties | undefined =>
  name === 'fontWeightMedium' || name === 'fontWeightRegular' ? { fontWeight: theme.typography[name] } : undefined

/** What `sx` asks for as a style attribute; undefined where it takes the library to say it. */
export const plainStyle = (sx: unknown): CSSProperties | undefined => {
  if (sx === undefined) return {}
  if (typeof sx !== 'object' || sx === null || Array.isArray(sx)) return undefined
  const style: CSSProperties = {}
  for (const [name, value] of Object.entries(sx)) {
    if (value === undefined) continue
    const one = typeof value === 'string' || typeof value === 'number' ? plain(name, value) : undefined
    if (!one) return undefined
    Object.assign(style, one)
  }
  return style
}

interface Asked {
  readonly component?: ElementType
  readonly sx?: unknown
  readonly style?: CSSProperties
  readonly className?: string
}

interface AskedOfText extends Asked {
  readonly variant?: keyof typeof VARIANT_ELEMENTS
  readonly color?: string
  readonly align?: string
  readonly noWrap?: boolean
}

const LightBox = (props: Asked) => {
  const style = plainStyle(props.sx)
  if (!style) return createElement(MuiBox as ElementType, props)
  const { component = 'div', sx: _, ...rest } = props
  return createElement(component, { ...rest, style: { ...style, ...rest.style } })
}
export const Box = LightBox as typeof MuiBox

const LightTypography = (props: AskedOfText) => {
  const style = plainStyle(props.sx)
  if (!style || props.align !== undefined || props.noWrap !== undefined)
    return createElement(MuiTypography as ElementType, props)
  const { component, variant = 'body1', color, sx: _, className, ...rest } = props
  const names = ['type', `type-${variant}`, color && `ink-${color}`, className]
  return createElement(component ?? VARIANT_ELEMENTS[variant], {
    ...rest,
    className: names.filter(Boolean).join(' '),
    style: { ...style, ...rest.style },
  })
}
export const Typography = LightTypography as typeof MuiTypography
