'use client'

import { Alert, Button, TextField } from '@mui/material'
import type { ReactNode } from 'react'
import type { Passage } from '@/core/rehearsal/scene'
import { Eyebrow, Wrap } from '@/ui/pieces'
import { Box } from '@/ui/elements'

const number = (text: string): number => {
  const n = Number(text.trim().replace(',', '.'))
  return text.trim() === '' || !Number.isFinite(n) ? Number.NaN : n
}

/** A figure as it is typed; what is no number stands there as nothing until it is one. */
const Figure = ({
  label,
  value,
  onValue,
  basis = 130,
}: {
  label: string
  value: number
  onValue: (value: number) => void
  basis?: number
}) => (
  <TextField
    key={label}
    size="small"
    label={label}
    defaultValue={Number.isFinite(value) ? value : ''}
    onChange={e => onValue(number(e.target.value))}
    slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    sx={{ flex: `1 1 ${basis}px`, maxWidth: 'var(--field)' }}
  />
)

/** Everything of a scene that a person can change: what moves how, what comes between, what lies behind. */
export const SceneEditor = ({
  passage,
  wrong,
  isOwn,
  onPassage,
  onReset,
  house,
}: {
  passage: Passage
  wrong: readonly string[]
  isOwn: boolean
  onPassage: (passage: Passage) => void
  onReset: () => void
  /** How it is kept for everybody. */
  house: ReactNode
}) => {
  const { subject, crossings, background } = passage
  const ofSubject = (next: Partial<Passage['subject']>) => onPassage({ ...passage, subject: { ...subject, ...next } })
  const last = subject.path.at(-1)
  return (
    <Box
      role="group"
      aria-label="The scene"
      sx={{ borderLeft: 3, borderColor: 'own.line', pl: 2, mt: 2, maxWidth: 'var(--wide)' }}
    >
      <Eyebrow component="h3">What has to be sharp</Eyebrow>
      <Wrap sx={{ mt: 1 }}>
        <Figure label="Passage, s" value={passage.seconds} onValue={seconds => onPassage({ ...passage, seconds })} />
        <Figure label="Across, m" value={subject.width} onValue={width => ofSubject({ width })} />
        <Figure label="High, m" value={subject.height} onValue={height => ofSubject({ height })} />
        <Figure label="Face, m (0: none)" value={subject.face} onValue={face => ofSubject({ face })} />
        <Figure label="Hard to keep, times" value={subject.unsteady} onValue={unsteady => ofSubject({ unsteady })} />
        <Figure
          label="Ground shakes, °"
          value={passage.shake ?? 0}
          onValue={shake => onPassage({ ...passage, shake })}
        />
        <Figure label="Light on it, 0 to 1" value={passage.light} onValue={light => onPassage({ ...passage, light })} />
      </Wrap>
      <Wrap sx={{ mt: 1 }}>
        <Figure
          label="Other faces"
          value={passage.others?.faces ?? 0}
          onValue={faces => onPassage({ ...passage, others: { metres: last?.metres ?? 10, ...passage.others, faces } })}
        />
        {passage.others && (
          <Figure
            label="Other faces, m away"
            value={passage.others.metres}
            onValue={metres => onPassage({ ...passage, others: { faces: 0, ...passage.others, metres } })}
          />
        )}
      </Wrap>
      <Eyebrow component="h3">Where it is</Eyebrow>
      {subject.path.map((k, i) => {
        const change = (next: Partial<typeof k>) =>
          ofSubject({ path: subject.path.map((x, n) => (n === i ? { ...x, ...next } : x)) })
        return (
          <Wrap key={`${subject.path.length} ${i}`} sx={{ mt: 1, alignItems: 'center' }}>
            <Figure label={`Place ${i + 1}: at s`} value={k.at} onValue={at => change({ at })} />
            <Figure label={`Place ${i + 1}: m away`} value={k.metres} onValue={metres => change({ metres })} />
            {subject.path.length > 1 && (
              <Button
                size="small"
                color="inherit"
                onClick={() => ofSubject({ path: subject.path.filter((_, n) => n !== i) })}
              >
                Leave out
              </Button>
            )}
          </Wrap>
        )
      })}
      <Button
        size="small"
        onClick={() => ofSubject({ path: [...subject.path, { at: (last?.at ?? 0) + 1, metres: last?.metres ?? 10 }] })}
      >
        Another place
      </Button>
      <Eyebrow component="h3">What comes between</Eyebrow>
      {crossings.map((c, i) => {
        const change = (next: Partial<typeof c>) =>
          onPassage({ ...passage, crossings: crossings.map((x, n) => (n === i ? { ...x, ...next } : x)) })
        return (
          <Wrap key={`${crossings.length} ${i}`} sx={{ mt: 1, alignItems: 'center' }}>
            <Figure label={`Crossing ${i + 1}: at s`} value={c.at} onValue={at => change({ at })} />
            <Figure label={`Crossing ${i + 1}: for s`} value={c.seconds} onValue={seconds => change({ seconds })} />
            <Figure label={`Crossing ${i + 1}: m away`} value={c.metres} onValue={metres => change({ metres })} />
            <Figure
              label={`Crossing ${i + 1}: covers, 0 to 1`}
              value={c.covers}
              onValue={covers => change({ covers })}
            />
            <Button
              size="small"
              color="inherit"
              onClick={() => onPassage({ ...passage, crossings: crossings.filter((_, n) => n !== i) })}
            >
              Leave out
            </Button>
          </Wrap>
        )
      })}
      <Button
        size="small"
        onClick={() =>
          onPassage({ ...passage, crossings: [...crossings, { at: 1, seconds: 0.5, metres: 4, covers: 0.5 }] })
        }
      >
        Another crossing
      </Button>
      <Eyebrow component="h3">What lies behind</Eyebrow>
      <Wrap sx={{ mt: 1 }}>
        <Figure
          label="Background, m"
          value={background.metres}
          onValue={metres => onPassage({ ...passage, background: { ...background, metres } })}
        />
        <Figure
          label="Its contrast, 0 to 1"
          value={background.contrast}
          onValue={contrast => onPassage({ ...passage, background: { ...background, contrast } })}
        />
        {isOwn && <Button onClick={onReset}>As it came</Button>}
      </Wrap>
      {wrong.length > 0 && (
        <Alert severity="warning" sx={{ mt: 1.5 }}>
          {wrong.join(' ')} Until then the scene is played as it was.
        </Alert>
      )}
      {house}
    </Box>
  )
}
