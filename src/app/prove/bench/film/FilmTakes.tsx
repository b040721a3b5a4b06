'use client'

import { Checkbox, FormControlLabel, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import type { MeasurableView } from '@/server/bench'
import { Eyebrow } from '@/ui/pieces'
import { type Film, type FilmTake, secondsOf } from './film-takes'
import { MomentCurve } from './MomentCurve'
import { Box, Typography } from '@/ui/elements'

/** Every take that was found: its curve with the moments, which step it was, and what it comes to. */
export const FilmTakes = ({
  films,
  scale,
  onChange,
}: {
  films: readonly Film[]
  scale: MeasurableView['scales'][number]
  onChange: (films: readonly Film[]) => void
}) => {
  const [all, setAll] = useState('')
  const change = (f: number, t: number | undefined, next: Partial<FilmTake>) =>
    onChange(
      films.map((film, i) =>
        i === f
          ? { ...film, takes: film.takes.map((take, k) => (t === undefined || k === t ? { ...take, ...next } : take)) }
          : film,
      ),
    )
  const options = scale.steps.map(s => (
    <MenuItem key={s.id} value={s.id}>
      {s.label}
    </MenuItem>
  ))
  return (
    <>
      <Typography sx={{ mb: 1, maxWidth: 'var(--line)' }}>
        The thin line is how sharp the far chart is, the thick one the near. Drag a moment where it stands wrong, or
        move it by a frame with the arrow keys.
      </Typography>
      {films.map((film, f) => (
        <Box key={film.name + f} sx={{ mb: 3 }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, mb: 1 }}>
            <Typography variant="h3" sx={{ overflowWrap: 'anywhere' }}>
              {film.name}: {film.takes.length} {film.takes.length === 1 ? 'take' : 'takes'}
            </Typography>
            <TextField
              select
              size="small"
              label="All of this film are"
              value={all}
              onChange={e => {
                setAll('')
                change(f, undefined, { step: e.target.value })
              }}
              sx={{ minWidth: 'var(--field-short)' }}
            >
              {options}
            </TextField>
          </Box>
          {film.takes.map((take, t) => {
            const found = secondsOf(scale.dimension, take)
            return (
              <Box
                key={t}
                sx={{
                  py: 1.5,
                  borderTop: 1,
                  borderColor: 'divider',
                  display: 'grid',
                  gridTemplateColumns: { xs: '1fr', md: 'var(--field) minmax(0, 1fr)' },
                  gap: 2,
                }}
              >
                <div>
                  <Eyebrow>Take {t + 1}</Eyebrow>
                  <Typography variant="figure" component="p">
                    {found ? `${found.seconds.toFixed(2)} s${found.never ? ', never' : ''}` : 'no time'}
                  </Typography>
                  {!take.isSure && (
                    <Typography variant="body2">
                      {take.within === undefined || take.within < 3 * film.frame
                        ? 'Look at this one: its curve is not what a rack of focus looks like.'
                        : `Look at this one: its moments may lie ${take.within.toFixed(2)} s otherwise.`}
                    </Typography>
                  )}
                  <TextField
                    select
                    fullWidth
                    size="small"
                    label={`Take ${t + 1} was`}
                    value={take.step}
                    onChange={e => change(f, t, { step: e.target.value })}
                    sx={{ my: 1 }}
                  >
                    {options}
                  </TextField>
                  <FormControlLabel
                    control={
                      <Checkbox
                        checked={take.isLeftOut}
                        onChange={e => change(f, t, { isLeftOut: e.target.checked })}
                      />
                    }
                    label="Leave out"
                  />
                </div>
                <Box sx={{ opacity: take.isLeftOut ? 0.4 : 1 }}>
                  <MomentCurve
                    film={film}
                    index={t}
                    onMove={(which, seconds) => change(f, t, { [which]: Math.max(0, seconds) })}
                  />
                </Box>
              </Box>
            )
          })}
        </Box>
      ))}
    </>
  )
}
