'use client'

import { Alert, Button, LinearProgress } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useEffect, useRef, useState } from 'react'
import { type Judgement, JUDGEMENTS } from '@/core/evidence/trial'
import type { CountingView } from '@/server/trials'
import { KeptLink, LinkButton } from '@/ui/links'
import { Page, Wrap } from '@/ui/pieces'
import { ThumbPad } from '@/ui/ThumbPad'
import { Trouble } from '@/ui/Trouble'
import { JUDGEMENT_WORDS } from '../../words'
import { WhatHappened } from '../WhatHappened'
import { TREMBLE_MS } from './counting'
import { ThisBlock } from './ThisBlock'
import { ToSet } from './ToSet'
import { useCounting } from './use-counting'
import { Box, Typography } from '@/ui/elements'

const Pad = styled(ThumbPad)(({ theme }) => ({
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'space-between',
  minHeight: 76,
  '&[data-main=true]': { minHeight: 116, borderColor: theme.vars?.palette.own.marigold.main },
}))

/** The first block that is not full, from which one goes on. */
const nextBlock = (
  blocks: CountingView['blocks'],
  own: readonly { readonly block: number }[],
  passes: number,
): number => {
  const open = blocks.findIndex((_, i) => own.filter(c => c.block === i).length < passes)
  return open < 0 ? blocks.length - 1 : open
}

/** How long a pass has been waited for. */
const Clock = ({ since }: { since: number }) => {
  const [now, setNow] = useState(since)
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 100)
    return () => clearInterval(timer)
  }, [])
  return <>{Math.max(0, (now - since) / 1000).toFixed(1)} s</>
}

/** Counting with one thumb: what to set, which block, and what each pass was. */
export const CountPasses = ({ view }: { view: CountingView }) => {
  const { blocks, camera, changes } = view
  const { trial, again, own, counter, isNamed, add, takeBack, explain, waiting, refused } = useCounting(view)
  const [chosen, setChosen] = useState<number>()
  const [since, setSince] = useState<number>()
  const lastTap = useRef(0)
  const block = chosen ?? nextBlock(blocks, own, trial.passes)
  const here = own.filter(c => c.block === block)
  const way = trial.ways.find(w => w.id === blocks[block]?.way)
  const situation = trial.situations.find(s => s.id === blocks[block]?.situation)
  const last = here.at(-1)
  const isFull = here.length >= trial.passes
  const isLastBlock = block >= blocks.length - 1
  const change = changes.find(c => c.from === blocks[block - 1]?.way && c.to === way?.id)
  const tap = (judgement: Judgement, now: number) => {
    if (now - lastTap.current < TREMBLE_MS) return
    lastTap.current = now
    const seconds = since === undefined ? undefined : Number(Math.min(600, (now - since) / 1000).toFixed(2))
    setChosen(block)
    add({
      block,
      judgement,
      ...(seconds === undefined ? {} : { seconds, ...(judgement === 'sharp' ? {} : { gaveUp: true as const }) }),
    })
    setSince(undefined)
    navigator.vibrate?.(15)
  }
  return (
    <Page sx={{ maxWidth: 'var(--narrow)' }}>
      <Typography color="textSecondary">
        {trial.name} · counted by {counter}
      </Typography>
      <Typography variant="h1">{way?.name}</Typography>
      <Typography>{situation?.name}</Typography>
      {way?.how && <Typography sx={{ mt: 0.5 }}>{way.how}</Typography>}
      {way?.standard && (
        <Typography sx={{ mt: 0.5 }}>
          Set by{' '}
          {camera ? (
            <KeptLink to={`/set/cards/${camera.body}`} more={{ standard: way.standard, unit: camera.unit }}>
              the card for {trial.unit}
            </KeptLink>
          ) : (
            <KeptLink to="/set/cards" more={{ standard: way.standard }}>
              the card of your camera
            </KeptLink>
          )}
        </Typography>
      )}
      {change && here.length === 0 && <ToSet change={change} unit={trial.unit ?? ''} />}
      {!isNamed && <Alert severity="info">Say who you are at the top: what is counted stands under your name.</Alert>}
      <Box role="status" sx={{ my: 1.5 }}>
        <Typography variant="strong">
          Block {block + 1} of {blocks.length}: {here.length} of {trial.passes} passes
        </Typography>
        <LinearProgress
          variant="determinate"
          value={Math.min(100, (100 * here.length) / trial.passes)}
          aria-label="Passes of this block"
        />
        {waiting > 0 && <Typography variant="body2">{waiting} wait for the network; they are safe here.</Typography>}
      </Box>
      {isFull && (
        <Alert severity="success" sx={{ mb: 1.5 }}>
          {isLastBlock ? 'Every block is counted.' : 'This block is full.'}{' '}
          {isLastBlock ? (
            <LinkButton to={`/prove/trials/${view.id}`}>See what can be said</LinkButton>
          ) : (
            <Button variant="outlined" onClick={() => setChosen(block + 1)}>
              Set the next one
            </Button>
          )}
        </Alert>
      )}
      <Box sx={{ display: 'grid', gap: 1 }}>
        {JUDGEMENTS.map(j => (
          <Pad
            key={j}
            type="button"
            data-main={j === 'sharp'}
            aria-label={`${JUDGEMENT_WORDS[j]}, ${here.filter(c => c.judgement === j).length} so far`}
            onClick={e => tap(j, e.timeStamp)}
          >
            <Typography variant="h2" component="span">
              {JUDGEMENT_WORDS[j]}
            </Typography>
            <Typography variant="figure" component="span">
              {here.filter(c => c.judgement === j).length}
            </Typography>
          </Pad>
        ))}
      </Box>
      <Wrap sx={{ mt: 1 }}>
        <Button variant="outlined" disabled={!last} onClick={() => last && takeBack(last)}>
          Take the last one back
        </Button>
        <Button variant="outlined" onClick={e => setSince(since === undefined ? e.timeStamp : undefined)}>
          {since === undefined ? 'Start the clock' : <Clock since={since} />}
        </Button>
      </Wrap>
      {last && last.judgement !== 'sharp' && (
        <WhatHappened reason={last.reason} onReason={reason => explain(last, reason)} />
      )}
      <ThisBlock view={view} trial={trial} block={block} onBlock={setChosen} onNoted={again} />
      {refused.map(e => (
        <Trouble
          key={e.id}
          words={`A pass was not taken: ${e.remark?.words ?? 'the trial may be gone'}.`}
          sx={{ mt: 1 }}
        />
      ))}
    </Page>
  )
}
