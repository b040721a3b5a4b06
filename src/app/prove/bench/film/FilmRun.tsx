'use client'

import { Alert, Button, LinearProgress } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useMemo, useState } from 'react'
import { balancedOrder } from '@/core/scales/order'
import { type Run, RUN_FORMAT } from '@/core/scales/run'
import type { MeasurableView } from '@/server/bench'
import { linkTo } from '@/ui/address'
import { DropFiles } from '@/ui/DropFiles'
import { useLocal } from '@/ui/local'
import { readOnDevice } from '@/ui/on-device'
import { Page, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { HOW, ORDER_SEED } from '../how'
import { madeFilmOf } from '../made'
import { isStop, useStoppable, wordsOf } from '@/ui/use-stoppable'
import { type Film, keptFilms, noteWords, takesOfFilms, textOfFilms } from './film-takes'
import { FilmTakes } from './FilmTakes'
import { FIRST_PLACES, MarkPlaces, type Places } from './MarkPlaces'
import { Box, Typography } from '@/ui/elements'

const isPicture = (file: File): boolean => file.type.startsWith('image/')
const isBurst = (files: readonly File[]): boolean => files.every(isPicture)

/** Every film by itself; pictures together are one burst. */
const groupsOf = (files: readonly File[]): readonly (readonly File[])[] => {
  const pictures = files.filter(isPicture)
  return [...files.filter(f => !pictures.includes(f)).map(f => [f]), ...(pictures.length > 0 ? [pictures] : [])]
}

const nameOf = (files: readonly File[]): string =>
  isBurst(files) ? `${files.length} pictures from ${files[0]?.name ?? ''}` : (files[0]?.name ?? '')

interface Waiting {
  readonly groups: readonly (readonly File[])[]
  readonly picture: ImageBitmap
}

/** A run that is read from films of the camera itself, or of its rear screen. */
export const FilmRun = ({
  on,
  scale,
  unit,
  lens,
  repeats,
}: {
  on: MeasurableView
  scale: MeasurableView['scales'][number]
  unit: string | undefined
  lens: string | undefined
  repeats: number
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const { during, isBusy: isReading, trouble, stop } = useStoppable()
  const [waiting, setWaiting] = useState<Waiting>()
  const [places, setPlaces] = useState<Places>(FIRST_PLACES)
  const [kept, keep] = useLocal(
    `film-run ${[on.body, on.firmware, scale.setting, scale.dimension, unit, lens].join(' ')}`,
  )
  const films = useMemo(() => keptFilms(kept), [kept])
  const setFilms = (next: readonly Film[]) => keep(textOfFilms(next))
  const [progress, setProgress] = useState({ words: '', share: 0 })
  const [unread, setUnread] = useState<readonly string[]>([])
  const order = balancedOrder(
    scale.steps.map(s => s.id),
    repeats,
    ORDER_SEED,
  )
  const made = madeFilmOf(on.body, scale.dimension)

  const begin = (words: string, work: (signal: AbortSignal) => Promise<void>) => {
    setProgress({ words, share: 0 })
    return during(work)
  }
  const look = (find: (signal: AbortSignal) => Promise<readonly File[]> | readonly File[]) =>
    begin('Opening', async signal => {
      const groups = groupsOf(await find(signal))
      const [first] = groups
      if (!first) return
      const { picture } = await readOnDevice({ kind: 'look', files: first }, 'look', () => undefined, signal)
      setUnread([])
      setWaiting({ groups, picture })
    })
  const followOne = async (files: readonly File[], before: number, signal: AbortSignal): Promise<Film> => {
    const name = nameOf(files)
    const { read, curve } = await readOnDevice(
      { kind: 'follow', files, ...places, measured: scale.dimension },
      'clip',
      heard => {
        if (heard.kind === 'progress')
          setProgress({ words: `Following both places in ${name}`, share: heard.of > 0 ? heard.done / heard.of : 0 })
      },
      signal,
    )
    const takes = read.takes.map((take, i) => ({
      ...take,
      step: order[(before + i) % order.length] ?? '',
      isLeftOut: false,
    }))
    return { name, isBurst: isBurst(files), takes, notes: read.notes, frame: read.frame, curve }
  }
  const follow = ({ groups, picture }: Waiting) =>
    begin('Following both places', async signal => {
      let found = films
      for (const [i, files] of groups.entries()) {
        try {
          const before = found.reduce((n, f) => n + f.takes.length, 0)
          found = [...found, await followOne(files, before, signal)]
          setFilms(found)
        } catch (error) {
          // One film that cannot be read does not keep the others from it.
          if (isStop(error)) throw error
          setUnread(others => [...others, wordsOf(error)])
        }
        const left = groups.slice(i + 1)
        setWaiting(left.length > 0 ? { groups: left, picture } : undefined)
      }
    })
  const fetchFilm = async (address: string, signal: AbortSignal): Promise<readonly File[]> => {
    const response = await fetch(address, { signal })
    if (!response.ok) throw new Error('The made film is not there. Try again once the server answers.')
    return [new File([await response.blob()], address.slice(address.lastIndexOf('/') + 1), { type: 'video/mp4' })]
  }
  const takes = takesOfFilms(films, scale.dimension)
  const save = async () => {
    const document: Run = {
      format: RUN_FORMAT,
      body: on.body,
      firmware: on.firmware,
      ...(unit ? { unit } : {}),
      ...(lens ? { lens } : {}),
      dimension: scale.dimension,
      setting: scale.setting,
      way: films.some(f => f.isBurst) ? 'stills' : 'film',
      on: new Date().toISOString().slice(0, 10),
      reactions: [],
      takes: [...takes],
    }
    const sent = await send<{ id: number }>('POST', '/api/v1/runs', { document })
    if (!sent.ok) return
    setFilms([])
    router.push(linkTo(`/prove/bench/${sent.value.id}`, params))
  }

  return (
    <Page>
      <Typography color="textSecondary">
        {on.name} · firmware {on.firmware}
        {unit && ` · ${unit}`}
      </Typography>
      <Typography variant="h1">{scale.label}, from films</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        {HOW[scale.dimension].arrange} Let the camera film it itself, or film its rear screen with a phone; tripod, even
        light. Several takes may stand in one film, in this order of {scale.settingLabel}:{' '}
        {order.map(id => scale.steps.find(s => s.id === id)?.label).join(', ')}.
      </Typography>
      {!waiting && !isReading && (
        <>
          <DropFiles
            label={films.length > 0 ? 'Add more films' : 'Choose films, or a burst of pictures'}
            accept="video/*,.mp4,.mov,.webm,.mkv,image/jpeg"
            about="MP4, MOV or WebM; or the JPEGs of a burst with their times."
            onFiles={files => void look(() => files)}
          />
          {made && films.length === 0 && (
            <Button sx={{ mt: 1 }} onClick={() => void look(signal => fetchFilm(made, signal))}>
              Try it with a made film of this body
            </Button>
          )}
        </>
      )}
      {isReading && (
        <Box role="status" sx={{ maxWidth: 'var(--line)' }}>
          <Typography>{progress.words} …</Typography>
          <LinearProgress
            variant={progress.share > 0 ? 'determinate' : 'indeterminate'}
            value={Math.min(100, progress.share * 100)}
            aria-label={progress.words}
            sx={{ my: 1 }}
          />
          <Button onClick={stop}>Stop</Button>
        </Box>
      )}
      <Trouble words={trouble} sx={{ mt: 2 }} />
      {unread.map(words => (
        <Trouble key={words} words={words} sx={{ mt: 2 }} />
      ))}
      {waiting && !isReading && (
        <Section title="Mark the two places">
          <MarkPlaces picture={waiting.picture} places={places} onChange={setPlaces} />
          <Wrap sx={{ mt: 2 }}>
            <Button variant="contained" onClick={() => void follow(waiting)}>
              Follow both places
            </Button>
            <Button onClick={() => setWaiting(undefined)}>Another film</Button>
            {waiting.groups.length > 1 && (
              <Typography variant="body2">{waiting.groups.length} films, filmed from the same place</Typography>
            )}
          </Wrap>
        </Section>
      )}
      {films.flatMap(film =>
        film.notes.map(note => (
          <Alert key={film.name + JSON.stringify(note)} severity="warning" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
            {film.name}: {noteWords(note)}
          </Alert>
        )),
      )}
      {films.some(f => f.takes.length > 0) && (
        <Section title="Takes">
          <FilmTakes films={films} scale={scale} onChange={setFilms} />
          <Wrap sx={{ mt: 2 }}>
            <Button variant="contained" disabled={isBusy || takes.length === 0} onClick={() => void save()}>
              See what {takes.length === 1 ? 'this take comes' : `the ${takes.length} takes come`} to
            </Button>
            <Button onClick={() => setFilms([])}>Begin again</Button>
          </Wrap>
        </Section>
      )}
      <Trouble words={problem} sx={{ mt: 2 }} />
    </Page>
  )
}
