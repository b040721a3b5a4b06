'use client'

import { questionTitle } from '@/core/optics/titles'
import type { Answer, QuestionId } from '@/core/optics/answers/answer'
import { differingFrom, type Scene, sceneText } from '@/core/optics/scene'
import { subjectOf } from '@/core/optics/subjects'
import { lengthWords } from '@/core/optics/words'
import { KeptLink } from '../links'
import { useFetched } from '../use-fetched'
import { useUnits } from '../units'
import { useDeskScene } from './desk-scene'
import { Typography } from '../elements'

/**
 * An answer of the Optics desk where it is needed, about the scene that is on the desk.
 *
 * @param change what is other than on the desk
 * @param on a body to ask it of, framed as the desk’s own
 */
export const DeskAnswer = ({
  question,
  change = {},
  on,
  isOwnOnly = false,
}: {
  question: QuestionId
  change?: Partial<Scene>
  on?: string
  /** Where nothing is on the desk yet, only the way there is shown. */
  isOwnOnly?: boolean
}) => {
  const [units] = useUnits()
  const desk = useDeskScene()
  const scene = { ...desk.scene, ...change }
  const isAsked = desk.isOwn || !isOwnOnly
  const { value } = useFetched<Answer>(
    isAsked
      ? {
          address: `/api/v1/optics/${question}`,
          method: 'POST',
          content: { scene: differingFrom(scene), units, ...(on ? { on } : {}) },
        }
      : undefined,
  )
  if (!isAsked)
    return (
      <Typography variant="body2">
        <KeptLink to="/decide/optics" more={{ ask: question }}>
          Work it out on the Optics desk
        </KeptLink>
      </Typography>
    )
  const [first] = value?.figures ?? []
  if (!value) return null
  return (
    <Typography variant="body2" sx={{ mt: 1 }}>
      <b>{questionTitle(question)}</b> {value.verdict}
      {question === 'area' && first && ` ${first.label}: ${first.words}.`}{' '}
      <Typography component="span" variant="body2" color="textSecondary">
        ({subjectOf(scene.subject).label} at {lengthWords(scene.distance, units)}
        {on && on !== scene.body ? ', framed the same' : ''}
        {desk.isOwn ? ', as on your desk' : ''}.{' '}
        <KeptLink to="/decide/optics" more={{ scene: sceneText(scene), ask: question }}>
          On the desk
        </KeptLink>
        )
      </Typography>
    </Typography>
  )
}
