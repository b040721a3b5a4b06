'use client'

import { Button } from '@mui/material'
import { gapWords } from '@/core/bodies'
import { GROUPS } from '@/core/vocabulary/dimensions'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Eyebrow } from '@/ui/pieces'
import type { Completeness } from '@/workers/completeness'
import { Box, Typography } from '@/ui/elements'

/** How far a profile is: covered, unmapped, contradicting, what the house standard would make of it, what is missing. */
export const CompletenessPart = ({
  found,
  onPart,
}: {
  found: Completeness | undefined
  onPart: (part: string) => void
}) => {
  if (!found) return null
  const unmapped = found.coverage.filter(c => c.coverage.how === 'unmapped')
  const implied = found.coverage.filter(c => c.coverage.how === 'implied')
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 5 }}>
      <Box>
        <Typography variant="h2">Before a card can be trusted</Typography>
        {found.gaps.length + found.contradictions.length === 0 && (
          <Typography sx={{ mt: 1 }}>
            Nothing is missing. The card can be trusted as far as the profile is right.
          </Typography>
        )}
        {found.contradictions.map(c => (
          <Box key={c} sx={{ mt: 1.5 }}>
            <Typography variant="strong" color="error">
              Contradiction
            </Typography>
            <Typography variant="body2">{c}</Typography>
          </Box>
        ))}
        {found.gaps.map(g => {
          const { what, todo } = gapWords(g)
          const part = g.kind === 'unconfirmed' || g.kind === 'no-interlock' ? 'facts' : 'menu'
          return (
            <Box key={g.kind} sx={{ mt: 1.5 }}>
              <Typography variant="strong">{what}</Typography>
              <Typography variant="body2">{todo}</Typography>
              <Button size="small" sx={{ px: 0 }} onClick={() => onPart(part)}>
                {part === 'facts' ? 'Go to the facts' : 'Go to the menu'}
              </Button>
            </Box>
          )
        })}
        <Typography variant="h2" sx={{ mt: 4 }}>
          No word about it yet
        </Typography>
        <Typography variant="body2" color="textSecondary">
          A standard that asks for one of these gets “missing” on this body.
        </Typography>
        {GROUPS.map(g => {
          const here = unmapped.filter(c => c.dimension.group === g.id)
          return here.length ? (
            <Box key={g.id} sx={{ mt: 1.5 }}>
              <Eyebrow component="h3">{g.label}</Eyebrow>
              <Typography>{here.map(c => c.dimension.label).join(', ')}</Typography>
            </Box>
          ) : null
        })}
        {unmapped.length === 0 && <Typography>Every concept is covered.</Typography>}
        {implied.length > 0 && (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
            Without a setting, but beyond doubt: {implied.map(c => c.dimension.label).join(', ')}.
          </Typography>
        )}
      </Box>
      <Box>
        <Typography variant="h2">
          {found.trial ? `What ${found.trial.name} would make of it now` : 'No trial yet'}
        </Typography>
        {!found.trial && (
          <Typography sx={{ mt: 1 }}>
            {found.contradictions.length
              ? 'It is tried once nothing contradicts.'
              : 'Take a standard, and it is tried here while you write.'}
          </Typography>
        )}
        {found.trial?.lines.map(l => (
          <Box
            key={l.dimension}
            sx={{
              display: 'grid',
              gridTemplateColumns: '34px 1fr 1fr',
              gap: 1.5,
              alignItems: 'center',
              py: 0.75,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <AlignmentMark grade={l.grade} distance={l.distance} />
            <div>
              <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
                {l.label}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {l.wanted}
              </Typography>
            </div>
            <div>
              <Typography variant="value">{l.main}</Typography>
              {l.sub && (
                <Typography variant="body2" color="textSecondary">
                  {l.sub}
                </Typography>
              )}
            </div>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
