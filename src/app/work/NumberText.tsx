'use client'

import { TextField } from '@mui/material'
import { useState } from 'react'
import { parseDistance } from '@/core/lenses/distance'
import { lengthWords } from '@/core/optics/words'
import { useUnits } from '@/ui/units'

interface ReadProps {
  readonly label: string
  /** As it is now, in words; empty where it is left out. */
  readonly shown: string
  /** @returns undefined for what cannot be read */
  readonly read: (typed: string) => number | undefined
  /** What to type, where it cannot be read. */
  readonly expected: string
  readonly onRead: (value: number | undefined) => void
  readonly width: number
}

/** A text that is taken over once it can be read; what cannot stays in the field and says what was expected. */
const ReadText = ({ label, shown, read, expected, onRead, width }: ReadProps) => {
  const [text, setText] = useState(shown)
  const [seen, setSeen] = useState(shown)
  if (seen !== shown) {
    setSeen(shown)
    setText(shown)
  }
  const typed = text.trim()
  const value = typed === '' ? undefined : read(typed)
  const isWrong = typed !== '' && value === undefined
  const write = () => {
    if (!isWrong && typed !== shown) onRead(value)
  }
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      error={isWrong}
      helperText={isWrong ? expected : ''}
      onChange={e => setText(e.target.value)}
      onBlur={write}
      onKeyDown={e => {
        if (e.key === 'Enter') write()
      }}
      slotProps={{ htmlInput: { maxLength: 20 } }}
      sx={{ width }}
    />
  )
}

/** A number within bounds, that may be left out. */
export const NumberText = ({
  label,
  value,
  least,
  most,
  onNumber,
}: {
  label: string
  value: number | undefined
  least: number
  most: number
  onNumber: (value: number | undefined) => void
}) => (
  <ReadText
    label={label}
    shown={value === undefined ? '' : String(value)}
    read={typed => {
      const n = Number(typed.replace(',', '.'))
      return Number.isFinite(n) && n >= least && n <= most ? n : undefined
    }}
    expected={`From ${least} to ${most}`}
    onRead={onNumber}
    width={130}
  />
)

const FARTHEST_METRES = 10_000

/** A distance as the person reads them, in metres or in feet; it may be left out. */
export const DistanceText = ({
  label,
  metres,
  onMetres,
}: {
  label: string
  metres: number | undefined
  onMetres: (metres: number | undefined) => void
}) => {
  const [units] = useUnits()
  return (
    <ReadText
      label={label}
      shown={metres === undefined ? '' : lengthWords(metres, units)}
      read={typed => {
        const found = parseDistance(typed, units)
        return typeof found === 'number' && found <= FARTHEST_METRES ? Number(found.toFixed(4)) : undefined
      }}
      expected={units === 'metric' ? 'Such as 3 m or 45 cm' : 'Such as 10 ft or 18 in'}
      onRead={onMetres}
      width={130}
    />
  )
}
