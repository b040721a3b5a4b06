'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import type { Context } from '@/core/standards/context'
import { contextText, SCOPES } from '@/core/standards/context'
import { Section, Wrap } from '@/ui/pieces'
import { emptyScene, type TypedScene } from './plan-form'
import { Box } from '@/ui/elements'

/** A standard that scenes can be held against, with the people and scenes it has layers for. */
export interface StandardChoice {
  readonly id: string
  readonly name: string
  readonly scopes: Context
}

const forChoices = (
  standard: StandardChoice | undefined,
): readonly { readonly text: string; readonly words: string }[] =>
  SCOPES.flatMap(scope =>
    (standard?.scopes[scope] ?? []).map(id => ({
      text: contextText({ [scope]: [id] }),
      words: id.replaceAll('-', ' '),
    })),
  )

/** The scenes of a job: from when to when, and by which standard each was shot. */
export const Scenes = ({
  scenes,
  standards,
  onScenes,
}: {
  scenes: readonly TypedScene[]
  standards: readonly StandardChoice[]
  onScenes: (scenes: readonly TypedScene[]) => void
}) => {
  const change = (i: number, next: Partial<TypedScene>) =>
    onScenes(scenes.map((s, k) => (k === i ? { ...s, ...next } : s)))
  return (
    <Section title="Scenes">
      {scenes.map((scene, i) => {
        const standard = standards.find(s => s.id === scene.standard.split('@')[0])
        const choices = forChoices(standard)
        const text = (field: keyof TypedScene, label: string, basis: number, more: object = {}) => (
          <TextField
            size="small"
            label={label}
            value={scene[field]}
            onChange={e => change(i, { [field]: e.target.value })}
            sx={{ flex: `1 1 ${basis}px` }}
            {...more}
          />
        )
        const time = { type: 'datetime-local', slotProps: { inputLabel: { shrink: true } } }
        return (
          <Box key={i} role="group" aria-label={`Scene ${i + 1}`} sx={{ mb: 2, maxWidth: 'var(--wide)' }}>
            <Wrap>
              {text('name', 'Scene', 180)}
              <TextField
                select
                size="small"
                label="Shot by"
                value={scene.standard}
                onChange={e => change(i, { standard: e.target.value, for: '' })}
                sx={{ flex: '1 1 var(--field-short)' }}
              >
                {standard && standard.id !== scene.standard && (
                  <MenuItem
                    value={scene.standard}
                  >{`${standard.name}, version ${scene.standard.split('@')[1] ?? ''}`}</MenuItem>
                )}
                {standards.map(s => (
                  <MenuItem key={s.id} value={s.id}>
                    {s.name}
                  </MenuItem>
                ))}
              </TextField>
              {(choices.length > 0 || scene.for !== '') && (
                <TextField
                  select
                  size="small"
                  label="For"
                  value={scene.for}
                  onChange={e => change(i, { for: e.target.value })}
                  slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
                  sx={{ flex: '1 1 var(--field-short)' }}
                >
                  <MenuItem value="">everybody</MenuItem>
                  {scene.for !== '' && !choices.some(c => c.text === scene.for) && (
                    <MenuItem value={scene.for}>{scene.for}</MenuItem>
                  )}
                  {choices.map(c => (
                    <MenuItem key={c.text} value={c.text}>
                      {c.words}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            </Wrap>
            <Wrap sx={{ mt: 1 }}>
              {text('from', 'From', 190, time)}
              {text('until', 'Until', 190, time)}
              {text('speed', 'Subject moves at, m/s', 150, { slotProps: { htmlInput: { inputMode: 'decimal' } } })}
              {text('distance', 'From a distance of, m', 150, { slotProps: { htmlInput: { inputMode: 'decimal' } } })}
              {scenes.length > 1 && (
                <Button color="inherit" onClick={() => onScenes(scenes.filter((_, k) => k !== i))}>
                  Leave out
                </Button>
              )}
            </Wrap>
          </Box>
        )
      })}
      <Button
        variant="outlined"
        onClick={() => onScenes([...scenes, { ...emptyScene(scenes.at(-1)?.standard ?? ''), name: '' }])}
      >
        Add a scene
      </Button>
    </Section>
  )
}
