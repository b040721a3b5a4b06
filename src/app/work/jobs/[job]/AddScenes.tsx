'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import { addScene, withList } from '@/core/jobs/edit'
import { findPerson, type JobFacts } from '@/core/jobs/facts'
import { idFor, type Job, type Scene } from '@/core/jobs/job'
import type { ReadList } from '@/core/jobs/list-words'
import { problemWords } from '@/core/reading/problem'
import { counted } from '@/core/vocabulary/words'
import { FileButton } from '@/ui/FileButton'
import { LookFirst } from '@/ui/LookFirst'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'

type Edit = (what: string, change: (job: Job) => Job) => void

/** Scenes from a list that is pasted, a spreadsheet or a calendar: looked at before they go in. */
export const AddScenes = ({ job, people, onJob }: { job: Job; people: JobFacts['people']; onJob: Edit }) => {
  const [text, setText] = useState('')
  const [read, setRead] = useState<ReadList>()
  const [name, setName] = useState('')
  const { send, problem, isBusy } = useSend()
  const look = async (content: object | File) => {
    const address = `/api/v1/jobs/${job.id}/scenes`
    const sent =
      content instanceof File
        ? await send<ReadList>(
            'POST',
            `${address}?file=${encodeURIComponent(content.name)}`,
            await content.arrayBuffer(),
          )
        : await send<ReadList>('POST', address, content)
    if (sent.ok) setRead(sent.value)
  }
  const take = () => {
    if (!read) return
    onJob(`${read.scenes.length} scenes from a list`, j => withList(j, again(read, j)))
    setRead(undefined)
    setText('')
  }
  return (
    <Section title="More scenes">
      <Wrap sx={{ alignItems: 'center', mb: 2 }}>
        <TextField size="small" label="A scene" value={name} onChange={e => setName(e.target.value)} />
        <Button
          variant="outlined"
          disabled={!name.trim()}
          onClick={() => {
            onJob(`scene ${name.trim()}`, j => addScene(j, name.trim()))
            setName('')
          }}
        >
          Add it
        </Button>
      </Wrap>
      <TextField
        multiline
        fullWidth
        minRows={3}
        label="Or paste a list"
        placeholder={
          '19:30 Ring parade, 12 min, at the tent, Ottoline Marsh + Bram Tollard\n19:44 Club passing, 10 min'
        }
        value={text}
        onChange={e => setText(e.target.value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 200_000 } }}
        sx={{ maxWidth: 'var(--line)' }}
      />
      <Wrap sx={{ mt: 1 }}>
        <Button variant="outlined" disabled={!text.trim() || isBusy} onClick={() => void look({ text })}>
          Read the list
        </Button>
        <FileButton
          label="From a file (CSV, XLSX, ICS)"
          accept=".csv,.xlsx,.ics,text/csv,text/calendar"
          onFiles={([file]) => file && void look(file)}
        />
      </Wrap>
      <Trouble words={problem} sx={{ mt: 1 }} />
      {read && (
        <LookFirst
          words={
            read.scenes.length === 0
              ? 'No scene could be read.'
              : `${counted(read.scenes.length, 'scene', 'scenes')} can be added.`
          }
          lines={read.scenes.map(s => ({ id: s.id, text: sceneWords(s, [...job.places, ...read.places], people) }))}
          take={`Add ${counted(read.scenes.length, 'scene', 'scenes')}`}
          isNothing={read.scenes.length === 0}
          onTake={take}
          onLeave={() => setRead(undefined)}
        >
          {read.problems.length > 0 && <Trouble words={read.problems.map(problemWords).join('\n')} sx={{ mt: 1 }} />}
        </LookFirst>
      )}
    </Section>
  )
}

/** Everything that was read of a scene, so that it can be held against the list. */
const sceneWords = (s: Scene, places: Job['places'], people: JobFacts['people']): string =>
  [
    `${s.day === undefined ? '' : `${s.day} `}${s.at}, ${s.minutes} min: ${s.name}`,
    places.find(p => p.id === s.place)?.name,
    s.light,
    s.standard,
    s.covers
      .map(c => `${findPerson(people, c.person)?.name ?? c.person}${c.unit === undefined ? '' : ` with ${c.unit}`}`)
      .join(' and '),
    s.moves,
  ]
    .filter(Boolean)
    .join(' · ')

/** Somebody may have added scenes or places of the same names since the list was read. */
const again = (read: ReadList, job: Job): ReadList => {
  const taken = job.scenes.map(s => s.id)
  const scenes = read.scenes.map(s => {
    const id = taken.includes(s.id) ? idFor(s.name, taken) : s.id
    taken.push(id)
    return { ...s, id }
  })
  return { ...read, places: read.places.filter(p => !job.places.some(q => q.id === p.id)), scenes }
}
