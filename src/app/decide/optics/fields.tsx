'use client'

import { TextField } from '@mui/material'
import { useState } from 'react'
import { parseDistance } from '@/core/lenses/distance'
import { FURTHEST_METRES } from '@/core/optics/focusing-lens'
import type { Scene } from '@/core/optics/scene'
import { lengthWords } from '@/core/optics/words'
import { Choice } from '@/ui/Choice'
import { useUnits } from '@/ui/units'
import { useDesk } from './desk'

/** Fields of the desk: what is typed counts at once, and what cannot be read stays as it was typed. */

const NOUGHT = new Set(['0', '0.0', '0,0', '0m'])

type NumberKey = { [K in keyof Scene]: Scene[K] extends number ? K : never }[keyof Scene]

const useText = (shown: string) => {
  const [text, setText] = useState(shown)
  const [seen, setSeen] = useState(shown)
  const [isTyping, setTyping] = useState(false)
  if (seen !== shown) {
    setSeen(shown)
    if (!isTyping) setText(shown)
  }
  return {
    text,
    setText,
    begin: () => setTyping(true),
    end: (isRight: boolean) => {
      setTyping(false)
      if (isRight) setText(shown)
    },
  }
}

const WIDE = { flex: '1 1 var(--field-number)', minWidth: 'var(--field-number)', maxWidth: 'var(--field)' } as const

/** A plain number. */
export const Num = ({
  field,
  label,
  scale = 1,
  helper = '',
}: {
  field: NumberKey
  label: string
  scale?: number
  helper?: string
}) => {
  const { scene, change, troubles } = useDesk()
  const { text, setText, begin, end } = useText(String(Number((scene[field] * scale).toPrecision(6))))
  const read = (typed: string): number => (typed.trim() === '' ? NaN : Number(typed.trim().replace(',', '.')) / scale)
  const isNumber = Number.isFinite(read(text))
  const isWrong = troubles.some(t => t.field === field)
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      error={!isNumber || isWrong}
      helperText={isNumber ? helper : 'expected a number'}
      onFocus={begin}
      onBlur={() => end(isNumber)}
      onChange={e => {
        setText(e.target.value)
        const n = read(e.target.value)
        if (Number.isFinite(n)) change({ [field]: n })
      }}
      sx={WIDE}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
}

/** A length, in metres or in feet as the person reads them. */
export const Length = ({
  field,
  label,
  helper = '',
  empty,
}: {
  field: NumberKey
  label: string
  helper?: string
  /** What nought stands for, where it may be left empty. */
  empty?: string
}) => {
  const { scene, change, troubles } = useDesk()
  const [units] = useUnits()
  const value = scene[field]
  const shown =
    empty !== undefined && value === 0 ? '' : value >= FURTHEST_METRES ? 'infinity' : lengthWords(value, units)
  const { text, setText, begin, end } = useText(shown)
  const read = (typed: string): number | undefined => {
    if (typed.trim() === '') return empty === undefined ? undefined : 0
    const bare = typed.trim()
    const isBehind = bare.startsWith('-') || bare.startsWith('−')
    const metres = parseDistance(isBehind ? bare.slice(1) : bare, units)
    if (metres === 'infinity') return FURTHEST_METRES
    if (metres !== undefined) return isBehind ? -metres : metres
    // Nought is told from what is no distance at all: it is asked about, and cannot be.
    return NOUGHT.has(bare.split(' ')[0] ?? '') ? 0 : undefined
  }
  const isRead = read(text) !== undefined
  const isWrong = troubles.some(t => t.field === field)
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      placeholder={empty ?? ''}
      error={!isRead || isWrong}
      helperText={
        isRead ? helper : units === 'metric' ? 'expected a length such as 2.5 m' : 'expected a length such as 8 ft'
      }
      onFocus={begin}
      onBlur={() => end(isRead)}
      onChange={e => {
        setText(e.target.value)
        const metres = read(e.target.value)
        if (metres !== undefined) change({ [field]: metres })
      }}
      sx={WIDE}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  )
}

/** One of a few, as wide as the other fields of the desk. */
export const DeskChoice = ({
  label,
  value,
  options,
  onChange,
  isShort = false,
}: {
  label: string
  value: string
  isShort?: boolean
  options: readonly { readonly value: string; readonly label: string }[]
  onChange: (value: string) => void
}) => (
  <Choice
    label={label}
    value={value}
    onChange={onChange}
    options={options.map(o => ({ id: o.value, name: o.label }))}
    sx={{ ...WIDE, flex: isShort ? '1 1 92px' : '1 1 var(--field-short)', maxWidth: 'var(--field-long)' }}
  />
)
