'use client'

import { Alert, Button, FormControlLabel, MenuItem, Switch, TextField } from '@mui/material'
import { useEffect, useState } from 'react'
import type { Pass } from '@/core/audit/passes'
import type { Judgement } from '@/core/evidence/trial'
import type { CountingView } from '@/server/trials'
import { Choice } from '@/ui/Choice'
import { DropFiles } from '@/ui/DropFiles'
import { LinkButton } from '@/ui/links'
import { Page, Wrap } from '@/ui/pieces'
import { Reading } from '@/ui/Reading'
import { Trouble } from '@/ui/Trouble'
import { isTyping } from '@/ui/typing'
import { JUDGEMENT_WORDS } from '../../words'
import { Frames } from './Frames'
import { Piece, placeIn } from './Piece'
import { type Place, type Shot, useJudging } from './use-judging'
import { Verdict } from './Verdict'
import { Box, Typography } from '@/ui/elements'

const KEYS: Readonly<Record<string, Judgement>> = { '1': 'sharp', '2': 'soft', '3': 'missed' }

/** Counting a trial afterwards, from its pictures: each at the place where it should be sharp, judged with one key. */
export const JudgePictures = ({ view }: { view: CountingView }) => {
  const judging = useJudging(view)
  const { shots, passes, countOf, judge, unjudge, move, progress, trouble } = judging
  const [block, setBlock] = useState(0)
  const [at, setAt] = useState(0)
  const [frame, setFrame] = useState(0)
  const [pointed, setPointed] = useState<Place>()
  const [isSorted, setSorted] = useState(false)

  const sharpnessOf = (p: Pass) => Math.max(...p.pictures.map(i => shots[i]?.sharpness ?? 0))
  const inBlock = passes.map((pass, index) => ({ pass, index })).filter(p => p.pass.block === block)
  const order = isSorted ? inBlock.toSorted((a, b) => sharpnessOf(a.pass) - sharpnessOf(b.pass)) : inBlock
  const here = order[Math.min(at, order.length - 1)]
  const shot = here && shots[here.pass.pictures[Math.min(frame, here.pass.pictures.length - 1)] ?? -1]
  const count = here && countOf(here.pass)
  const isJudgedFromHere = here !== undefined && passes.slice(here.index).some(p => countOf(p))
  const judged = inBlock.filter(p => countOf(p.pass)).length
  const most = Math.max(...inBlock.map(p => sharpnessOf(p.pass)), 0)

  const go = (to: number) => {
    setAt(Math.min(Math.max(0, to), Math.max(0, order.length - 1)))
    setFrame(0)
  }
  const say = (judgement: Judgement) => {
    if (!here) return
    judge(here.pass, judgement)
    // What was soft or missed has a reason, which is asked for before the next.
    if (judgement === 'sharp') go(at + 1)
  }
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || isTyping(e.target)) return
      const judgement = KEYS[e.key]
      if (judgement) say(judgement)
      else if (e.key === 'ArrowRight') go(at + 1)
      else if (e.key === 'ArrowLeft') go(at - 1)
      else if (e.key === 'ArrowDown' && here) setFrame(Math.min(frame + 1, here.pass.pictures.length - 1))
      else if (e.key === 'ArrowUp') setFrame(Math.max(0, frame - 1))
      else if (e.key === 'Backspace' && here) unjudge(here.pass)
      else return
      e.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
  const sort = async (isOn: boolean) => {
    if (isOn)
      await judging.measure(
        inBlock.flatMap(p => p.pass.pictures),
        placed(pointed),
      )
    setSorted(isOn)
    go(0)
  }
  const way = (i: number) => view.trial.ways.find(w => w.id === view.blocks[i]?.way)?.name ?? ''
  const situation = (i: number) => view.trial.situations.find(s => s.id === view.blocks[i]?.situation)?.name ?? ''
  return (
    <Page>
      <Typography color="textSecondary">
        {view.trial.name} · counted by {judging.counter}
      </Typography>
      <Typography variant="h1">Count from pictures</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Drop all pictures of the trial. A burst is a pass; where the longest pauses are, the camera was set up anew and
        the next block begins. Only what you judge is kept.
      </Typography>
      {!judging.isNamed && (
        <Alert severity="info" sx={{ mb: 2, maxWidth: 'var(--line)' }}>
          Say who you are at the top: what is counted stands under your name.
        </Alert>
      )}
      {progress ? (
        <Reading progress={progress} onStop={judging.stop} />
      ) : (
        <DropFiles
          label={shots.length > 0 ? 'Add more' : 'Choose the pictures'}
          accept="image/*"
          about="JPEG, or whatever this browser can show."
          onFiles={files => void judging.add(files)}
        />
      )}
      <Trouble words={trouble} sx={{ mt: 2 }} />
      {passes.length > 0 && (
        <>
          <Wrap sx={{ mt: 3, alignItems: 'center' }}>
            <TextField
              select
              size="small"
              label="Block"
              value={block}
              onChange={e => {
                setBlock(Number(e.target.value))
                setSorted(false)
                go(0)
              }}
              sx={{ minWidth: 'var(--field-long)' }}
            >
              {view.blocks.map((_, i) => {
                const of = passes.filter(p => p.block === i)
                return (
                  <MenuItem key={i} value={i}>
                    {i + 1}: {way(i)}, {situation(i)} ({of.filter(p => countOf(p)).length} of {of.length})
                  </MenuItem>
                )
              })}
            </TextField>
            <FormControlLabel
              control={<Switch checked={isSorted} onChange={e => void sort(e.target.checked)} />}
              label="Softest first"
            />
          </Wrap>
          <Typography role="status" sx={{ mt: 1 }}>
            {inBlock.length === 0
              ? 'No pass fell into this block.'
              : `${judged} of ${inBlock.length} passes judged; ${view.trial.passes} were planned.`}
          </Typography>
        </>
      )}
      {here && shot && (
        <Box
          component="section"
          aria-label="The pass"
          sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'var(--side) 1fr' }, gap: 3, mt: 2 }}
        >
          <Piece shot={shot} pointed={pointed} />
          <Box>
            <Typography variant="h2">
              Pass {at + 1} of {order.length}
              {count && `: ${JUDGEMENT_WORDS[count.judgement].toLowerCase()}`}
            </Typography>
            <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
              {shot.file.name}
              {shot.sharpness !== undefined &&
                most > 0 &&
                `, ${Math.round((100 * shot.sharpness) / most)} % as crisp as the crispest here`}
            </Typography>
            <Verdict
              count={count}
              onJudge={say}
              onReason={(judgement, reason) => {
                judge(here.pass, judgement, reason)
                go(at + 1)
              }}
            />
            <Wrap>
              <Button onClick={() => go(at - 1)} disabled={at === 0}>
                ← Before
              </Button>
              <Button onClick={() => go(at + 1)} disabled={at >= order.length - 1}>
                Next →
              </Button>
              {count && <Button onClick={() => unjudge(here.pass)}>Take it back</Button>}
            </Wrap>
            <Frames
              pass={here.pass}
              shots={shots}
              shot={shot}
              pointed={pointed}
              onPoint={setPointed}
              onFrame={setFrame}
            />
            <Choice
              label="From this pass on it is block"
              value={block}
              onChange={value => move(here.index, Number(value))}
              disabled={isJudgedFromHere}
              helperText={isJudgedFromHere ? 'Take back what is judged from here on first.' : undefined}
              sx={{ mt: 2, minWidth: 'var(--field)' }}
              options={view.blocks.map((_, i) => ({ id: i, name: `${i + 1}: ${way(i)}, ${situation(i)}` }))}
            />
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
              1, 2, 3 judge; ← and → go from pass to pass, ↑ and ↓ through its frames, Backspace takes back. How crisp a
              piece is only sorts: you decide.
            </Typography>
          </Box>
        </Box>
      )}
      <Box sx={{ mt: 3 }}>
        <LinkButton to={`/prove/trials/${view.id}`}>What can be said so far</LinkButton>
      </Box>
    </Page>
  )
}

/** Where a picture is looked at, asked before it is on the screen. */
const placed =
  (pointed: Place | undefined) =>
  async (shot: Shot): Promise<Place> => {
    if (pointed || !shot.subject) return pointed ?? { x: 0.5, y: 0.5 }
    const image = await createImageBitmap(shot.file).catch(() => undefined)
    const place = image ? placeIn(shot, image, undefined) : { x: 0.5, y: 0.5 }
    image?.close()
    return place
  }
