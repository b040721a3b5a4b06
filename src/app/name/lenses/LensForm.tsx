'use client'

import {
  Alert,
  Autocomplete,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { type FormEvent, type ReactNode, useState } from 'react'
import { distancesDisagree, distanceWords } from '@/core/lenses/distance'
import type { Lens } from '@/core/lenses/schema'
import { linkTo } from '@/ui/address'
import { Page, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { type DistanceText, draftOf, type LensDraft, lensOf, readDistance, type Wrong } from './lens-draft'
import { useSend } from '@/ui/use-send'

const Fields = ({ title, children }: { title: string; children: ReactNode }) => (
  <Section title={title}>
    <Wrap sx={{ gap: 1.5, maxWidth: 820 }}>{children}</Wrap>
  </Section>
)

/** Metric and imperial side by side; where both stand there and cannot both be right, it says so at once. */
const DistanceFields = ({
  label,
  value,
  wrong,
  onChange,
}: {
  label: string
  value: DistanceText
  wrong: string | undefined
  onChange: (text: DistanceText) => void
}) => {
  const read = readDistance(value)
  const isTwice =
    typeof read !== 'string' && read.metres !== 'infinity' && read.feet !== undefined && value.metric.trim()
  const disagree = isTwice && distancesDisagree(read.metres as number, read.feet ?? 0)
  return (
    <Box sx={{ flex: '1 1 380px' }}>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          size="small"
          label={`${label}, metric`}
          placeholder="0.96 m"
          value={value.metric}
          error={wrong !== undefined}
          onChange={e => onChange({ ...value, metric: e.target.value })}
          sx={{ flex: 1 }}
        />
        <TextField
          size="small"
          label={`${label}, imperial`}
          placeholder="3.15 ft"
          value={value.imperial}
          error={wrong !== undefined}
          onChange={e => onChange({ ...value, imperial: e.target.value })}
          sx={{ flex: 1 }}
        />
      </Box>
      <Box role="status">
        {wrong && (
          <Typography variant="body2" color="error">
            {wrong}
          </Typography>
        )}
        {!wrong && typeof read !== 'string' && !disagree && (
          <Typography variant="body2" color="textSecondary">
            {distanceWords(read.metres, 'metric')} = {distanceWords(read.metres, 'imperial')}
          </Typography>
        )}
        {disagree && typeof read !== 'string' && (
          <Typography variant="body2" color="secondary" sx={{ fontWeight: 'fontWeightMedium' }}>
            These do not agree: {distanceWords(read.metres, 'metric')} is {distanceWords(read.metres, 'imperial')}.
          </Typography>
        )}
      </Box>
    </Box>
  )
}

const NEW_POSITION = { label: '', near: { metric: '', imperial: '' }, far: { metric: 'infinity', imperial: '' } }

/** A lens to be typed in or corrected. */
export const LensForm = ({
  lens,
  revision,
  makers,
  bodies,
}: {
  lens: Lens | undefined
  revision: number
  makers: readonly string[]
  bodies: readonly { readonly id: string; readonly maker: string; readonly model: string }[]
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const [draft, setDraft] = useState<LensDraft>(() => draftOf(lens))
  const [tried, setTried] = useState(false)
  const { send, problem, setProblem } = useSend()
  const made = lensOf(draft, lens?.id ?? '')
  // What is wrong is told after the first try, and goes away while it is mended.
  const wrong: Wrong = tried && 'wrong' in made ? made.wrong : {}
  const set = (next: Partial<LensDraft>) => setDraft({ ...draft, ...next })
  const text = (
    field:
      | 'model'
      | 'about'
      | 'mount'
      | 'focalFrom'
      | 'focalTo'
      | 'apertureFrom'
      | 'apertureTo'
      | 'modes'
      | 'panning'
      | 'best'
      | 'bestOn',
    label: string,
    helper = '',
  ) => (
    <TextField
      size="small"
      label={label}
      value={draft[field]}
      error={wrong[field] !== undefined}
      helperText={wrong[field] ?? helper}
      onChange={e => set({ [field]: e.target.value })}
      sx={{ flex: '1 1 180px' }}
    />
  )

  const save = async (event: FormEvent) => {
    event.preventDefault()
    setTried(true)
    setProblem('')
    if ('wrong' in made) return
    const sent = lens
      ? await send<{ id: string }>('PUT', `/api/v1/lenses/${lens.id}`, { document: made.lens, revision })
      : await send<{ id: string }>('POST', '/api/v1/lenses', { document: made.lens, revision: 0 })
    if (sent.ok) router.push(linkTo(`/name/lenses/${sent.value.id}`, params))
  }

  return (
    <Page>
      <Typography variant="h1">{lens ? `Editing ${lens.model}` : 'A new lens'}</Typography>
      <Box component="form" noValidate onSubmit={e => void save(e)}>
        <Fields title="Name">
          <Autocomplete
            freeSolo
            options={[...makers]}
            inputValue={draft.maker}
            onInputChange={(_, maker) => set({ maker })}
            sx={{ flex: '1 1 180px' }}
            renderInput={p => (
              <TextField
                {...p}
                size="small"
                label="Maker"
                error={wrong['maker'] !== undefined}
                helperText={wrong['maker']}
              />
            )}
          />
          {text('model', 'Model')}
          {text('mount', 'Mount')}
          {text('about', 'In a sentence')}
        </Fields>
        <Fields title="Focal length and aperture">
          {text('focalFrom', 'Focal length, mm', 'the short end of a zoom')}
          {text('focalTo', 'to, mm', 'empty for a fixed length')}
          {text('apertureFrom', 'Widest aperture, f/')}
          {text('apertureTo', 'at the long end, f/', 'empty where it stays the same')}
        </Fields>
        <Fields title="Closest focus">
          <Typography variant="body2" color="textSecondary" sx={{ width: '100%' }}>
            It counts from the sensor plane mark on the body, not from the front of the lens.
          </Typography>
          <DistanceFields
            label="Closest focus"
            value={draft.closest}
            wrong={wrong['closest']}
            onChange={closest => set({ closest })}
          />
        </Fields>
        <Fields title="Limiter">
          {draft.limiter.map((p, i) => {
            const change = (next: Partial<typeof p>) =>
              set({ limiter: draft.limiter.map((x, k) => (k === i ? { ...x, ...next } : x)) })
            return (
              <Box key={i} sx={{ width: '100%', display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
                <TextField
                  size="small"
                  label="The switch calls it"
                  value={p.label}
                  error={wrong[`limiter.${i}`] !== undefined}
                  helperText={wrong[`limiter.${i}`]}
                  onChange={e => change({ label: e.target.value })}
                  sx={{ flex: '1 1 160px' }}
                />
                <DistanceFields
                  label="Near"
                  value={p.near}
                  wrong={wrong[`limiter.${i}.near`]}
                  onChange={near => change({ near })}
                />
                <DistanceFields
                  label="Far"
                  value={p.far}
                  wrong={wrong[`limiter.${i}.far`]}
                  onChange={far => change({ far })}
                />
                <Button onClick={() => set({ limiter: draft.limiter.filter((_, k) => k !== i) })}>Remove</Button>
              </Box>
            )
          })}
          <Button onClick={() => set({ limiter: [...draft.limiter, NEW_POSITION] })}>Add a position</Button>
        </Fields>
        <Fields title="Ring and focusing">
          <TextField
            select
            size="small"
            label="Toward infinity the ring turns"
            helperText="seen from behind the camera"
            value={draft.infinityTurn}
            onChange={e => set({ infinityTurn: e.target.value as Lens['infinityTurn'] })}
            sx={{ flex: '1 1 240px' }}
          >
            <MenuItem value="clockwise">clockwise</MenuItem>
            <MenuItem value="anticlockwise">anticlockwise</MenuItem>
          </TextField>
          <TextField
            select
            size="small"
            label="Focusing"
            value={draft.focusing}
            onChange={e => set({ focusing: e.target.value as Lens['focusing'] })}
            sx={{ flex: '1 1 180px' }}
          >
            <MenuItem value="by-wire">by wire</MenuItem>
            <MenuItem value="mechanical">mechanical</MenuItem>
          </TextField>
          <FormControlLabel
            control={<Checkbox checked={draft.recall} onChange={e => set({ recall: e.target.checked })} />}
            label="can be sent back to a stored distance"
          />
        </Fields>
        <Fields title="Stabiliser">
          {text('modes', 'Its modes', 'comma between; empty for none')}
          {text('panning', 'The one for panning')}
        </Fields>
        <Fields title="Once tested">
          {text('best', 'Sharpest at, f/')}
          {text('bestOn', 'Found by', 'which test, when')}
          {draft.offsets.map((o, i) => {
            const change = (next: Partial<typeof o>) =>
              set({ offsets: draft.offsets.map((x, k) => (k === i ? { ...x, ...next } : x)) })
            return (
              <Box key={i} sx={{ width: '100%', display: 'flex', gap: 1.5 }}>
                <TextField
                  select
                  size="small"
                  label="AF offset on"
                  value={o.id}
                  onChange={e => change({ id: e.target.value })}
                  sx={{ flex: '1 1 180px' }}
                >
                  {bodies.map(b => (
                    <MenuItem key={b.id} value={b.id}>
                      {b.maker} {b.model}
                    </MenuItem>
                  ))}
                </TextField>
                <TextField
                  size="small"
                  label="Steps"
                  value={o.steps}
                  error={wrong[`offsets.${i}`] !== undefined}
                  helperText={wrong[`offsets.${i}`] ?? 'positive: away from the camera'}
                  onChange={e => change({ steps: e.target.value })}
                />
                <TextField size="small" label="Found on" value={o.on} onChange={e => change({ on: e.target.value })} />
                <Button onClick={() => set({ offsets: draft.offsets.filter((_, k) => k !== i) })}>Remove</Button>
              </Box>
            )
          })}
          {bodies.length > 0 && (
            <Button
              onClick={() => set({ offsets: [...draft.offsets, { id: bodies[0]?.id ?? '', steps: '0', on: '' }] })}
            >
              Add an AF offset
            </Button>
          )}
        </Fields>
        {Object.keys(wrong).length > 0 && (
          <Alert severity="error" sx={{ mt: 3 }}>
            Some fields cannot be read yet; they say what is expected.
          </Alert>
        )}
        <Trouble words={problem} sx={{ mt: 3 }} />
        <Button type="submit" variant="contained" sx={{ mt: 3 }}>
          {lens ? 'Save the lens' : 'Add the lens'}
        </Button>
      </Box>
    </Page>
  )
}
