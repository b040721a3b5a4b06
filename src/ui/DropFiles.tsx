'use client'

import { useState } from 'react'
import { FileButton } from './FileButton'
import { Box, Typography } from './elements'

/** A place that files are dropped on or chosen for; they stay on this device. */
export const DropFiles = ({
  label,
  accept,
  about,
  stay = 'They stay on this device: nothing is sent anywhere.',
  onFiles,
}: {
  /** What becomes of them. */
  readonly stay?: string
  readonly label: string
  readonly accept: string
  readonly about: string
  readonly onFiles: (files: readonly File[]) => void
}) => {
  const [isOver, setOver] = useState(false)
  return (
    <Box
      onDragOver={e => {
        e.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={e => {
        e.preventDefault()
        setOver(false)
        const files = [...e.dataTransfer.files]
        if (files.length > 0) onFiles(files)
      }}
      sx={{
        p: 3,
        maxWidth: 'var(--line)',
        border: '2px dashed',
        borderColor: isOver ? 'own.marigold.main' : 'own.line',
        borderRadius: 1,
        bgcolor: isOver ? 'own.marigold.wash' : 'background.paper',
      }}
    >
      <FileButton variant="contained" multiple label={label} accept={accept} onFiles={onFiles} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        {about} {stay}
      </Typography>
    </Box>
  )
}
