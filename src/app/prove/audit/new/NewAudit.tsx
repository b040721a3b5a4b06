'use client'

import { Alert, Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useMemo, useState } from 'react'
import { cameraOf } from '@/core/audit/picture'
import { camerasIn, identified } from '@/core/audit/whose'
import type { AuditableView } from '@/server/audits'
import { linkTo } from '@/ui/address'
import { DropFiles } from '@/ui/DropFiles'
import { KeptLink } from '@/ui/links'
import { useLocal } from '@/ui/local'
import { Page, Wrap } from '@/ui/pieces'
import { Reading } from '@/ui/Reading'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { Cameras } from '../Cameras'
import { emptyScene, planOf, type TypedPlan, wrongIn } from '../plan-form'
import { Scenes, type StandardChoice } from '../Scenes'
import { fetchMadePictures } from './made'
import { useMetadata } from './use-metadata'
import { Typography } from '@/ui/elements'

const ACCEPTED = 'image/*,.heic,.heif,.avif,.tif,.tiff,.dng,.csv,.json,.raw'

const typedIn = (kept: string | null, first: string): TypedPlan => {
  const empty: TypedPlan = { name: '', scenes: [emptyScene(first)], clocks: {}, whose: {}, isOnlySinceEntered: false }
  try {
    return { ...empty, ...(JSON.parse(kept ?? '{}') as Partial<TypedPlan>) }
  } catch {
    return empty
  }
}

/** Pictures of a job, the scenes they are held against, and the cameras that took them. */
export const NewAudit = ({
  auditable: { units, fields, silent },
  standards,
  first,
}: {
  auditable: AuditableView
  standards: readonly StandardChoice[]
  first: string
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const { taken, add, stop, goOn, trouble, progress, beginAgain, pictures } = useMetadata(fields)
  const [kept, keep] = useLocal('coherion-audit-plan')
  const typed = useMemo(() => typedIn(kept, first), [kept, first])
  const set = (next: Partial<TypedPlan>) => keep(JSON.stringify({ ...typed, ...next }))
  const [isShown, setShown] = useState(false)
  const cameras = useMemo(() => {
    // Whose they were is asked here; the server looks it up again, with what it knows of each unit.
    const owned = units.map(u => ({ ...u, since: '', entered: '' }))
    return identified(camerasIn(taken.map(t => t.picture)), owned, typed.whose)
  }, [taken, typed.whose, units])
  const clockPictures = (camera: string) =>
    taken.flatMap(({ picture, file }) =>
      cameraOf(picture) === camera && picture.at ? [{ file: picture.file, at: picture.at, picture: file }] : [],
    )
  const wrong = wrongIn(typed)
  const withNotes = taken.filter(t => t.hasNotes).length
  const isPart = fields.length > 0 && withNotes < taken.length
  const save = async () => {
    setShown(true)
    if (wrong.length > 0) return
    const plan = planOf(typed, taken.find(t => t.picture.at)?.picture.at)
    const sent = await send<{ id: number }>('POST', '/api/v1/audits', JSON.stringify({ ...plan, pictures: pictures() }))
    if (!sent.ok) return
    stop()
    keep('{}')
    router.push(linkTo(`/prove/audit/${sent.value.id}`, params))
  }
  return (
    <Page>
      <Typography variant="h1">Audit pictures</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Drop the pictures of a job, as they came from the cameras. What they say of themselves is read here; a table of
        metadata that another program wrote (CSV or JSON) does as well.
      </Typography>
      {progress ? (
        <Reading
          progress={progress}
          what={progress.what === 'notes' ? 'makers’ own fields' : 'pictures'}
          onStop={stop}
        />
      ) : (
        <>
          <DropFiles
            label={taken.length > 0 ? 'Add more' : 'Choose the pictures'}
            accept={ACCEPTED}
            about="JPEG, HEIF, TIFF and raw files, thousands at once."
            stay="The pictures stay on this device; only what they say of themselves is kept."
            onFiles={files => void add(files)}
          />
          {taken.length === 0 && (
            <Button sx={{ mt: 1 }} onClick={() => void fetchMadePictures().then(add)}>
              Try it with made pictures
            </Button>
          )}
          {isPart && taken.length > 0 && (
            <Button sx={{ mt: 1 }} onClick={() => void goOn()}>
              Go on reading makers’ own fields
            </Button>
          )}
        </>
      )}
      <Trouble words={trouble} sx={{ mt: 2 }} />
      {silent.length > 0 && taken.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          Nothing says yet which fields tell how these are set:{' '}
          {silent.map((b, i) => (
            <span key={b.id}>
              {i > 0 && ', '}
              <KeptLink to={`/name/bodies/${b.id}/evidence`}>{b.name}</KeptLink>
            </span>
          ))}
          . A few pictures of each find it out.
        </Typography>
      )}
      {taken.length > 0 && (
        <>
          <Typography role="status" sx={{ mt: 2 }}>
            {taken.length} {taken.length === 1 ? 'picture' : 'pictures'} read
            {fields.length > 0 && `, ${withNotes} with the makers’ own fields`}.
          </Typography>
          <TextField
            fullWidth
            label="The job"
            placeholder="Ring festival, Saturday"
            value={typed.name}
            onChange={e => set({ name: e.target.value })}
            error={isShown && !typed.name.trim()}
            sx={{ mt: 2, maxWidth: 'var(--narrow)' }}
          />
          <Cameras cameras={cameras} units={units} typed={typed} clockPictures={clockPictures} onTyped={set} />
          <Scenes scenes={typed.scenes} standards={standards} onScenes={scenes => set({ scenes })} />
          {isShown && wrong.length > 0 && (
            <Alert severity="warning" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
              {wrong.join(' ')}
            </Alert>
          )}
          <Trouble words={problem} sx={{ mt: 2 }} />
          <Wrap sx={{ mt: 3 }}>
            <Button variant="contained" disabled={isBusy || progress?.what === 'pictures'} onClick={() => void save()}>
              {isPart
                ? `See what they say so far (${withNotes} of ${taken.length} with makers’ own fields)`
                : 'See what they say'}
            </Button>
            <Button onClick={beginAgain} disabled={progress !== undefined}>
              Begin again
            </Button>
          </Wrap>
        </>
      )}
    </Page>
  )
}
