'use client'

import { Alert, Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useRouter, useSearchParams } from 'next/navigation'
import { useEffect, useRef } from 'react'
import { stillWaiting } from '@/core/evidence/survival'
import type { Tally } from '@/core/evidence/verdict'
import type { TrialView } from '@/server/trials'
import { linkTo } from '@/ui/address'
import { Chart } from '@/ui/Chart'
import { LinkButton } from '@/ui/links'
import { Eyebrow, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { REASON_WORDS, remarkWords } from '../words'
import { useWaiting } from '@/ui/use-waiting'
import { Finding } from './Finding'
import { Box, Typography } from '@/ui/elements'

const Lane = styled('div')(({ theme }) => ({
  position: 'relative',
  height: 22,
  borderRadius: theme.shape.borderRadius,
  background: theme.vars?.palette.action.hover,
  '& .band': { position: 'absolute', top: 7, height: 8, background: theme.vars?.palette.own.marigold.main },
  '& .mark': { position: 'absolute', top: 2, width: 3, height: 18, background: theme.vars?.palette.text.primary },
}))

/** By what a difference and its chance are told, for those who ask. */
const METHODS = {
  apart: 'Difference by Newcombe’s score interval, chance by Fisher’s exact test.',
  situations: 'Difference and chance over the situations by Mantel and Haenszel.',
  paired: 'Difference by Newcombe’s interval for pairs, chance by McNemar’s exact test.',
} as const

const percent = (share: number): string => `${(100 * share).toFixed(1)}%`

/** A share with its interval: in words, and drawn from none to all. */
const ShareLane = ({ name, tally, isMain = false }: { name: string; tally: Tally; isMain?: boolean }) => {
  const { kept, of } = tally.share
  const { low, high } = tally.interval
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: 'var(--side-narrow) 1fr' },
        gap: { xs: 0.25, sm: 2 },
        mb: 1,
      }}
    >
      <Typography variant={isMain ? 'strong' : 'body1'}>
        {name}
        <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
          {of === 0
            ? 'nothing counted'
            : `${kept} of ${of} sharp, ${Math.round(low * 100)} to ${Math.round(high * 100)} of 100${tally.missed > 0 ? `; ${tally.missed} missed` : ''}`}
        </Typography>
      </Typography>
      <Lane aria-hidden>
        {of > 0 && (
          <>
            <span className="band" style={{ left: percent(low), width: percent(high - low) }} />
            <span className="mark" style={{ left: percent(kept / of) }} />
          </>
        )}
      </Lane>
    </Box>
  )
}

/** A trial: what it says, how sure that is, what to know before believing it, and its plan. */
export const TrialResult = ({
  view,
  standards,
}: {
  view: TrialView
  standards: readonly { readonly id: string; readonly name: string }[]
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const { plan, verdict, sentences, blocks } = view
  const nameOf = (id: string) => plan.ways.find(w => w.id === id)?.name ?? id
  const method = plan.isPaired ? 'paired' : plan.situations.length > 1 ? 'situations' : 'apart'
  const hasWaits = verdict.ways.some(w => w.tally.waits.length > 0)
  const counted = verdict.ways.some(w => w.tally.share.of > 0)
  const most = Math.max(1, ...verdict.reasons.map(r => r.count))
  // What was counted a moment ago may still be on its way; once it is there, it is shown.
  const waiting = useWaiting(`trial ${view.id}`).filter(e => !e.remark).length
  const before = useRef(0)
  useEffect(() => {
    if (waiting < before.current) router.refresh()
    before.current = waiting
  }, [waiting, router])
  const throwAway = async () => {
    const sent = await send('PATCH', `/api/v1/trials/${view.id}`, { thrownAway: true })
    if (sent.ok) router.push(linkTo('/prove/trials', params))
  }
  const last = Math.max(1, ...verdict.ways.flatMap(w => w.tally.waits.map(x => x.seconds)))
  return (
    <Page>
      <Typography color="textSecondary">
        Trial{plan.unit && ` · ${plan.unit}`} · {Math.ceil(view.minutes)} minutes as planned
      </Typography>
      <Typography variant="h1">{plan.name}</Typography>
      <PlainList component="ul" sx={{ my: 1.5, maxWidth: 'var(--line)' }} aria-label="What can be said">
        {sentences.map((s, i) => (
          <Typography component="li" key={s} variant={i === 0 ? 'h3' : 'body1'} sx={{ mb: 0.5 }}>
            {s}
          </Typography>
        ))}
      </PlainList>
      <Wrap sx={{ mb: 2 }}>
        <LinkButton to={`/prove/trials/${view.id}/count`} variant="contained">
          Count passes
        </LinkButton>
        <LinkButton to={`/prove/trials/${view.id}/pictures`}>Count from pictures</LinkButton>
        <Button component="a" variant="outlined" href={`/api/v1/trials/${view.id}`} download={`trial-${view.id}.json`}>
          Trial as a file
        </Button>
      </Wrap>
      {waiting > 0 && (
        <Alert severity="info" sx={{ mb: 1, maxWidth: 'var(--line)' }}>
          {waiting} {waiting === 1 ? 'pass waits' : 'passes wait'} on this device until there is network; what stands
          here is without them.
        </Alert>
      )}
      {verdict.remarks.map(remark => (
        <Alert
          key={JSON.stringify(remark)}
          severity={remark.kind === 'counters' || remark.kind === 'unfinished' ? 'info' : 'warning'}
          sx={{ mb: 1, maxWidth: 'var(--line)' }}
        >
          {remarkWords(remark)}
        </Alert>
      ))}
      {counted && (
        <Section title="Sharp">
          <Typography variant="body2" sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
            Of all passes, the missed ones too. The bar is where the truth lies 95 times of 100 (Wilson), the mark what
            was counted.
          </Typography>
          {verdict.ways.map(w => (
            <ShareLane key={w.way} name={nameOf(w.way)} tally={w.tally} isMain />
          ))}
          {plan.situations.length > 1 &&
            plan.situations.map((s, i) => (
              <Box key={s.id} sx={{ mt: 2 }}>
                <Eyebrow>{s.name}</Eyebrow>
                {verdict.ways.map(w => {
                  const tally = w.bySituation[i]
                  return tally && <ShareLane key={w.way} name={nameOf(w.way)} tally={tally} />
                })}
              </Box>
            ))}
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
            {METHODS[method]} {plan.ways.length > 2 && 'Chances are corrected by Holm for looking several times. '}To
            tell the difference that matters from here takes {verdict.needed} passes of each way.
          </Typography>
        </Section>
      )}
      {verdict.reasons.length > 0 && (
        <Section title="What happened where it was not sharp">
          <PlainList component="ul" sx={{ maxWidth: 'var(--narrow)' }}>
            {verdict.reasons.map(({ reason, count }) => (
              <li key={reason}>
                <Box
                  sx={{
                    display: 'grid',
                    gridTemplateColumns: 'var(--field-short) 1fr 40px',
                    gap: 1.5,
                    alignItems: 'center',
                  }}
                >
                  <span>{REASON_WORDS[reason]}</span>
                  <Lane aria-hidden>
                    <span className="band" style={{ left: 0, width: percent(count / most) }} />
                  </Lane>
                  <Typography variant="figure">{count}</Typography>
                </Box>
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      {hasWaits && (
        <Section title="Until focus was there">
          <Typography sx={{ mb: 1 }}>
            {verdict.ways
              .map(w =>
                w.tally.median === undefined
                  ? `${nameOf(w.way)}: more than half gave up`
                  : `${nameOf(w.way)}: ${w.tally.median.toFixed(2)} s in the middle of ${w.tally.waits.length}`,
              )
              .join('; ')}
            .
          </Typography>
          <Chart
            label="Share of passes that still waited for focus, over the seconds"
            height={240}
            option={{
              grid: { left: 56, right: 24, top: 24, bottom: 64 },
              legend: { bottom: 0, left: 0 },
              tooltip: { show: false },
              xAxis: {
                type: 'value',
                name: 'seconds',
                nameLocation: 'middle',
                nameGap: 28,
                max: Number(last.toFixed(1)),
              },
              yAxis: { type: 'value', name: 'still waiting', min: 0, max: 1 },
              series: verdict.ways.map(w => ({
                name: nameOf(w.way),
                type: 'line',
                step: 'end',
                symbol: 'none',
                data: [[0, 1], ...stillWaiting(w.tally.waits).map(s => [s.seconds, s.share])],
              })),
            }}
          />
        </Section>
      )}
      {counted && (
        <Finding
          trial={view.id}
          standards={standards}
          first={plan.ways.map(w => w.standard?.split('@')[0]).find(id => standards.some(s => s.id === id))}
        />
      )}
      <Section title="The plan">
        <PlainList component="ol" sx={{ maxWidth: 'var(--line)' }}>
          {blocks.map((b, i) => (
            <Box
              component="li"
              key={i}
              sx={{ display: 'flex', gap: 2, py: 0.5, borderBottom: 1, borderColor: 'divider' }}
            >
              <Typography variant="figure" sx={{ width: 32 }}>
                {i + 1}
              </Typography>
              <span style={{ flex: 1 }}>
                {nameOf(b.way)}
                <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
                  {plan.situations.find(s => s.id === b.situation)?.name}
                  {b.note && `. ${b.note}`}
                </Typography>
              </span>
              <Typography variant="body2">
                {b.counted} of {plan.passes}
              </Typography>
            </Box>
          ))}
        </PlainList>
        <Button sx={{ mt: 2 }} disabled={isBusy} onClick={() => void throwAway()}>
          Throw this trial away
        </Button>
      </Section>
      <Trouble words={problem} sx={{ mt: 2 }} />
    </Page>
  )
}
