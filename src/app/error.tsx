'use client'

import { Button } from '@mui/material'
import { Page } from '@/ui/pieces'
import { Typography } from '@/ui/elements'

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <Page>
      <Typography variant="h1">This view could not be opened</Typography>
      <Typography sx={{ my: 2 }}>Nothing was changed. Try again; if it stays, look at the server’s log.</Typography>
      <Button variant="contained" onClick={reset}>
        Try again
      </Button>
    </Page>
  )
}
