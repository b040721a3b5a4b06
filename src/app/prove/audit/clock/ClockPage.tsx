'use client'

import { useSyncExternalStore } from 'react'
import { Page } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const everyTenth = (onChange: () => void) => {
  const timer = setInterval(onChange, 100)
  return () => clearInterval(timer)
}
const thisSecond = () => Math.floor(Date.now() / 1000)
const notYet = () => 0

/** This device's clock, large enough to be photographed: a picture of it tells how wrong a camera's own clock is. */
export const ClockPage = () => {
  const second = useSyncExternalStore(everyTenth, thisSecond, notYet)
  const date = new Date(second * 1000)
  return (
    <Page>
      <Typography variant="h1">Clock page</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Photograph this with every camera before a job or after it, and drop those pictures with the others: where a
        camera’s clock is wrong, tell the audit what this one says in the picture, and the times of all its pictures are
        put right.
      </Typography>
      <Box
        role="timer"
        aria-label="The time on this device"
        sx={{ bgcolor: 'text.primary', color: 'background.paper', borderRadius: 1, py: 6, px: 2, textAlign: 'center' }}
      >
        {second > 0 && (
          <>
            <Typography
              component="div"
              variant="value"
              sx={{
                fontSize: 'clamp(52px, 16vw, 200px)',
                lineHeight: 1.05,
                fontWeight: 'fontWeightMedium',
                color: 'inherit',
              }}
            >
              {date.toLocaleTimeString(undefined, {
                hour: '2-digit',
                minute: '2-digit',
                second: '2-digit',
                hour12: false,
              })}
            </Typography>
            <Typography component="div" variant="value" sx={{ fontSize: 'clamp(18px, 4vw, 44px)', color: 'inherit' }}>
              {date.toLocaleDateString(undefined, {
                weekday: 'short',
                day: 'numeric',
                month: 'short',
                year: 'numeric',
              })}
            </Typography>
          </>
        )}
      </Box>
    </Page>
  )
}
