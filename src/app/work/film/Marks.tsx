'use client'

import { Alert, Button, TextField } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useMemo, useState } from 'react'
import {
  FAST_DEGREES,
  type Mark,
  markLines,
  type MarkOnRing,
  marksOnRing,
  type Ring,
  stripMm,
  ticksOn,
} from '@/core/film/marks'
import { lengthWords } from '@/core/optics/words'
import type { FilmLens, FilmView } from '@/server/film'
import { Choice } from '@/ui/Choice'
import { useLocal } from '@/ui/local'
import { PlainList, Section, Wrap } from '@/ui/pieces'
import { fetchFile } from '@/ui/save-file'
import { Trouble } from '@/ui/Trouble'
import { type Units, useUnits } from '@/ui/units'
import { DistanceText, NumberText } from '../NumberText'
import { Metronome } from './Metronome'
import { readTake, type Take } from './take'
import { WrittenList } from './WrittenList'
import { Box, Typography } from '@/ui/elements'

const ringOf = (take: Take, lens: FilmLens): Ring => ({
  focalMm: lens.focalMm,
  throwDegrees: take.throwDegrees,
  diameterMm: take.diameterMm,
  infinityTurn: lens.infinityTurn,
  closestMetres: lens.closestMetres,
  ...(take.read.length ? { read: take.read } : {}),
})

const whyNot = (error: unknown, lens: FilmLens, units: Units): string => {
  if (!(error instanceof RangeError)) return ''
  if (error.message.includes('read'))
    return 'What was read off the ring runs backwards: nearer distances lie further from infinity, up to the throw.'
  return `${lens.name} focuses from ${lengthWords(lens.closestMetres, units)} on; a mark is nearer.`
}

const nextMark = (marks: readonly Mark[]): Mark => {
  const last = marks.at(-1)
  return { name: `Mark ${marks.length + 1}`, metres: last?.metres ?? 2, at: (last?.at ?? 0) + 3 }
}

/** Marks for pulling focus by hand: on the ring, as a table, on paper, and as a metronome. */
export const Marks = ({ lenses, bodies }: Pick<FilmView, 'lenses' | 'bodies'>) => {
  const [text, write] = useLocal('coherion-film take')
  const [units] = useUnits()
  const take = useMemo(() => readTake(text), [text])
  const lens = lenses.find(l => l.id === take.lens) ?? lenses.find(l => !l.isByWire) ?? lenses[0]
  const body = bodies.find(b => b.id === take.body) ?? bodies[0]
  const set = (next: Partial<Take>) => write(JSON.stringify({ ...take, ...next }))
  const made = useMemo((): { readonly marks: readonly MarkOnRing[]; readonly why: string } => {
    if (!lens || !body) return { marks: [], why: '' }
    try {
      return {
        marks: marksOnRing(ringOf(take, lens), take.marks, { fNumber: take.fNumber, circleMm: body.circleMm }),
        why: '',
      }
    } catch (error) {
      return { marks: [], why: whyNot(error, lens, units) }
    }
  }, [take, lens, body, units])
  if (!lens || !body)
    return (
      <Section title="Focus marks">
        <Typography>Marks need a lens and a body of the house.</Typography>
      </Section>
    )
  const ring = ringOf(take, lens)
  const fast = made.marks.filter(m => (m.pull?.degreesPerSecond ?? 0) > FAST_DEGREES)
  return (
    <Section title="Focus marks">
      <Wrap sx={{ gap: 1.5, alignItems: 'flex-start' }}>
        <Choice
          label="Lens"
          value={lens.id}
          onChange={value => set({ lens: value })}
          sx={{ minWidth: 'var(--field)' }}
          options={lenses}
        />
        <Choice
          label="On"
          value={body.id}
          onChange={value => set({ body: value })}
          sx={{ minWidth: 'var(--field-short)' }}
          options={bodies}
        />
        <NumberText
          label="f-number"
          value={take.fNumber}
          least={0.7}
          most={64}
          onNumber={n => n && set({ fNumber: n })}
        />
        <NumberText
          label="Throw, degrees"
          value={take.throwDegrees}
          least={10}
          most={720}
          onNumber={n => n && set({ throwDegrees: n })}
        />
        <NumberText
          label="Ring, mm across"
          value={take.diameterMm}
          least={20}
          most={200}
          onNumber={n => n && set({ diameterMm: n })}
        />
      </Wrap>
      {lens.isOdd && (
        <Alert severity="warning" sx={{ mt: 1.5 }}>
          ↺ This ring turns {lens.infinityTurn} toward infinity, against most lenses of the house.
        </Alert>
      )}
      {lens.isByWire && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          It focuses by wire: marks hold only where the ring is set to turn in proportion, and not by speed.
        </Typography>
      )}
      <WrittenList
        label="Marks"
        item="a mark"
        items={take.marks}
        onItems={marks => set({ marks })}
        next={() => nextMark(take.marks)}
      >
        {(m, change) => (
          <>
            <TextField
              size="small"
              label="Mark"
              value={m.name}
              onChange={e => change({ name: e.target.value.slice(0, 60) })}
              sx={{ width: 'var(--field-short)' }}
            />
            <DistanceText label="Distance" metres={m.metres} onMetres={n => n && change({ metres: n })} />
            <NumberText
              label="At, s"
              value={m.at}
              least={0}
              most={3600}
              onNumber={n => n !== undefined && change({ at: n })}
            />
          </>
        )}
      </WrittenList>
      <ReadOff take={take} onTake={set} />
      <Trouble words={made.why} sx={{ mt: 1.5 }} />
      {made.marks.length > 0 && (
        <>
          <Strip ring={ring} marks={made.marks} />
          <Table marks={made.marks} units={units} />
          {fast.length > 0 && (
            <Typography variant="body2" color="error" sx={{ mt: 1 }}>
              {fast.map(m => m.name).join(', ')}: a hand does not turn that fast. Give it more time, or a ring with a
              shorter throw.
            </Typography>
          )}
          <Wrap sx={{ mt: 2, alignItems: 'flex-start', gap: 2 }}>
            <PrintStrip take={take} lens={lens} ring={ring} circleMm={body.circleMm} />
          </Wrap>
          <Metronome marks={made.marks} />
        </>
      )}
    </Section>
  )
}

/** Distances that stand on the ring itself, where they were measured: they count before the thin lens. */
const ReadOff = ({ take, onTake }: { take: Take; onTake: (next: Partial<Take>) => void }) => (
  <Section title="Read off the ring" level={3}>
    <Typography variant="body2" color="textSecondary">
      Degrees from infinity at distances you measured. Without any, the lens is taken to move as a whole.
    </Typography>
    <WrittenList
      label="Read off the ring"
      item="a reading"
      items={take.read}
      onItems={read => onTake({ read })}
      next={() => ({ metres: 1, degrees: Math.round(take.throwDegrees / 2) })}
    >
      {(r, change) => (
        <>
          <DistanceText label="Distance" metres={r.metres} onMetres={n => n && change({ metres: n })} />
          <NumberText
            label="Degrees"
            value={r.degrees}
            least={0}
            most={720}
            onNumber={n => n !== undefined && change({ degrees: n })}
          />
        </>
      )}
    </WrittenList>
  </Section>
)

const Drawing = styled('svg')(({ theme }) => ({
  display: 'block',
  overflow: 'visible',
  fontFamily: theme.typography.fontFamily ?? 'inherit',
  fontSize: 2.6,
  '& .paper': { fill: theme.vars?.palette.background.paper, stroke: theme.vars?.palette.own.line, strokeWidth: 0.3 },
  '& .tick': { stroke: theme.vars?.palette.text.primary, strokeWidth: 0.3 },
  '& .mark': { stroke: theme.vars?.palette.own.marigold.main, strokeWidth: 1.2 },
  '& text': { fill: theme.vars?.palette.text.primary },
}))

/** The strip as it will lie on the ring. */
const Strip = ({ ring, marks }: { ring: Ring; marks: readonly MarkOnRing[] }) => {
  const whole = stripMm(ring.throwDegrees, ring.diameterMm)
  const x = (mm: number) => (ring.infinityTurn === 'clockwise' ? mm : whole - mm)
  const ticks = ticksOn(ring)
  return (
    <Box sx={{ overflowX: 'auto', mt: 2, py: 1 }} role="region" aria-label="Strip for the ring" tabIndex={0}>
      <Drawing
        width={`${whole + 4}mm`}
        height="24mm"
        viewBox={`-2 0 ${whole + 4} 24`}
        role="img"
        aria-label={`Strip for the ring, ${Math.round(whole)} mm long, ${marks.length} marks`}
      >
        <rect className="paper" x={0} y={0} width={whole} height={13} />
        {ticks.map(t => (
          <g key={t.metres}>
            <line className="tick" x1={x(t.mm)} x2={x(t.mm)} y1={0} y2={t.isLong ? 5 : 3} />
            {t.hasFigure && (
              <text x={x(t.mm)} y={8} textAnchor="middle">
                {Number.isFinite(t.metres) ? Number(t.metres.toFixed(2)) : '∞'}
              </text>
            )}
          </g>
        ))}
        {markLines(marks).map(({ mm, label }) => (
          <g key={label}>
            <line className="mark" x1={x(mm)} x2={x(mm)} y1={9} y2={15} />
            <text x={x(mm)} y={19} textAnchor="middle">
              {label}
            </text>
          </g>
        ))}
      </Drawing>
    </Box>
  )
}

const TURN = { clockwise: '↻ clockwise', anticlockwise: '↺ anticlockwise', none: 'stays' } as const

const Table = ({ marks, units }: { marks: readonly MarkOnRing[]; units: Units }) => (
  <PlainList component="ol" aria-label="Marks with their depth">
    {marks.map((m, i) => (
      <Box component="li" key={i} sx={{ py: 0.75, borderBottom: 1, borderColor: 'divider' }}>
        <Typography>
          <Typography component="span" variant="figure">
            {i + 1}
          </Typography>{' '}
          <strong>{m.name}</strong> at {m.at.toFixed(1)} s: {lengthWords(m.metres, units)}, {m.degrees.toFixed(0)}° or{' '}
          {m.mm.toFixed(1)} mm from infinity
        </Typography>
        <Typography variant="body2" color="textSecondary">
          Sharp from {lengthWords(m.near, units)} to {lengthWords(m.far, units)}: come {lengthWords(m.driftIn, units)}{' '}
          nearer at most
          {Number.isFinite(m.driftOut) && `, fall back ${lengthWords(m.driftOut, units)}`}.
          {m.pull &&
            ` From the one before: ${m.pull.seconds.toFixed(1)} s, ${TURN[m.pull.turn]}${
              m.pull.turn === 'none'
                ? ''
                : Number.isFinite(m.pull.degreesPerSecond)
                  ? `, ${Math.round(m.pull.degreesPerSecond)}° a second`
                  : ', at once'
            }.`}
        </Typography>
      </Box>
    ))}
  </PlainList>
)

const PrintStrip = ({ take, lens, ring, circleMm }: { take: Take; lens: FilmLens; ring: Ring; circleMm: number }) => {
  const [problem, setProblem] = useState('')
  const [isBusy, setBusy] = useState(false)
  const print = async (paper: 'a4' | 'letter') => {
    setBusy(true)
    const asked = { ...ring, paper, lens: lens.name, fNumber: take.fNumber, circleMm, marks: take.marks }
    setProblem(
      await fetchFile('/api/v1/film/strip', 'ring-strip.pdf', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(asked),
      }),
    )
    setBusy(false)
  }
  return (
    <Box>
      <Wrap>
        <Button variant="outlined" disabled={isBusy} onClick={() => void print('a4')}>
          Strip on A4
        </Button>
        <Button variant="outlined" disabled={isBusy} onClick={() => void print('letter')}>
          Strip on Letter
        </Button>
      </Wrap>
      <Trouble words={problem} />
    </Box>
  )
}
