'use client'

import { Alert, Autocomplete, Button, Checkbox, FormControlLabel, MenuItem, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import type { ReactNode } from 'react'
import { type FieldErrors, type ResolverResult, useForm, useWatch } from 'react-hook-form'
import type { Lens } from '@/core/lenses/schema'
import { linkTo } from '@/ui/address'
import { Page, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { DistanceFields } from './DistanceFields'
import { draftOf, type LensDraft, lensOf, type Wrong } from './lens-draft'
import { LimiterFields } from './LimiterFields'
import { OffsetFields } from './OffsetFields'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

/** What the form makes once all of it can be read. */
type ReadLens = Extract<ReturnType<typeof lensOf>, { lens: unknown }>

const Fields = ({ title, children }: { title: string; children: ReactNode }) => (
  <Section title={title}>
    <Wrap sx={{ gap: 1.5, maxWidth: 'var(--wide)' }}>{children}</Wrap>
  </Section>
)

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
  const { send, problem, setProblem } = useSend()
  // Texts are read as a whole.
  const { control, setValue, handleSubmit, formState, getValues } = useForm<LensDraft, unknown, ReadLens>({
    defaultValues: draftOf(lens),
    resolver: (draft): ResolverResult<LensDraft, ReadLens> => {
      const made = lensOf(draft, lens?.id ?? '')
      if ('lens' in made) return { values: made, errors: {} }
      const [first = 'maker'] = Object.keys(made.wrong)
      return { values: {}, errors: { [first]: { type: 'unread' } } as FieldErrors<LensDraft> }
    },
  })
  const draft: LensDraft = { ...getValues(), ...useWatch({ control }) } as LensDraft
  // What is wrong is told after the first try, and goes away while it is mended.
  const made = lensOf(draft, lens?.id ?? '')
  const wrong: Wrong = formState.isSubmitted && 'wrong' in made ? made.wrong : {}
  const set = (next: Partial<LensDraft>) => {
    for (const [field, value] of Object.entries(next)) setValue(field as keyof LensDraft, value as never)
  }
  const text = (
    field:
      | 'model'
      | 'about'
      | 'mount'
      | 'focalFrom'
      | 'focalTo'
      | 'apertureFrom'
      | 'apertureTo'
      | 'magnification'
      | 'pupilMagnification'
      | 'front'
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
      // Beside each other on a phone only where their names are short.
      sx={{ flex: `1 1 var(--field${label.length > 18 ? '' : '-short'})` }}
    />
  )

  const save = async (read: ReadLens) => {
    const sent = lens
      ? await send<{ id: string }>('PUT', `/api/v1/lenses/${lens.id}`, { document: read.lens, revision })
      : await send<{ id: string }>('POST', '/api/v1/lenses', { document: read.lens, revision: 0 })
    if (sent.ok) router.push(linkTo(`/name/lenses/${sent.value.id}`, params))
  }

  return (
    <Page>
      <Typography variant="h1">{lens ? `Editing ${lens.model}` : 'A new lens'}</Typography>
      <Box
        component="form"
        noValidate
        onSubmit={e => {
          setProblem('')
          void handleSubmit(save)(e)
        }}
      >
        <Fields title="Name">
          <Autocomplete
            freeSolo
            options={[...makers]}
            inputValue={draft.maker}
            onInputChange={(_, maker) => set({ maker })}
            sx={{ flex: '1 1 var(--field-short)' }}
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
          {text('magnification', 'Largest magnification', 'at closest focus, such as 0.25 or 1:4')}
          {text('front', 'From the sensor to its front', 'at its longest, such as 21 cm')}
          {text('pupilMagnification', 'Pupil magnification', 'exit over entrance pupil, where measured')}
        </Fields>
        <Fields title="Limiter">
          <LimiterFields draft={draft} wrong={wrong} set={set} />
        </Fields>
        <Fields title="Ring and focusing">
          <TextField
            select
            size="small"
            label="Toward infinity the ring turns"
            helperText="seen from behind the camera"
            value={draft.infinityTurn}
            onChange={e => set({ infinityTurn: e.target.value as Lens['infinityTurn'] })}
            sx={{ flex: '1 1 var(--field)' }}
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
            sx={{ flex: '1 1 var(--field-short)' }}
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
          <OffsetFields draft={draft} wrong={wrong} set={set} bodies={bodies} />
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
