'use client'

import { Skeleton } from '@mui/material'
import type { RunEffect } from '@/server/bench'
import { Box, Typography } from '@/ui/elements'
import { PlainList, Section } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useFetched } from '@/ui/use-fetched'

/** @example 'Ring action wants 1.2 s: nearest is Stick 0, in 96 draws of 100.' */
const nearestWords = (name: string, n: NonNullable<RunEffect['nearest']>): string =>
  `${name} wants ${n.wanted}: nearest is ${n.step}, in ${n.sureOfHundred} draws of 100${n.isOutside ? ', beyond all that was measured' : ''}.`

/** Which standards would pick another step; reckoned while the rest of the page is read. */
export const WhatItChanges = ({ address }: { address: string }) => {
  const { value: effect, problem } = useFetched<{ standards: readonly RunEffect[] }>({ address })
  const changed = effect?.standards.filter(e => e.isChanged) ?? []
  return (
    <Section title="What keeping it changes">
      {!effect && !problem && <Skeleton height={60} variant="rounded" />}
      <Trouble words={problem} />
      {effect && changed.length === 0 && <Typography>No standard in force picks another step.</Typography>}
      <PlainList component="ul">
        {changed.map(e => (
          <Box component="li" key={e.standard} sx={{ py: 0.75 }}>
            <Typography>
              <b>{e.name}</b>: {e.after} instead of {e.before}
              {e.units.length > 0 && `; ${e.units.join(', ')} would owe a card`}
            </Typography>
          </Box>
        ))}
      </PlainList>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        {(effect?.standards ?? []).flatMap(e => (e.nearest ? [nearestWords(e.name, e.nearest)] : [])).join(' ')}
      </Typography>
    </Section>
  )
}
