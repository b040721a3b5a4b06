'use client'

import type { CardView } from '@/server/cards'
import { KeptLink } from '@/ui/links'
import { PlainList } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { Box, Typography } from '@/ui/elements'

type Worked = CardView['worked'][number]

/** What body or lens has changed under a calculation since it was kept. */
export const ChangedUnder = ({ of: { changed, now } }: { of: Worked }) => {
  const [units] = useUnits()
  if (changed.length === 0) return null
  return (
    <Typography variant="body2" color="warning" role="note">
      Changed under it: {changed.join('; ')}.{now && ` It would be: ${now[units]}.`}
    </Typography>
  )
}

/** Figures for this body at the head of its card, each with what it was worked out for. */
export const WorkedFigures = ({ worked }: { worked: CardView['worked'] }) => {
  const [units] = useUnits()
  const figures = worked.filter(w => w.as === 'figure')
  if (figures.length === 0) return null
  return (
    <PlainList component="ul" aria-label="Worked out for this body" sx={{ mt: 1.5 }}>
      {figures.map(w => (
        <Box component="li" key={w.id} sx={{ py: 0.5 }}>
          <Typography variant="figure">{w.short[units]}</Typography>{' '}
          <Typography variant="body2" component="span" color="textSecondary">
            {w.about[units]}.{' '}
            <KeptLink to="/decide/optics" more={{ scene: w.scene }}>
              On the desk
            </KeptLink>
          </Typography>
          <ChangedUnder of={w} />
        </Box>
      ))}
    </PlainList>
  )
}

/** Notes from the desk, beside the advice on how to shoot. */
export const WorkedNotes = ({ worked }: { worked: CardView['worked'] }) => {
  const [units] = useUnits()
  const notes = worked.filter(w => w.as === 'note')
  if (notes.length === 0) return null
  return (
    <Box component="section" aria-labelledby="worked-out" sx={{ mt: 5 }}>
      <Typography variant="h2" id="worked-out">
        Worked out
      </Typography>
      {notes.map(w => (
        <Box key={w.id} sx={{ py: 1 }}>
          <Typography variant="strong">{w.words[units]}</Typography>
          <Typography variant="body2" color="textSecondary">
            {w.about[units]}
          </Typography>
          <ChangedUnder of={w} />
        </Box>
      ))}
    </Box>
  )
}
