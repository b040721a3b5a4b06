'use client'

import { Button, type ButtonProps } from '@mui/material'
import { useRef } from 'react'

/** A button that asks for files, by mouse or by key; the same file can be chosen again, after it was mended. */
export const FileButton = ({
  label,
  name,
  accept,
  multiple = false,
  onFiles,
  ...rest
}: Omit<ButtonProps, 'onClick'> & {
  readonly label: string
  /** What the files are, for those who do not see the button; its label where that says it. */
  readonly name?: string
  readonly accept: string
  readonly multiple?: boolean
  readonly onFiles: (files: readonly File[]) => void
}) => {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        hidden
        type="file"
        multiple={multiple}
        accept={accept}
        aria-label={name ?? label}
        onChange={event => {
          const files = [...(event.target.files ?? [])]
          event.target.value = ''
          if (files.length) onFiles(files)
        }}
      />
      <Button variant="outlined" {...rest} onClick={() => input.current?.click()}>
        {label}
      </Button>
    </>
  )
}
