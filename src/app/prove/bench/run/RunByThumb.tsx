'use client'

import { Alert, Button, LinearProgress } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useRouter, useSearchParams } from 'next/navigation'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { balancedOrder } from '@/core/scales/order'
import { type Run, RUN_FORMAT } from '@/core/scales/run'
import type { MeasurableView } from '@/server/bench'
import { linkTo } from '@/ui/address'
import { writeLocal } from '@/ui/local'
import { Eyebrow, Page } from '@/ui/pieces'
import { ThumbPad } from '@/ui/ThumbPad'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { HOW, ORDER_SEED } from '../how'
import { REACTIONS, type RunState, runStore } from './run-store'
import { Box, Typography } from '@/ui/elements'

const Pad = styled(ThumbPad)(({ theme }) => ({
  display: 'grid',
  placeItems: 'center',
  textAlign: 'center',
  minHeight: 260,
  '&[data-on=true]': { background: theme.vars?.palette.own.marigold.main, color: theme.vars?.palette.own.marigold.ink },
}))

/** A sign comes after this long at least, and up to so much later. */
const WAIT_MS = { least: 1200, more: 1800 }

const keyOf = (id: string) => `coherion-run-${id}`

const keptUnder = (key: string): Partial<Pick<RunState, 'reactions' | 'takes'>> => {
  try {
    return JSON.parse(window.localStorage.getItem(key) ?? '{}') as Partial<Pick<RunState, 'reactions' | 'takes'>>
  } catch {
    return {}
  }
}

/** One run, tapped on the phone: what to set, when to tap, and how far it is. */
export const RunByThumb = ({
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
  const key = keyOf([on.body, scale.dimension, scale.setting, unit ?? '', repeats].join(' '))
  const [store] = useState(() =>
    runStore(
      balancedOrder(
        scale.steps.map(s => s.id),
        repeats,
        ORDER_SEED,
      ),
      keptUnder(key),
      ({ reactions, takes }) => writeLocal(key, JSON.stringify({ reactions, takes })),
    ),
  )
  const state = useSyncExternalStore(store.subscribe, store.get, store.get)
  const { phase, order, takes } = state
  const how = HOW[scale.dimension]
  const step = scale.steps.find(s => s.id === order[takes.length])

  // The sign for the thumb comes when nobody expects it.
  const isWaiting = phase.kind === 'reaction' && phase.shownAt === undefined && order.length > 0
  const [attempt, setAttempt] = useState(0)
  useEffect(() => {
    if (!isWaiting) return
    const wait = setTimeout(() => store.shown(performance.now()), WAIT_MS.least + Math.random() * WAIT_MS.more)
    return () => clearTimeout(wait)
  }, [isWaiting, store, attempt, state.reactions.length])

  const tap = () => {
    if (!store.tap(performance.now())) setAttempt(n => n + 1)
  }
  const save = async () => {
    const document: Run = {
      format: RUN_FORMAT,
      body: on.body,
      firmware: on.firmware,
      ...(unit ? { unit } : {}),
      ...(lens ? { lens } : {}),
      dimension: scale.dimension,
      setting: scale.setting,
      way: 'thumb',
      on: new Date().toISOString().slice(0, 10),
      reactions: [...state.reactions],
      takes: [...takes],
    }
    const sent = await send<{ id: number }>('POST', '/api/v1/runs', { document })
    if (!sent.ok) return
    writeLocal(key, '{}')
    router.push(linkTo(`/prove/bench/${sent.value.id}`, params))
  }

  const words = (): string => {
    switch (phase.kind) {
      case 'reaction':
        return phase.shownAt === undefined ? 'Wait for the colour …' : 'Tap now'
      case 'ready':
        return how.begin
      case 'running':
        return how.end
      case 'done':
        return 'All takes are there'
    }
  }
  return (
    <Page sx={{ maxWidth: 'var(--narrow)' }}>
      <Typography color="textSecondary">
        {on.name} · firmware {on.firmware}
        {unit && ` · ${unit}`}
      </Typography>
      <Typography variant="h1">{scale.label}</Typography>
      <Typography sx={{ mt: 0.5 }}>{how.arrange}</Typography>
      <Box role="status" sx={{ my: 1.5 }}>
        <Typography variant="strong">
          {phase.kind === 'reaction'
            ? `Your thumb first: ${state.reactions.length} of ${REACTIONS}`
            : `${takes.length} of ${order.length} takes`}
        </Typography>
        <LinearProgress
          variant="determinate"
          value={order.length === 0 ? 0 : (100 * takes.length) / order.length}
          aria-label="Takes done"
        />
      </Box>
      {phase.kind !== 'reaction' && step && (
        <Box sx={{ mb: 1.5 }}>
          <Eyebrow>Set {scale.settingLabel} to</Eyebrow>
          <Typography variant="figure">{step.label}</Typography>
        </Box>
      )}
      {phase.kind === 'reaction' && (
        <Typography sx={{ mb: 1.5 }}>
          A tap comes late by as long as a thumb needs. Tap as soon as the field changes colour; what you need is taken
          off every take.
        </Typography>
      )}
      {phase.kind !== 'done' && (
        <Pad
          type="button"
          data-on={phase.kind === 'running' || (phase.kind === 'reaction' && phase.shownAt !== undefined)}
          onPointerDown={tap}
          onKeyDown={e => {
            if (e.key !== ' ' && e.key !== 'Enter') return
            e.preventDefault()
            if (!e.repeat) tap()
          }}
        >
          <Typography variant="h2" component="span">
            {words()}
          </Typography>
        </Pad>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
        {phase.kind === 'reaction' && <Button onClick={store.skipReactions}>Leave the thumb out</Button>}
        {phase.kind === 'running' && (
          <Button variant="outlined" onClick={() => store.never(performance.now())}>
            {how.never}
          </Button>
        )}
        {(phase.kind === 'running' || takes.length > 0) && <Button onClick={store.undo}>Take the last one back</Button>}
        {takes.length > 0 && phase.kind !== 'running' && (
          <Button
            variant={phase.kind === 'done' ? 'contained' : 'outlined'}
            disabled={isBusy}
            onClick={() => void save()}
          >
            {phase.kind === 'done' ? 'See what it comes to' : `Enough: use the ${takes.length} takes`}
          </Button>
        )}
      </Box>
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Alert severity="info" sx={{ mt: 3 }}>
        By thumb is coarser than from a clip: good to about a tenth of a second. What you tapped stays on this device
        until it is saved.
      </Alert>
    </Page>
  )
}
