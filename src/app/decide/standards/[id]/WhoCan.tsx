'use client'

import { LinearProgress } from '@mui/material'
import { useMemo } from 'react'
import { GRADE_WORDS } from '@/core/resolve/words'
import type { Context, Standard } from '@/core/standards'
import { GRADES } from '@/core/vocabulary/grade'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { WorkerTrouble } from '@/ui/worker'
import type { BodyAnswer } from '@/workers/fleet'
import type { FleetAsk } from '@/workers/fleet.worker'
import { useFleet } from '../../fleet/use-fleet'
import { Box, Typography } from '@/ui/elements'

const meanDistance = (answers: readonly BodyAnswer[]): number =>
  answers.reduce((sum, a) => sum + a.distance, 0) / Math.max(1, answers.length)

/** Bodies that do the same, together. */
const byValue = (answers: readonly BodyAnswer[]) =>
  [...new Set(answers.map(a => a.value))].map(value => ({
    value,
    models: answers.filter(a => a.value === value).map(a => a.model),
  }))

/** How many bodies in hand can do what a target asks, by name; follows the target while it moves. */
export const WhoCan = ({
  standard,
  context,
  dimensionId,
  bodies,
}: {
  standard: Standard
  context: Context
  dimensionId: string
  bodies: string
}) => {
  const ask = useMemo<FleetAsk>(
    () => ({ kind: 'can', standard, context, dimension: dimensionId }),
    [standard, context, dimensionId],
  )
  const { answer, trouble, retry } = useFleet(bodies, ask)
  if (trouble) return <WorkerTrouble trouble={trouble} retry={retry} />
  if (answer?.kind !== 'can' || answer.dimension !== dimensionId)
    return <LinearProgress aria-label="Asking the bodies" sx={{ my: 2 }} />
  const groups = GRADES.map(grade => ({ grade, here: answer.answers.filter(a => a.grade === grade) })).filter(
    g => g.here.length > 0,
  )
  return (
    <Box component="section" aria-label="Which bodies can do it" aria-busy={!answer.done}>
      {groups.map(({ grade, here }) => (
        <Box key={grade} sx={{ display: 'flex', gap: 1.5, py: 0.5, borderBottom: 1, borderColor: 'divider' }}>
          <Box sx={{ pt: 0.5 }}>
            <AlignmentMark grade={grade} distance={meanDistance(here)} bare />
          </Box>
          <Box>
            <Typography variant="body2">
              <b>
                {GRADE_WORDS[grade]} on {here.length}:
              </b>{' '}
              {byValue(here).map(({ value, models }, i) => (
                <span key={value}>
                  {i > 0 && '; '}
                  {models.join(', ')}
                  {grade !== 'same' && grade !== 'missing' && value && (
                    <Typography component="span" variant="body2" color="textSecondary">
                      {' '}
                      with {value}
                    </Typography>
                  )}
                </span>
              ))}
            </Typography>
          </Box>
        </Box>
      ))}
    </Box>
  )
}
