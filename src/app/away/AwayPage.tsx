'use client'

import { Button } from '@mui/material'
import { useEffect, useState } from 'react'
import { CARDS_CACHE } from '@/offline/names'
import { Page, PlainList } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

interface KeptCard {
  readonly address: string
  readonly title: string
}

/** The cards whose pages are kept on this device, by their titles. */
const readKept = async (): Promise<readonly KeptCard[]> => {
  if (!('caches' in window)) return []
  const cache = await caches.open(CARDS_CACHE)
  const cards = await Promise.all(
    (await cache.keys()).map(async ({ url }) => {
      const text = (await (await cache.match(url))?.text()) ?? ''
      const title = new DOMParser().parseFromString(text, 'text/html').title.replace(/ · Coherion$/, '')
      return { address: url, title: title || url }
    }),
  )
  return cards.sort((a, b) => a.title.localeCompare(b.title))
}

/** Shown instead of a view that cannot be read now: what can be opened all the same. */
export const AwayPage = () => {
  const [cards, setCards] = useState<readonly KeptCard[]>([])
  useEffect(() => {
    void readKept().then(setCards)
  }, [])
  return (
    <Page sx={{ maxWidth: 'var(--line)' }}>
      <Typography variant="h1">The server does not answer</Typography>
      <Typography sx={{ mt: 1 }}>
        This view needs it. Cards that were opened on this device before work without; what you tick on them is sent as
        soon as there is network.
      </Typography>
      <Button variant="outlined" sx={{ mt: 2 }} onClick={() => location.reload()}>
        Try again
      </Button>
      {cards.length > 0 && (
        <Box component="section" sx={{ mt: 4 }}>
          <Typography variant="h2">Cards on this device</Typography>
          <PlainList component="ul" sx={{ mt: 1 }}>
            {cards.map(c => (
              <Box component="li" key={c.address} sx={{ borderBottom: 1, borderColor: 'divider' }}>
                {/* A whole page at a time: parts of it cannot be fetched. */}
                <Box
                  component="a"
                  href={c.address}
                  sx={{ display: 'flex', alignItems: 'center', minHeight: 'var(--touch)', color: 'inherit' }}
                >
                  {c.title}
                </Box>
              </Box>
            ))}
          </PlainList>
        </Box>
      )}
    </Page>
  )
}
