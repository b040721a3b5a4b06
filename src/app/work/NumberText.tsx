'use client'

import { TextField } from '@mui/material'
import { useState } from 'react'

/** A number that may be left out; what cannot be read stays in the field and says so. */
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
}) => {
  const asText = value === undefined ? '' : String(value)
  const [text, setText] = useState(asText)
  const [seen, setSeen] = useState(asText)
  if (seen !== asText) {
    setSeen(asText)
    setText(asText)
  }
  const number = Number(text.trim().replace(',', '.'))
  const isWrong = text.trim() !== '' && !(Number.isFinite(number) && number >= least && number <= most)
  const write = () => {
    if (isWrong || text.trim() === asText) return
    onNumber(text.trim() === '' ? undefined : number)
  }
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      error={isWrong}
      helperText={isWrong ? `From ${least} to ${most}` : ''}
      onChange={e => setText(e.target.value)}
      onBlur={write}
      onKeyDown={e => {
        if (e.key === 'Enter') write()
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 12 } }}
      sx={{ width: 130 }}
    />
  )
}
