'use client'

import { Button, Checkbox, Collapse, FormControlLabel, Slider, TextField } from '@mui/material'
import { type ReactNode, useId, useState } from 'react'
import { distanceForShare } from '@/core/optics/reckon'
import { SUBJECTS, subjectOf } from '@/core/optics/subjects'
import { fNumberWords, MARKED_F_NUMBERS, MARKED_TIMES, percentWords, timeWords } from '@/core/optics/words'
import { Wrap } from '@/ui/pieces'
import { useDesk } from './desk'
import { DeskChoice, Length, Num } from './fields'
import { lensesFor, withBody, withLens } from './use-desk'
import { Box, Typography } from '@/ui/elements'

const OWN = 'own'
const EXTENDERS = [1, 1.4, 1.7, 2]

/** The marked value that is nearest, by its place in the list. */
const nearestAt = (list: readonly number[], value: number): number =>
  list.reduce(
    (best, v, i) => (Math.abs(Math.log(v / value)) < Math.abs(Math.log((list[best] ?? v) / value)) ? i : best),
    0,
  )

const Marked = ({
  label,
  list,
  value,
  words,
  onChange,
}: {
  label: string
  list: readonly number[]
  value: number
  words: (value: number) => string
  onChange: (value: number) => void
}) => {
  const id = useId()
  return (
    <Box sx={{ flex: '1 1 var(--field)', minWidth: 'var(--field-short)' }}>
      <Typography variant="body2" id={id}>
        {label}{' '}
        <Typography variant="value" component="span">
          {words(value)}
        </Typography>
      </Typography>
      <Slider
        size="small"
        min={0}
        max={list.length - 1}
        value={nearestAt(list, Math.max(value, 1e-9))}
        aria-labelledby={id}
        getAriaValueText={i => words(list[i] ?? value)}
        onChange={(_, i) => onChange(list[i] ?? value)}
      />
    </Box>
  )
}

const Row = ({ children }: { children: ReactNode }) => (
  <Wrap sx={{ gap: 1.25, alignItems: 'flex-start' }}>{children}</Wrap>
)

/** Body, lens, subject, distance, f-number and time: chosen once, used by every answer. */
export const SetUp = () => {
  const { scene, r, cameras, lenses, change } = useDesk()
  const [isSizing, setSizing] = useState(false)
  const fitting = lensesFor(r.camera, lenses)
  const others = lenses.filter(l => !fitting.includes(l))
  const subject = subjectOf(scene.subject)
  const isZoom = r.lens.focalFrom !== r.lens.focalTo
  return (
    <Box component="section" aria-label="Body, lens and subject" sx={{ display: 'grid', gap: 1.25 }}>
      <Row>
        <DeskChoice
          label="Body"
          value={r.camera.id ?? OWN}
          options={[
            ...cameras.map(c => ({ value: c.id ?? '', label: c.name })),
            { value: OWN, label: 'a sensor by its figures' },
          ]}
          onChange={id =>
            change(
              withBody(
                scene,
                cameras.find(c => c.id === id),
                lenses,
              ),
            )
          }
        />
        <DeskChoice
          label="Lens"
          value={r.lens.id ?? OWN}
          options={[
            ...[...fitting, ...others].map(l => ({ value: l.id ?? '', label: l.name })),
            { value: OWN, label: 'a lens by its figures' },
          ]}
          onChange={id =>
            change(
              withLens(
                scene,
                lenses.find(l => l.id === id),
              ),
            )
          }
        />
        {(isZoom || !r.lens.id) && (
          <Num
            field="focalMm"
            label="Focal length, mm"
            helper={isZoom ? `${r.lens.focalFrom} to ${r.lens.focalTo}` : ''}
          />
        )}
        <DeskChoice
          label="Extender"
          isShort
          value={String(scene.extender)}
          options={EXTENDERS.map(e => ({ value: String(e), label: e === 1 ? 'none' : `${e} ×` }))}
          onChange={e => change({ extender: Number(e) })}
        />
        <DeskChoice
          label="Subject"
          value={scene.subject}
          options={SUBJECTS.map(s => ({ value: s.id, label: s.label }))}
          onChange={id => {
            const s = subjectOf(id)
            change({
              subject: s.id,
              subjectWidth: s.width,
              subjectHeight: s.height,
              subjectDepth: s.depth,
              partSize: s.partSize,
            })
          }}
        />
        <Length field="distance" label="Distance" helper="from the sensor plane" />
        <Fills />
      </Row>
      {!r.camera.id && (
        <Row>
          <Num field="sensorWidthMm" label="Sensor width, mm" />
          <Num field="sensorHeightMm" label="Sensor height, mm" />
          <Num field="pixelsWide" label="Pixels across" />
        </Row>
      )}
      {!r.lens.id && (
        <Row>
          <Num field="widestFNumber" label="Widest, f/" />
          <Length field="closestMetres" label="Closest focus" />
        </Row>
      )}
      <Collapse in={isSizing} unmountOnExit>
        <Row>
          <Length field="subjectWidth" label="Width" />
          <Length field="subjectHeight" label="Height" />
          <Length field="subjectDepth" label="Front to back" />
          <Length field="partSize" label={`Width of the ${subject.part}`} helper="what focus aims for" />
          <Num field="tiltDegrees" label="Turned, degrees" helper="0 side-on, 90 end-on" />
        </Row>
      </Collapse>
      <Row>
        <Marked
          label="Aperture"
          list={MARKED_F_NUMBERS}
          value={scene.fNumber}
          words={fNumberWords}
          onChange={fNumber => change({ fNumber })}
        />
        <Marked
          label="Shutter time"
          list={MARKED_TIMES}
          value={scene.time}
          words={timeWords}
          onChange={time => change({ time })}
        />
        <Box sx={{ display: 'flex', alignItems: 'center' }}>
          <Button size="small" aria-expanded={isSizing} onClick={() => setSizing(!isSizing)}>
            Sizes
          </Button>
          <FormControlLabel
            control={<Checkbox checked={scene.upright} onChange={e => change({ upright: e.target.checked })} />}
            label="held upright"
          />
        </Box>
      </Row>
    </Box>
  )
}

const shareOf = (text: string): number => Number(text.replace(',', '.').replace('%', '')) / 100

/** How much of the frame the subject fills: the distance follows. */
const Fills = () => {
  const { r, change } = useDesk()
  const shown = percentWords(r.fills)
  const [typed, setTyped] = useState<string | undefined>(undefined)
  const share = typed === undefined ? r.fills : shareOf(typed)
  const found = Number.isFinite(share) && share > 0 ? distanceForShare(r, share) : undefined
  const wrong =
    typed === undefined || found?.ok
      ? ''
      : found && !found.ok
        ? `at most ${percentWords(found.most)} with this lens`
        : 'expected a percentage above 0'
  return (
    <TextField
      size="small"
      label="Fills of the frame"
      value={typed ?? shown}
      error={wrong !== ''}
      helperText={wrong || 'by the fuller side'}
      onFocus={() => setTyped(shown)}
      onBlur={() => setTyped(undefined)}
      onChange={e => {
        setTyped(e.target.value)
        const wanted = shareOf(e.target.value)
        const d = wanted > 0 ? distanceForShare(r, wanted) : undefined
        if (d?.ok) change({ distance: d.distance })
      }}
      sx={{ flex: '1 1 var(--field-number)', minWidth: 'var(--field-number)', maxWidth: 'var(--field)' }}
    />
  )
}
