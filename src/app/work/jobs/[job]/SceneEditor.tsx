'use client'

import { Autocomplete, Button, Checkbox, FormControlLabel, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import { isDay, isTime } from '@/core/jobs/clock'
import { withoutScene, withScene } from '@/core/jobs/edit'
import { findLens, findPerson, findUnit, type JobFacts } from '@/core/jobs/facts'
import { type Cover, type Job, LIGHTS, type Scene, sentenceFor } from '@/core/jobs/job'
import type { Planned } from '@/core/jobs/replan'
import type { JobView } from '@/server/jobs'
import { Choice } from '@/ui/Choice'
import { TallLink } from '@/ui/links'
import { PlainList, Section, Wrap } from '@/ui/pieces'
import { WrittenField } from '@/ui/WrittenField'
import { DistanceText, NumberText } from '../../NumberText'
import { Box, Typography } from '@/ui/elements'

type Edit = (what: string, change: (job: Job) => Job) => void

/** One scene: when, where, what moves, who covers it; and why the plan takes the cameras it takes. */
export const SceneEditor = ({
  job,
  scene,
  facts,
  planned,
  standards,
  onJob,
  onGone,
}: {
  job: Job
  scene: Scene
  facts: JobFacts
  planned: Planned
  standards: JobView['standards']
  onJob: Edit
  onGone: () => void
}) => {
  const set = (what: string, next: Partial<Scene>) => onJob(`${scene.name}: ${what}`, j => withScene(j, scene.id, next))
  const setCovers = (covers: readonly Cover[]) => set('who covers it', { covers: [...covers] })
  const stations = planned.plan.stations.filter(s => s.scene.id === scene.id)
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h2">{scene.name}</Typography>
      <WrittenField
        label="Name"
        value={scene.name}
        needed="A scene needs a name"
        onWrite={name => set('name', { name: name.slice(0, 120) })}
      />
      <Wrap>
        <TextField
          size="small"
          type="date"
          label="Day"
          value={scene.day ?? job.day}
          onChange={e =>
            isDay(e.target.value) && set('day', { day: e.target.value === job.day ? undefined : e.target.value })
          }
        />
        <TextField
          size="small"
          type="time"
          label="Begins"
          value={scene.at}
          onChange={e => isTime(e.target.value) && set('time', { at: e.target.value })}
        />
        <NumberText
          label="Minutes"
          value={scene.minutes}
          least={1}
          most={1440}
          onNumber={n => n !== undefined && set('length', { minutes: Math.round(n) })}
        />
      </Wrap>
      <Choice
        label="Place"
        value={scene.place ?? ''}
        onChange={value => set('place', { place: value || undefined })}
        none="nowhere in particular"
        options={job.places}
      />
      <TextField
        select
        size="small"
        label="Standard"
        value={scene.standard ?? ''}
        onChange={e => set('standard', { standard: e.target.value || undefined })}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">as the guide answers</MenuItem>
        {scene.standard !== undefined && !standards.some(s => s.id === scene.standard) && (
          <MenuItem value={scene.standard}>{scene.standard}</MenuItem>
        )}
        {standards.map(s => (
          <MenuItem key={s.id} value={s.id}>
            {s.name}
          </MenuItem>
        ))}
      </TextField>
      {scene.standard === undefined && (
        <Typography variant="body2">
          <TallLink to="/decide/guide" more={{ sentence: sentenceFor(scene) }}>
            Make a standard of it
          </TallLink>
        </Typography>
      )}
      <WrittenField
        label="What moves"
        value={scene.moves ?? ''}
        onWrite={moves => set('what moves', { moves: moves.slice(0, 300) || undefined })}
      />
      <Choice
        label="Light"
        value={scene.light ?? ''}
        onChange={value => set('light', { light: value || undefined })}
        none="not said"
        options={LIGHTS.map(l => ({ id: l, name: l }))}
      />
      <Wrap>
        <DistanceText label="Near" metres={scene.near} onMetres={near => set('near', { near })} />
        <DistanceText label="Far" metres={scene.far} onMetres={far => set('far', { far })} />
        <NumberText
          label="Camera looks, °"
          value={scene.facing}
          least={0}
          most={360}
          onNumber={facing => set('direction', { facing })}
        />
      </Wrap>
      <Section title="Who covers it" level={3}>
        {scene.covers.map((c, i) => (
          <CoverFields
            key={`${i} ${c.person}`}
            cover={c}
            facts={facts}
            onCover={next =>
              setCovers(
                next ? scene.covers.map((x, n) => (n === i ? next : x)) : scene.covers.filter((_, n) => n !== i),
              )
            }
          />
        ))}
        <AddPerson facts={facts} onPerson={person => setCovers([...scene.covers, { person, remote: false }])} />
      </Section>
      {stations.length > 0 && (
        <Section title="Why these cameras" level={3}>
          {stations.map(s => (
            <Box key={s.cover} sx={{ mb: 1 }}>
              <Typography variant="body2">
                <strong>{s.person?.name}</strong>: {s.unit?.tag ?? 'none'}
                {s.why.isSettled ? ', as it was settled' : s.why.chosen && `: ${s.why.chosen.parts.join(', ')}`}
              </Typography>
              {!s.why.isSettled && (
                <PlainList component="ul">
                  {s.why.others.map(o => (
                    <Typography key={o.unit} component="li" variant="body2" color="textSecondary">
                      not {o.tag}: {o.parts.join(', ')}
                    </Typography>
                  ))}
                </PlainList>
              )}
            </Box>
          ))}
        </Section>
      )}
      <Button
        color="error"
        onClick={() => {
          onGone()
          onJob(`${scene.name} taken out`, j => withoutScene(j, scene.id))
        }}
      >
        Take the scene out
      </Button>
    </Box>
  )
}

const CoverFields = ({
  cover,
  facts,
  onCover,
}: {
  cover: Cover
  facts: JobFacts
  onCover: (next: Cover | undefined) => void
}) => {
  const name = findPerson(facts.people, cover.person)?.name ?? cover.person
  const unit = cover.unit === undefined ? undefined : findUnit(facts.units, cover.unit)
  const lens = cover.lens === undefined ? undefined : findLens(facts.lenses, cover.lens)
  const { unit: _unit, lens: _lens, ...bare } = cover
  return (
    <Box sx={{ display: 'grid', gap: 1, mb: 1.5 }} role="group" aria-label={name}>
      <Wrap sx={{ justifyContent: 'space-between', alignItems: 'center' }}>
        <Typography variant="strong">{name}</Typography>
        <Button size="small" onClick={() => onCover(undefined)} aria-label={`Without ${name}`}>
          Without
        </Button>
      </Wrap>
      <Autocomplete
        size="small"
        options={facts.units.map(u => u.tag)}
        value={unit?.tag ?? cover.unit ?? null}
        onChange={(_, tag) =>
          onCover({
            ...bare,
            ...(cover.lens === undefined ? {} : { lens: cover.lens }),
            ...(tag === null ? {} : { unit: findUnit(facts.units, tag)?.id ?? tag }),
          })
        }
        renderInput={params => <TextField {...params} label="Camera" placeholder="Coherion chooses" />}
      />
      <Autocomplete
        size="small"
        options={facts.lenses.map(l => l.name)}
        value={lens?.name ?? cover.lens ?? null}
        onChange={(_, chosen) =>
          onCover({
            ...bare,
            ...(cover.unit === undefined ? {} : { unit: cover.unit }),
            ...(chosen === null ? {} : { lens: findLens(facts.lenses, chosen)?.id ?? chosen }),
          })
        }
        renderInput={params => <TextField {...params} label="Lens" />}
      />
      <FormControlLabel
        control={<Checkbox checked={cover.remote} onChange={e => onCover({ ...cover, remote: e.target.checked })} />}
        label="Nobody holds it: released from afar"
      />
    </Box>
  )
}

const AddPerson = ({ facts, onPerson }: { facts: JobFacts; onPerson: (id: string) => void }) => {
  const [at, setAt] = useState(0)
  return (
    <Autocomplete
      key={at}
      size="small"
      options={facts.people.map(p => p.name)}
      onChange={(_, name) => {
        const person = facts.people.find(p => p.name === name)
        if (!person) return
        onPerson(person.id)
        setAt(n => n + 1)
      }}
      renderInput={params => <TextField {...params} label="Add somebody" />}
    />
  )
}
