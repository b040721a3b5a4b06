'use client'

import { Alert, Divider, Skeleton } from '@mui/material'
import { useSearchParams } from 'next/navigation'
import { useMemo } from 'react'
import { GRADE_WORDS } from '@/core/resolve/words'
import type { Level } from '@/core/standards'
import type { AlternativeView, ExplanationView } from '@/server/explanation'
import { FalseFriends } from '@/ui/FalseFriends'
import { NearestWays } from '@/ui/NearestWays'
import { SeeIt } from '@/ui/SeeIt'
import { DeskAnswer } from '@/ui/optics/DeskAnswer'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Eyebrow, Facts, MenuPath, PlainList } from '@/ui/pieces'
import { LinkButton } from '@/ui/links'
import type { CellRef } from './Matrix'
import { useFetched } from '@/ui/use-fetched'
import { Box, Typography } from '@/ui/elements'

const WEIGHT_SENTENCE = { must: 'a must', should: 'a should', nice: 'nice to have' } as const

/** Why one body gets what it gets for one target; asked of the server when it is opened. */
export const Explanation = ({
  standard,
  cell,
  level,
}: {
  standard: string
  cell: CellRef
  /** A common level that is being tried; the standard's own where undefined. */
  level: Level | null | undefined
}) => {
  const forWhom = useSearchParams().get('for')
  const asked = useMemo(
    () => ({ standard, ...cell, ...(forWhom ? { for: forWhom } : {}) }),
    // oxlint-disable-next-line react/exhaustive-deps -- a cell is its body and its dimension
    [standard, cell.body, cell.dimension, forWhom],
  )
  const { value, problem } = useFetched<ExplanationView>(
    level === undefined
      ? { address: `/api/v1/explanations?${new URLSearchParams(asked).toString()}` }
      : { address: '/api/v1/explanations', method: 'POST', content: { ...asked, level } },
  )
  if (problem) return <Alert severity="error">{problem}</Alert>
  if (value) return <ExplanationContent explanation={value} dimension={cell.dimension} />
  return (
    <Box aria-busy>
      <Skeleton width="60%" />
      <Skeleton height={40} />
      <Skeleton height={160} variant="rounded" />
    </Box>
  )
}

const ExplanationContent = ({ explanation: e, dimension }: { explanation: ExplanationView; dimension: string }) => {
  const nearest = e.alternatives.find(a => a.better)
  return (
    <Box>
      <Box>
        <Eyebrow>
          {e.body.model} · {e.label}
        </Eyebrow>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mt: 0.5 }}>
          <AlignmentMark grade={e.grade} distance={e.distance} size={44} bare />
          <Typography variant="h2">
            {GRADE_WORDS[e.grade]}
            {e.grade !== 'missing' && e.distance > 0 && `, ${e.distance.toFixed(2)} off`}
          </Typography>
        </Box>
      </Box>
      {!e.held && e.weight === 'must' && (
        <Typography sx={{ mt: 1, color: 'error.main', fontWeight: 'fontWeightMedium' }}>This breaks a must.</Typography>
      )}
      <Typography sx={{ mt: 1 }}>{e.why}</Typography>
      {nearest && (
        <Typography sx={{ mt: 1 }}>
          Nearer would be <b>{nearest.words}</b>. {nearest.lost}
        </Typography>
      )}
      <NearestWays ways={e.ways.slice(0, 2)} />
      <SeeIt dimensionId={dimension} more={{ body: e.body.id }} />
      {e.optics && <DeskAnswer question={e.optics.question} change={e.optics.scene} on={e.body.id} />}
      {e.friends.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <Typography variant="h3">False friends</Typography>
          <FalseFriends friends={e.friends} stacked />
        </Box>
      )}
      {e.conflicts.map(c => (
        <Typography key={c} sx={{ mt: 1 }}>
          {c}
        </Typography>
      ))}
      <Facts
        facts={[
          { name: 'wanted', value: e.tolerance ? `${e.wanted} ${e.tolerance}` : e.wanted },
          { name: 'gets', value: e.gets },
          ...(e.delivered.length ? [{ name: 'menu', value: <MenuPaths delivered={e.delivered} /> }] : []),
          { name: 'because', value: <Typography variant="body2">{e.reason}</Typography> },
          ...(e.evidence ? [{ name: 'known', value: e.evidence }] : []),
          { name: 'from', value: `${e.from}, ${WEIGHT_SENTENCE[e.weight]}` },
          ...(e.over.length ? [{ name: 'instead of', value: e.over.join('; ') }] : []),
          ...(e.level ? [{ name: 'alike', value: `held to ${e.level}` }] : []),
          { name: 'firmware', value: e.body.firmware },
        ]}
      />
      <Typography variant="body2" color="textSecondary">
        {e.label} is {e.about}.
      </Typography>
      <Divider sx={{ my: 2 }} />
      <Typography variant="h3">How far off</Typography>
      {e.parts.map(p => (
        <Box key={p.label} sx={{ mt: 1 }}>
          <Typography variant="body2">
            {e.parts.length > 1 ? `${p.label} (counts ${p.weight.toFixed(2)}): ` : ''}
            <Typography variant="value" component="span" sx={{ fontWeight: 'fontWeightMedium' }}>
              {p.distance.toFixed(2)}
            </Typography>
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {p.got === p.wanted ? p.got : `${p.got} against ${p.wanted}`}; {p.how}.
          </Typography>
        </Box>
      ))}
      <Divider sx={{ my: 2 }} />
      <Typography variant="h3">Also considered</Typography>
      {e.alternatives.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {e.body.model} has nothing else that bears on this.
        </Typography>
      )}
      <PlainList component="ul">
        {e.alternatives.map(a => (
          <AlternativeItem key={`${a.words} ${a.value}`} alternative={a} />
        ))}
      </PlainList>
      <Box sx={{ display: 'flex', gap: 1, mt: 3 }}>
        <LinkButton to={`/name/bodies/${e.body.id}`}>{e.body.model}’s profile</LinkButton>
        <LinkButton to={`/set/cards/${e.body.id}`}>Its card</LinkButton>
      </Box>
    </Box>
  )
}

const MenuPaths = ({ delivered }: { delivered: ExplanationView['delivered'] }) =>
  delivered.map(d => (
    <div key={d.setting}>
      <MenuPath path={d.path} />
    </div>
  ))

const AlternativeItem = ({ alternative: a }: { alternative: AlternativeView }) => (
  <Box component="li" sx={{ mt: 1.5, display: 'flex', gap: 1.5 }}>
    <Box sx={{ pt: 0.5 }}>
      <AlignmentMark grade={a.grade} distance={a.distance} />
    </Box>
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
        {a.words}
      </Typography>
      <Typography variant="value" component="div" color="textSecondary">
        {a.value}
      </Typography>
      <Typography variant="body2" color={a.better ? 'textPrimary' : 'textSecondary'}>
        {a.better ? `Nearer, but lost. ${a.lost}` : a.lost}
      </Typography>
    </Box>
  </Box>
)
