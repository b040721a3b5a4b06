'use client'

import { inSentence } from '@/core/vocabulary/words'
import { ButtonBase } from '@mui/material'
import { Facts } from '@/ui/pieces'
import type { Concordance } from '@/core/resolve/concordance'
import { Box, Typography } from '@/ui/elements'

/** The figures above the Concordance. Each is a button: it explains itself. */
export const FIGURES = ['agreement', 'alike', 'musts', 'spread', 'behind'] as const
export type FigureId = (typeof FIGURES)[number]

interface Figure {
  readonly id: FigureId
  readonly value: string
  readonly words: string
}

const modelOf = (c: Concordance, id: string | undefined): string => c.columns.find(x => x.id === id)?.model ?? '—'

const figuresOf = (c: Concordance): readonly Figure[] => {
  const { summary } = c
  const widest = summary.spreads[0]
  const behind = summary.withoutEach[0]
  const gains = behind !== undefined && c.columns.length > 1 && behind.agreementOfOthers > summary.agreement
  return [
    { id: 'agreement', value: summary.agreement.toFixed(2), words: 'agreement' },
    ...(c.columns.length > 1 ? [{ id: 'alike' as const, value: summary.alike.toFixed(2), words: 'alike' }] : []),
    {
      id: 'musts',
      value: `${summary.mustsHeldEverywhere}/${summary.musts}`,
      words: c.columns.length === 1 ? 'musts held' : 'musts held on every body',
    },
    ...(widest && widest.largest > 0
      ? [
          {
            id: 'spread' as const,
            value: widest.largest.toFixed(2),
            words: `widest spread: ${inSentence(widest.label)}`,
          },
        ]
      : []),
    ...(gains ? [{ id: 'behind' as const, value: modelOf(c, behind.body), words: 'holds the others back' }] : []),
  ]
}

export const Figures = ({ concordance, onSelect }: { concordance: Concordance; onSelect: (id: FigureId) => void }) => (
  <Box
    sx={{
      display: { xs: 'grid', sm: 'flex' },
      gridTemplateColumns: '1fr 1fr',
      flexWrap: 'wrap',
      columnGap: 3,
      ml: -0.75,
      pb: 0.5,
    }}
  >
    {figuresOf(concordance).map(f => (
      <ButtonBase
        key={f.id}
        onClick={() => onSelect(f.id)}
        sx={{
          columnGap: 1,
          flexDirection: { xs: 'column', sm: 'row' },
          alignItems: { xs: 'flex-start', sm: 'baseline' },
          justifyContent: 'flex-start',
          minHeight: 'var(--touch)',
          px: 0.75,
          borderRadius: 1,
          textAlign: 'left',
        }}
      >
        <Typography variant="figure">{f.value}</Typography>
        <Typography variant="body2" color="textSecondary">
          {f.words}
        </Typography>
      </ButtonBase>
    ))}
  </Box>
)

/** Most lines listed under a figure. */
const MOST_LISTED = 12

/** What a figure means, how it was computed, and what lies behind it. */
export const FigureExplanation = ({
  concordance: c,
  figure,
}: {
  concordance: Concordance
  figure: Exclude<FigureId, 'alike'>
}) => {
  const { summary } = c
  switch (figure) {
    case 'agreement':
      return (
        <>
          <Typography variant="h2">Agreement {summary.agreement.toFixed(2)}</Typography>
          <Typography sx={{ mt: 1 }}>
            On each body: 1 minus the distance of every target, averaged with a must counting nine, a should three and a
            nice one. This figure is the mean of the bodies in hand; 1 means that all behave exactly as the standard
            says.
          </Typography>
          <Facts facts={c.columns.slice(0, MOST_LISTED).map(b => ({ name: b.model, value: b.agreement.toFixed(3) }))} />
        </>
      )
    case 'musts':
      return (
        <>
          <Typography variant="h2">
            {summary.mustsHeldEverywhere} of {summary.musts} musts
          </Typography>
          <Typography sx={{ mt: 1 }}>
            A must is held when a body comes within its tolerance, or at least near where none is given. Broken on:
          </Typography>
          {summary.brokenMusts.length === 0 ? (
            <Typography sx={{ mt: 1 }}>No body breaks one.</Typography>
          ) : (
            <Facts
              facts={summary.brokenMusts.map(m => ({
                name: c.rows.find(r => r.dimension === m.dimension)?.label ?? m.dimension,
                value: m.bodies
                  .slice(0, MOST_LISTED)
                  .map(id => modelOf(c, id))
                  .join(', '),
              }))}
            />
          )}
        </>
      )
    case 'spread':
      return (
        <>
          <Typography variant="h2">Widest spread {summary.spreads[0]?.largest.toFixed(2)}</Typography>
          <Typography sx={{ mt: 1 }}>
            How far the two bodies that differ most are from each other on a target, on the same scale from 0 to 1 as
            the distance to the standard. Bodies that lack the behaviour are left out here; equal figures are ordered by
            weight and by the mean over all pairs.
          </Typography>
          {summary.spreads.slice(0, 5).map(s => (
            <Box key={s.label} sx={{ mt: 2 }}>
              <Typography variant="strong">{s.label}</Typography>
              <Facts
                facts={[
                  { name: 'largest', value: s.largest.toFixed(2) },
                  { name: 'mean', value: s.mean.toFixed(2) },
                  { name: s.between[0], value: s.values[0] },
                  { name: s.between[1], value: s.values[1] },
                ]}
              />
            </Box>
          ))}
        </>
      )
    case 'behind':
      return (
        <>
          <Typography variant="h2">{modelOf(c, summary.withoutEach[0]?.body)} holds the others back</Typography>
          <Typography sx={{ mt: 1 }}>
            Agreement is {summary.agreement.toFixed(3)} with all bodies in hand. Leaving one out, the others would stand
            at:
          </Typography>
          <Facts
            facts={summary.withoutEach
              .slice(0, MOST_LISTED)
              .map(w => ({ name: `without ${modelOf(c, w.body)}`, value: w.agreementOfOthers.toFixed(3) }))}
          />
        </>
      )
  }
}
