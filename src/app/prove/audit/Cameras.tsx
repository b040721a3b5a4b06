'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import { useState } from 'react'
import { clockSeconds, clockWords } from '@/core/audit/clock'
import type { Identified } from '@/core/audit/whose'
import { PlainList, Section, Wrap } from '@/ui/pieces'
import type { UnitChoice } from '@/server/audits'
import { asLocal, fromLocal, type TypedPlan } from './plan-form'
import { Box, Typography } from '@/ui/elements'

/** A picture that may show the clock page: when it was taken by the camera's clock, and itself where it is at hand. */
export interface ClockPicture {
  readonly file: string
  readonly at: string
  readonly picture?: File | undefined
}

const whoseWords = ({ whose, serial, isTold }: Identified, units: readonly UnitChoice[]): string => {
  const tag = (id: string) => units.find(u => u.id === id)?.tag ?? id
  switch (whose.is) {
    case 'unit':
      return isTold ? `told to be ${tag(whose.unit)}` : `${tag(whose.unit)}, by its serial number`
    case 'several':
      return `${whose.units.map(tag).join(' and ')} have this serial number: which was it?`
    case 'another-model':
      return `the serial number of ${tag(whose.unit)}, which is another model: which was it?`
    case 'unknown':
      return serial ? 'nobody’s serial number here: which was it?' : 'its pictures say no serial number: which was it?'
  }
}

/** The cameras among the pictures: whose they were, and how wrong their clocks. */
export const Cameras = ({
  cameras,
  units,
  typed,
  clockPictures,
  onTyped,
}: {
  cameras: readonly Identified[]
  units: readonly UnitChoice[]
  typed: Pick<TypedPlan, 'clocks' | 'whose'>
  clockPictures: (camera: string) => readonly ClockPicture[]
  onTyped: (next: Partial<TypedPlan>) => void
}) => {
  const [clockOf, setClockOf] = useState<string>()
  return (
    <Section title="Cameras">
      <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
        {cameras.map(camera => {
          const name = [camera.make, camera.model].filter(Boolean).join(' ') || 'A camera without a name'
          const seconds = typed.clocks[camera.key] ?? 0
          return (
            <Box
              component="li"
              key={camera.key}
              aria-label={name}
              sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}
            >
              <Wrap sx={{ alignItems: 'center' }}>
                <Box sx={{ flex: '1 1 var(--field)' }}>
                  <Typography variant="strong" component="span">
                    {name} {camera.serial}
                  </Typography>
                  <Typography variant="body2" color={camera.whose.is === 'unit' ? 'textSecondary' : 'error'}>
                    {camera.pictures} {camera.pictures === 1 ? 'picture' : 'pictures'}; {whoseWords(camera, units)}
                  </Typography>
                </Box>
                {(camera.whose.is !== 'unit' || camera.isTold) && (
                  <Autocomplete
                    size="small"
                    options={units}
                    value={units.find(u => u.id === typed.whose[camera.key]) ?? null}
                    getOptionLabel={u => `${u.tag}, ${u.maker} ${u.model}`}
                    onChange={(_, u) => {
                      const { [camera.key]: _was, ...others } = typed.whose
                      onTyped({ whose: u ? { ...others, [camera.key]: u.id } : others })
                    }}
                    renderInput={p => <TextField {...p} label="It was" placeholder="nobody’s: left out" />}
                    sx={{ flex: '1 1 var(--field)' }}
                  />
                )}
                <Button size="small" onClick={() => setClockOf(clockOf === camera.key ? undefined : camera.key)}>
                  Clock: {clockWords(seconds)}
                </Button>
              </Wrap>
              {clockOf === camera.key && (
                <ClockForm
                  pictures={clockPictures(camera.key)}
                  seconds={seconds}
                  onSeconds={s => {
                    const { [camera.key]: _was, ...others } = typed.clocks
                    onTyped({ clocks: s === 0 ? others : { ...others, [camera.key]: s } })
                    setClockOf(undefined)
                  }}
                />
              )}
            </Box>
          )
        })}
      </PlainList>
    </Section>
  )
}

/** Puts a clock right from a picture of the clock page. */
const ClockForm = ({
  pictures,
  seconds,
  onSeconds,
}: {
  pictures: readonly ClockPicture[]
  seconds: number
  onSeconds: (seconds: number) => void
}) => {
  const [chosen, setChosen] = useState<ClockPicture | null>(null)
  const [shown, setShown] = useState('')
  const told = fromLocal(shown)
  const found = chosen && told ? clockSeconds(chosen.at, told) : undefined
  return (
    <Box role="group" aria-label="Put the clock right" sx={{ mt: 1, pl: 1.5, borderLeft: 3, borderColor: 'own.line' }}>
      <Typography variant="body2" sx={{ mb: 1 }}>
        Which picture shows the clock page, and what does the clock in it say?
      </Typography>
      <Wrap sx={{ alignItems: 'center' }}>
        <Autocomplete
          size="small"
          options={pictures}
          value={chosen}
          getOptionLabel={p => p.file}
          onChange={(_, p) => {
            setChosen(p)
            if (p) setShown(asLocal(p.at, true))
          }}
          renderInput={p => <TextField {...p} label="Picture of the clock page" />}
          sx={{ flex: '1 1 var(--field)' }}
        />
        <TextField
          size="small"
          type="datetime-local"
          label="The clock in it says"
          value={shown}
          onChange={e => setShown(e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }}
          sx={{ flex: '1 1 var(--field)' }}
        />
        <Button variant="outlined" disabled={found === undefined} onClick={() => onSeconds(found ?? 0)}>
          {found === undefined ? 'Put it right' : `It is ${clockWords(found)}: put it right`}
        </Button>
        {seconds !== 0 && <Button onClick={() => onSeconds(0)}>It was right</Button>}
      </Wrap>
      {chosen && told && found === undefined && (
        <Typography variant="body2" color="error">
          More than a year apart: this is another picture, or another clock.
        </Typography>
      )}
      {chosen?.picture && <ClockPreview picture={chosen.picture} />}
    </Box>
  )
}

const PREVIEW_WIDTH = 480

/** Draws a picture small; one that the browser cannot read is not shown, and its clock is told all the same. */
const drawInto = async (canvas: HTMLCanvasElement, picture: File): Promise<void> => {
  const image = await createImageBitmap(picture).catch(() => undefined)
  if (!image) return
  canvas.width = PREVIEW_WIDTH
  canvas.height = Math.round((PREVIEW_WIDTH * image.height) / image.width)
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  image.close()
}

const ClockPreview = ({ picture }: { picture: File }) => (
  <Box
    component="canvas"
    key={picture.name}
    width={0}
    height={0}
    role="img"
    aria-label={`The picture ${picture.name}`}
    ref={(canvas: HTMLCanvasElement | null) => {
      if (canvas?.width === 0) void drawInto(canvas, picture)
    }}
    sx={{ display: 'block', mt: 1, maxWidth: '100%' }}
  />
)
