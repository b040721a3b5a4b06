'use client'

import { ToggleButton, ToggleButtonGroup, useMediaQuery } from '@mui/material'
import { styled, useTheme } from '@mui/material/styles'
import { useMemo } from 'react'
import { alikeOnAll, bestOnEach, inReality, type Nearest, onScreen, type Rates, spreadOf } from '@/core/film/rack'
import type { FilmView } from '@/server/film'
import { useLocal } from '@/ui/local'
import { PlainList, Section, Wrap } from '@/ui/pieces'
import { NumberText } from '../NumberText'
import { Box, Typography } from '@/ui/elements'

interface Wanted extends Rates {
  /** Seconds on screen. */
  readonly wait: number
  readonly travel: number
  readonly policy: 'each' | 'alike'
}

const USUAL = { capture: 25, playback: 25, wait: 2, travel: 1.2, policy: 'alike' } as const

const readWanted = (text: string | null, view: FilmView): Wanted => {
  const first: Wanted = { ...USUAL, wait: view.wait ?? USUAL.wait, travel: view.travel ?? USUAL.travel }
  try {
    return { ...first, ...(JSON.parse(text ?? '{}') as Partial<Wanted>) }
  } catch {
    return first
  }
}

/** A rack between two people, in seconds on screen, and which step of each body comes nearest. */
export const Rack = ({ view }: { view: FilmView }) => {
  const [text, write] = useLocal(`coherion-rack ${view.standard?.id ?? ''}`)
  const wanted = useMemo(() => readWanted(text, view), [text, view])
  const set = (next: Partial<Wanted>) => write(JSON.stringify({ ...wanted, ...next }))
  const choose = wanted.policy === 'alike' ? alikeOnAll : bestOnEach
  const travels = useMemo(() => choose(view.travels, inReality(wanted.travel, wanted)), [choose, view.travels, wanted])
  const waits = useMemo(() => choose(view.waits, inReality(wanted.wait, wanted)), [choose, view.waits, wanted])
  const ids = [...new Set([...travels, ...waits].map(n => n.body))]
  const silent = view.bodies.filter(b => !ids.includes(b.id))
  return (
    <Section title="A rack between two people">
      <Wrap sx={{ alignItems: 'flex-start', gap: 1.5 }}>
        <NumberText label="Waits, s" value={wanted.wait} least={0.05} most={60} onNumber={n => n && set({ wait: n })} />
        <NumberText
          label="Travels, s"
          value={wanted.travel}
          least={0.05}
          most={60}
          onNumber={n => n && set({ travel: n })}
        />
        <NumberText
          label="Taken at, frames/s"
          value={wanted.capture}
          least={1}
          most={1000}
          onNumber={n => n && set({ capture: n })}
        />
        <NumberText
          label="Shown at, frames/s"
          value={wanted.playback}
          least={1}
          most={1000}
          onNumber={n => n && set({ playback: n })}
        />
        <ToggleButtonGroup
          exclusive
          size="small"
          value={wanted.policy}
          aria-label="Which steps"
          onChange={(_, policy: Wanted['policy'] | null) => policy && set({ policy })}
        >
          <ToggleButton value="alike">To be cut together</ToggleButton>
          <ToggleButton value="each">Best on each</ToggleButton>
        </ToggleButtonGroup>
      </Wrap>
      <Typography sx={{ my: 1.5 }}>
        {wanted.capture === wanted.playback
          ? 'On screen as in front of the camera.'
          : `Everything lasts ${Number(onScreen(1, wanted).toFixed(2))} times as long on screen: in front of the camera it has to wait ${seconds(inReality(wanted.wait, wanted))} and travel ${seconds(inReality(wanted.travel, wanted))}.`}{' '}
        {ids.length > 1 &&
          `The slowest body travels ${times(spreadOf(travels))} as long as the quickest, and waits ${times(spreadOf(waits))}.`}
      </Typography>
      <Timeline wanted={wanted} travels={travels} waits={waits} ids={ids} />
      <PlainList component="ul" aria-label="Steps">
        {ids.map(id => {
          const [travel, wait] = [travels.find(n => n.body === id), waits.find(n => n.body === id)]
          return (
            <Box
              component="li"
              key={id}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: 'var(--field-short) 1fr 1fr' },
                gap: { xs: 0, sm: 2 },
                py: 0.75,
                borderBottom: 1,
                borderColor: 'divider',
              }}
            >
              <strong>{travel?.name ?? wait?.name}</strong>
              <StepWords what="waits" nearest={wait} rates={wanted} />
              <StepWords what="travels" nearest={travel} rates={wanted} />
            </Box>
          )
        })}
      </PlainList>
      {ids.length === 0 && <Typography>No body in hand has a scale for travel or wait.</Typography>}
      {silent.length > 0 && ids.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          Without such a scale: {silent.map(b => b.name).join(', ')}. They travel as they please; measure it at the
          Bench.
        </Typography>
      )}
    </Section>
  )
}

const seconds = (s: number): string => `${Number(s.toPrecision(2))} s`
const times = (factor: number): string => (factor < 1.005 ? 'just as' : `${Number(factor.toFixed(2))} times`)

const StepWords = ({ what, nearest, rates }: { what: string; nearest: Nearest | undefined; rates: Rates }) => {
  const { step } = nearest ?? {}
  if (!nearest || !step)
    return (
      <Typography variant="body2" color="textSecondary">
        {what}: no such scale
      </Typography>
    )
  return (
    <Typography variant="body2">
      {what} with <strong>{step.words}</strong>: {seconds(onScreen(step.at, rates))} on screen{' '}
      <Typography component="span" variant="body2" color="textSecondary">
        ({nearest.off < 1.005 ? 'as wanted' : `${Number(nearest.off.toFixed(2))} times off`},{' '}
        {step.measured
          ? `measured ${step.measured.trials} times${step.measured.lens === undefined ? '' : ` with ${step.measured.lens}`}`
          : 'declared'}
        )
      </Typography>
    </Typography>
  )
}

const LANE = 30

const Drawing = styled('svg')(({ theme }) => ({
  width: '100%',
  maxWidth: 'var(--line)',
  display: 'block',
  fontFamily: theme.typography.fontFamily ?? 'inherit',
  fontSize: 12,
  '& text': { fill: theme.vars?.palette.text.primary },
  '& .quiet': { fill: theme.vars?.palette.text.secondary },
  '& .axis': { stroke: theme.vars?.palette.divider, strokeWidth: 1 },
  '& .wanted': { stroke: theme.vars?.palette.own.marigold.main, strokeWidth: 2, strokeDasharray: '4 3' },
  '& .focus': { stroke: theme.vars?.palette.text.primary, strokeWidth: 2.5, fill: 'none', strokeLinejoin: 'round' },
}))

/** Focus of every body over the time on screen: on the one, leaving, on the other. */
const Timeline = ({
  wanted,
  travels,
  waits,
  ids,
}: {
  wanted: Wanted
  travels: readonly Nearest[]
  waits: readonly Nearest[]
  ids: readonly string[]
}) => {
  const lanes = ids.map(id => {
    const [travel, wait] = [travels.find(n => n.body === id), waits.find(n => n.body === id)]
    return {
      id,
      name: travel?.name ?? wait?.name ?? id,
      wait: wait?.seconds === undefined ? wanted.wait : onScreen(wait.seconds, wanted),
      travel: travel?.seconds === undefined ? undefined : onScreen(travel.seconds, wanted),
    }
  })
  const isNarrow = useMediaQuery(useTheme().breakpoints.down('sm'))
  const [width, name] = isNarrow ? [380, 112] : [760, 150]
  const most = Math.max(wanted.wait + wanted.travel, ...lanes.map(l => l.wait + (l.travel ?? 0))) * 1.15
  const x = (s: number) => name + (Math.min(s, most) / most) * (width - name - 12)
  const height = lanes.length * LANE + 34
  const step = [0.2, 0.5, 1, 2, 5, 10, 20].find(s => most / s <= (isNarrow ? 5 : 9)) ?? 50
  if (lanes.length === 0) return null
  return (
    <Drawing
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`On screen: ${lanes.map(l => `${l.name} waits ${seconds(l.wait)} and travels ${l.travel === undefined ? 'as it pleases' : seconds(l.travel)}`).join('; ')}`}
    >
      {Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step).map(s => (
        <g key={s}>
          <line className="axis" x1={x(s)} x2={x(s)} y1={6} y2={height - 22} />
          <text className="quiet" x={x(s)} y={height - 6} textAnchor="middle">
            {Number(s.toFixed(1))} s
          </text>
        </g>
      ))}
      <line className="wanted" x1={x(wanted.wait)} x2={x(wanted.wait)} y1={4} y2={height - 22} />
      <line
        className="wanted"
        x1={x(wanted.wait + wanted.travel)}
        x2={x(wanted.wait + wanted.travel)}
        y1={4}
        y2={height - 22}
      />
      {lanes.map((l, i) => {
        const [top, bottom] = [10 + i * LANE, 28 + i * LANE]
        return (
          <g key={l.id}>
            <text x={0} y={bottom - 4}>
              {l.name}
            </text>
            <polyline
              className="focus"
              points={[
                [x(0), bottom],
                [x(l.wait), bottom],
                ...(l.travel === undefined
                  ? []
                  : [
                      [x(l.wait + l.travel), top],
                      [x(most), top],
                    ]),
              ]
                .map(p => p.join(','))
                .join(' ')}
            />
            {l.travel === undefined && (
              <text className="quiet" x={x(l.wait) + 6} y={bottom - 4}>
                then as it pleases
              </text>
            )}
          </g>
        )
      })}
    </Drawing>
  )
}
