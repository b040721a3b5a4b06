'use client'

import type { FilmRow, FilmView } from '@/server/film'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { LinkButton, TallLink } from '@/ui/links'
import { Page, PlainList, Section } from '@/ui/pieces'
import { Marks } from './Marks'
import { Rack } from './Rack'
import { Box, Typography } from '@/ui/elements'

/** Focus for the moving picture: a rack in seconds on screen, what a standard sets, and marks for the ring. */
export const Film = ({ view }: { view: FilmView }) => (
  <Page>
    <Typography variant="h1">Film</Typography>
    <Typography sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
      How long a change of focus lasts on screen, on every body in its own scale; and marks for pulling by hand.
    </Typography>
    <Rack view={view} />
    <Marks lenses={view.lenses} bodies={view.bodies} />
    <Sets view={view} />
    <Schools schools={view.schools} />
  </Page>
)

/** What the standard in hand asks for on film, and what each body does. */
const Sets = ({ view }: { view: FilmView }) => (
  <Section title={view.standard ? `What ${view.standard.name} sets for film` : 'What a standard sets for film'}>
    {view.rows.length === 0 ? (
      <>
        <Typography sx={{ mb: 1 }}>
          It says nothing about film. Put another standard in hand, or ask the guide.
        </Typography>
        <LinkButton to="/decide/guide">Ask the guide</LinkButton>
      </>
    ) : (
      <PlainList component="ul">
        {view.rows.map(row => (
          <Row key={row.dimension} row={row} standard={view.standard?.id ?? ''} />
        ))}
      </PlainList>
    )}
  </Section>
)

const Row = ({ row, standard }: { row: FilmRow; standard: string }) => (
  <Box component="li" sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
    <TallLink to={`/decide/standards/${standard}`} more={{ target: row.dimension }}>
      {row.label}: {row.wanted}
    </TallLink>
    <Box sx={{ display: 'grid', gap: 0.5, gridTemplateColumns: 'repeat(auto-fill, minmax(var(--field), 1fr))' }}>
      {row.cells.map(c => (
        <Box key={c.body} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <AlignmentMark grade={c.grade} distance={c.distance} />
          <Typography variant="body2">
            {c.body}: {c.words}
          </Typography>
        </Box>
      ))}
    </Box>
  </Box>
)

/** Common practice, no published source. */
const ADVICE = [
  'Two people in one picture: one box, placed by hand on the one who speaks. A box that holds two distances pulses between them.',
  'Somebody passes: hold the key that freezes until they are through.',
  'Slow motion stretches a change: at 100 frames a second shown at 25 it lasts four times as long. Take the fastest travel.',
  'Faces, lamp and tones off where somebody would see or hear them.',
] as const

const Schools = ({ schools }: Pick<FilmView, 'schools'>) => (
  <Section title="Schools">
    <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: '1fr 1fr 1fr' } }}>
      {schools.map(({ title, all }) => (
        <section key={title} aria-label={title}>
          <Typography variant="h3">{title}</Typography>
          <PlainList component="ul">
            {all.map(s => (
              <Typography component="li" variant="body2" key={s.title} sx={{ py: 0.25 }}>
                <strong>{s.title}</strong> {s.reason}
              </Typography>
            ))}
          </PlainList>
        </section>
      ))}
      <section aria-label="On the day">
        <Typography variant="h3">On the day</Typography>
        <PlainList component="ul">
          {ADVICE.map(a => (
            <Typography component="li" variant="body2" key={a} sx={{ py: 0.25 }}>
              {a}
            </Typography>
          ))}
        </PlainList>
      </section>
    </Box>
  </Section>
)
