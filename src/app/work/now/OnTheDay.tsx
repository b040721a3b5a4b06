'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import { clockAt, isTime } from '@/core/jobs/clock'
import type { Job } from '@/core/jobs/job'
import type { Planned } from '@/core/jobs/replan'
import type { SheetLine } from '@/core/jobs/sheet'
import type { Happening } from '@/core/jobs/standing'
import { TallLink } from '@/ui/links'
import { Section, Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const THUMB = { minHeight: 'var(--touch)' }

/** What may happen to a scene and its camera, said with one thumb; the rest is planned anew. */
export const OnTheDay = ({
  line,
  job,
  planned,
  onHappen,
  person,
}: {
  line: SheetLine
  job: Job
  planned: Planned
  onHappen: (what: Happening) => void
  person: string | undefined
}) => {
  const [chosen, setChosen] = useState(line.scene)
  const open = planned.standing.scenes.filter(s => !s.isDone)
  const scene = open.find(s => s.id === chosen) ?? open.find(s => s.id === line.scene) ?? open[0]
  const begins = scene && clockAt(scene.from, job.timeZone)
  const [typed, setTyped] = useState<string>()
  const at = typed ?? begins?.time ?? ''
  const [words, setWords] = useState('')
  if (!scene || !begins) return null
  const moveTo = (ms: number) => {
    const to = clockAt(ms, job.timeZone)
    onHappen({ kind: 'moved', scene: scene.id, day: to.day, at: to.time })
  }
  const unit = line.unit
  const say = (kind: 'noted' | 'missed') => {
    if (kind === 'missed' && person !== undefined) onHappen({ kind, who: person, words: words.trim() })
    else onHappen({ kind: 'noted', scene: scene.id, words: words.trim() })
    setWords('')
  }
  return (
    <Section title="What happens">
      <TextField
        select
        fullWidth
        size="small"
        label="With"
        value={scene.id}
        onChange={e => {
          setChosen(e.target.value)
          setTyped(undefined)
        }}
        sx={{ mb: 1.5 }}
      >
        {open.map(s => (
          <MenuItem key={s.id} value={s.id}>
            {clockAt(s.from, job.timeZone).time} {s.name}
            {s.isDropped && ', dropped'}
          </MenuItem>
        ))}
      </TextField>
      <Wrap>
        <Button variant="outlined" sx={THUMB} onClick={() => onHappen({ kind: 'done', scene: scene.id })}>
          It is over
        </Button>
        {[10, 30].map(minutes => (
          <Button key={minutes} variant="outlined" sx={THUMB} onClick={() => moveTo(scene.from + minutes * 60_000)}>
            {minutes} min later
          </Button>
        ))}
        <Button
          variant="outlined"
          sx={THUMB}
          onClick={() => onHappen({ kind: scene.isDropped ? 'restored' : 'dropped', scene: scene.id })}
        >
          {scene.isDropped ? 'It is played after all' : 'It is dropped'}
        </Button>
        {unit && (
          <Button variant="outlined" sx={THUMB} onClick={() => onHappen({ kind: 'failed', unit: unit.id })}>
            {unit.tag} fails
          </Button>
        )}
      </Wrap>
      <Wrap sx={{ mt: 1.5, alignItems: 'center' }}>
        <TextField size="small" type="time" label="Begins at" value={at} onChange={e => setTyped(e.target.value)} />
        <Button
          variant="outlined"
          sx={THUMB}
          disabled={!isTime(at) || at === begins.time}
          onClick={() => onHappen({ kind: 'moved', scene: scene.id, day: begins.day, at })}
        >
          Move it
        </Button>
      </Wrap>
      <Box sx={{ mt: 1.5 }}>
        <TextField
          fullWidth
          size="small"
          multiline
          label="A word for the debrief"
          value={words}
          onChange={e => setWords(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 400 } }}
        />
        <Wrap sx={{ mt: 1 }}>
          <Button sx={THUMB} disabled={!words.trim()} onClick={() => say('noted')}>
            Note it
          </Button>
          <Button sx={THUMB} disabled={!words.trim() || person === undefined} onClick={() => say('missed')}>
            I was missing this
          </Button>
        </Wrap>
      </Box>
      {unit && line.body !== undefined && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          <TallLink
            to={`/set/cards/${line.body}`}
            more={{
              unit: unit.id,
              ...(line.standard && !line.standard.isGuided ? { standard: line.standard.id } : {}),
              ...(line.standard?.for ? { for: line.standard.for } : {}),
            }}
          >
            The card of {unit.tag}
          </TallLink>
        </Typography>
      )}
    </Section>
  )
}
