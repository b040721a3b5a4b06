'use client'

import { Alert, Button } from '@mui/material'
import { useMemo } from 'react'
import type { HouseGuide } from '@/core/guide/house'
import type { Answers } from '@/core/guide/questions'
import type { Layer, Standard } from '@/core/standards'
import type { CalledOn } from '@/server/guide'
import { type Edit, Questions } from './Questions'
import { WhatFollows } from './WhatFollows'
import { Box } from '@/ui/elements'

/** Questions on the left, what follows from the answers on the right; what is accepted goes into the layer at once. */
export const GuidePart = ({
  standard,
  layer,
  edit,
  house,
  called,
  onDraft,
}: {
  standard: Standard
  layer: Layer
  edit: Edit | undefined
  house: HouseGuide
  called: CalledOn
  onDraft: () => void
}) => {
  const answers: Answers = useMemo(() => standard.answers ?? {}, [standard.answers])
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'var(--side) 1fr' }, gap: 4 }}>
      <Box component="section" aria-label="Questions">
        {!edit && (
          <Alert
            severity="info"
            sx={{ mb: 2 }}
            action={
              <Button color="inherit" onClick={onDraft}>
                Begin a draft
              </Button>
            }
          >
            This version stays as it is.
          </Alert>
        )}
        <Questions answers={answers} edit={edit} />
      </Box>
      <WhatFollows standard={standard} layer={layer} edit={edit} house={house} called={called} />
    </Box>
  )
}
