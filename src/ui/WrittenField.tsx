'use client'

import { TextField } from '@mui/material'
import { useEffect, useRef, useState } from 'react'

const PAUSE_MS = 600

/** A text that is taken over when the typing pauses, or when the field is left; never empty where something is needed. */
export const WrittenField = ({
  label,
  value,
  onWrite,
  needed = '',
  disabled = false,
}: {
  label: string
  value: string
  onWrite: (text: string) => void
  /** What to say while it is empty; it may stay empty where nothing is said here. */
  needed?: string
  disabled?: boolean
}) => {
  const [text, setText] = useState(value)
  const [seen, setSeen] = useState(value)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  if (seen !== value) {
    setSeen(value)
    setText(value)
  }
  const write = (written: string) => {
    clearTimeout(timer.current)
    const tidy = written.trim()
    if (tidy !== value && (tidy || !needed)) onWrite(tidy)
  }
  // Leaving in the middle of a word counts as leaving the field.
  const finish = useRef(() => undefined as void)
  useEffect(() => {
    finish.current = () => write(text)
  })
  useEffect(() => {
    const leave = () => finish.current()
    window.addEventListener('beforeunload', leave, { capture: true })
    return () => {
      window.removeEventListener('beforeunload', leave, { capture: true })
      clearTimeout(timer.current)
    }
  }, [])
  return (
    <TextField
      fullWidth
      size="small"
      multiline
      label={label}
      value={text}
      disabled={disabled}
      error={needed !== '' && !text.trim()}
      helperText={needed !== '' && !text.trim() ? needed : ''}
      onChange={e => {
        const written = e.target.value
        setText(written)
        clearTimeout(timer.current)
        timer.current = setTimeout(() => write(written), PAUSE_MS)
      }}
      onBlur={e => write(e.target.value)}
      slotProps={{ htmlInput: { maxLength: 400 } }}
    />
  )
}
