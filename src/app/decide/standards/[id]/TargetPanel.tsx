'use client'

import { Alert, Button, IconButton, ToggleButton, ToggleButtonGroup } from '@mui/material'
import { useMemo } from 'react'
import {
  asTarget,
  type Context,
  type Layer,
  layered,
  refText,
  relaxesMust,
  type Standard,
  type Target,
  type Weight,
  WEIGHTS,
} from '@/core/standards'
import { withoutTarget, withTarget } from '@/core/standards/edit'
import { dimension, GROUPS } from '@/core/vocabulary/dimensions'
import type { Position } from '@/core/vocabulary/values'
import { inSentence, toleranceWords, valueWords } from '@/core/vocabulary/words'
import type { Draft } from '@/ui/draft/draft'
import { Eyebrow, Wrap } from '@/ui/pieces'
import { SeeIt } from '@/ui/SeeIt'
import { startingValue, ValueEditor } from '@/ui/kinds'
import { CommentList } from './CommentList'
import { OwnTrials } from './OwnTrials'
import type { Comments } from './use-comments'
import { WhoCan } from './WhoCan'
import { WrittenField } from '@/ui/WrittenField'
import { MIDDLE, Drawn } from './Drawn'
import { ToleranceField } from './ToleranceField'
import { Box, Typography } from '@/ui/elements'

/** The standard as it would be if the reason for relaxing the must below were written already. */
const withoutMustBelow = (standard: Standard, layerId: string, dimensionId: string): Standard => {
  const target = standard.layers.find(l => l.id === layerId)?.targets.find(t => t.dimension === dimensionId)
  return target ? withTarget(standard, layerId, { ...target, relaxes: target.reason }) : standard
}

/** One target: what it means, how it looks, what is wanted and why, what lies below, and which bodies can do it. */
export const TargetPanel = ({
  standard,
  layer,
  context,
  dimensionId,
  edit,
  bodies,
  comments,
  onClose,
}: {
  standard: Standard
  layer: Layer
  context: Context
  dimensionId: string
  edit: Draft<Standard>['edit'] | undefined
  bodies: string
  comments: Comments
  onClose: () => void
}) => {
  const d = dimension(dimensionId)
  const { targets, withheld } = useMemo(() => layered(standard, context), [standard, context])
  const effective = targets.find(t => t.dimension === dimensionId)
  const own = layer.targets.find(t => t.dimension === dimensionId)
  const lower = { ...standard, layers: standard.layers.slice(0, standard.layers.indexOf(layer)) }
  const below = layered(lower, context).targets.find(t => t.dimension === dimensionId)
  const home = (targets.find(t => t.dimension === 'area.home')?.value as Position | undefined) ?? MIDDLE
  const waits = withheld.find(w => w.target.dimension === dimensionId)
  const label = inSentence(d.label)
  const write = (what: string, target: Target) => edit?.(`${label}: ${what}`, s => withTarget(s, layer.id, target))
  const change = own && edit ? (value: Target['value']) => write(valueWords(d, value), { ...own, value }) : undefined
  const moveHome = edit
    ? (value: Position) =>
        edit(`home position: ${valueWords(dimension('area.home'), value)}`, s =>
          withTarget(s, layer.id, {
            dimension: 'area.home',
            weight: 'should',
            reason: `Where the area rests for ${layer.name}.`,
            ...layer.targets.find(t => t.dimension === 'area.home'),
            value,
          }),
        )
    : undefined
  // What is asked for here even while the must below still stands.
  const shown = own ?? effective
  const layerId = layer.id
  const isWaiting = waits !== undefined
  const asked = useMemo(
    () => (isWaiting ? withoutMustBelow(standard, layerId, dimensionId) : standard),
    [isWaiting, standard, layerId, dimensionId],
  )
  const begin = () => {
    const { relaxes, ...rest } = (effective && asTarget(effective)) ?? {
      dimension: dimensionId,
      value: startingValue(d),
      weight: 'should' as const,
      reason: '',
    }
    write('asked for', { ...rest, reason: `${layer.name} asks for it.` })
  }

  return (
    <Box
      component="aside"
      aria-label={d.label}
      sx={{
        position: { lg: 'sticky' },
        top: 8,
        alignSelf: 'start',
        maxHeight: { lg: 'calc(100dvh - 16px)' },
        overflowY: 'auto',
        borderLeft: { lg: 1 },
        borderColor: { lg: 'divider' },
        pl: { lg: 3 },
        display: 'flex',
        flexDirection: 'column',
        gap: 1.5,
      }}
    >
      <Box sx={{ display: 'flex' }}>
        <Box sx={{ flex: 1 }}>
          <Eyebrow>{GROUPS.find(g => g.id === d.group)?.label}</Eyebrow>
          <Typography variant="h2">{d.label}</Typography>
        </Box>
        <IconButton aria-label="Close" onClick={onClose}>
          ×
        </IconButton>
      </Box>
      <Typography color="textSecondary">This is {d.about}.</Typography>
      {shown && <Drawn d={d} value={shown.value} home={home} onValue={change} onHome={own ? moveHome : undefined} />}
      {shown && <WhoCan standard={asked} context={context} dimensionId={dimensionId} bodies={bodies} />}
      <OwnTrials dimensionId={dimensionId} />
      <SeeIt dimensionId={dimensionId} more={{ standard: refText({ id: standard.id, version: standard.version }) }} />
      {own && edit ? (
        <>
          <ValueEditor d={d} value={own.value} onChange={v => change?.(v)} />
          <Wrap sx={{ alignItems: 'flex-start' }}>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={own.weight}
              aria-label="How much it counts"
              onChange={(_, weight: Weight | null) => {
                if (weight) write(`a ${weight}`, { ...own, weight })
              }}
            >
              {WEIGHTS.map(w => (
                <ToggleButton key={w} value={w}>
                  {w}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <ToleranceField d={d} target={own} onChange={t => write('tolerance', t)} />
          </Wrap>
          <WrittenField
            label="Why?"
            value={own.reason}
            needed="Whoever has to set it wants to know why."
            onWrite={reason => write('reason', { ...own, reason })}
          />
          {below && relaxesMust(below, own) && (
            <>
              <WrittenField
                label={`Why may the must of ${below.from.layer} give way?`}
                value={own.relaxes ?? ''}
                onWrite={relaxes => {
                  const { relaxes: _, ...rest } = own
                  write('why the must gives way', relaxes ? { ...rest, relaxes } : rest)
                }}
              />
              {!own.relaxes && (
                <Alert severity="warning">
                  {below.from.layer} says {valueWords(d, below.value)}, a must. It stands until you write why it may
                  give way.
                </Alert>
              )}
            </>
          )}
          <Button
            variant="outlined"
            onClick={() => edit(`${label}: taken out`, s => withoutTarget(s, layer.id, dimensionId))}
          >
            {below
              ? `Take it out: ${below.from.layer} counts again, ${valueWords(d, below.value)}`
              : 'Do not ask for it here'}
          </Button>
        </>
      ) : (
        <>
          {shown ? (
            <>
              <Typography variant="value">
                {valueWords(d, shown.value)}
                {shown.tolerance === undefined ? '' : ` ${toleranceWords(d, shown.tolerance)}`}, a {shown.weight}
              </Typography>
              <Typography>{shown.reason}</Typography>
              {shown.relaxes && <Typography variant="body2">The must below gives way: {shown.relaxes}</Typography>}
              {shown.school && (
                <Typography variant="body2" color="textSecondary">
                  School: {shown.school}
                </Typography>
              )}
            </>
          ) : (
            <Typography>Nothing is asked for here yet.</Typography>
          )}
          {edit && (
            <Button variant="contained" onClick={begin}>
              {effective ? `Change it in ${layer.name}` : 'Ask for it'}
            </Button>
          )}
        </>
      )}
      {effective && (
        <Box component="section" aria-label="Where it comes from">
          <Typography variant="h3">Where it comes from</Typography>
          <Typography variant="body2">
            <b>{effective.from.layer}</b>: {valueWords(d, effective.value)}, a {effective.weight}
          </Typography>
          {effective.over?.map(o => (
            <Typography key={o.layer} variant="body2" color="textSecondary">
              instead of {o.layer}: {valueWords(d, o.target.value)}, a {o.target.weight}
            </Typography>
          ))}
        </Box>
      )}
      <CommentList comments={comments} dimensionId={dimensionId} />
    </Box>
  )
}
