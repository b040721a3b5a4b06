import { type Body, bodyAt, choiceWordsById, inMenuOrder } from '@/core/bodies'
import { SearchTooLargeError } from '@/core/bodies/search'
import { todayOf } from '@/core/controls/today'
import { schoolFor } from '@/core/functions/plan'
import { schoolByShutter } from '@/core/functions/schools'
import type { Fit } from '@/core/jobs/facts'
import type { SetTo } from '@/core/jobs/walks'
import { situationOf } from '@/core/rescues/on-body'
import { standingOf } from '@/core/rescues/rescue'
import { askedOf, ContradictoryBodyError, type Resolution, resolve } from '@/core/resolve'
import type { Standard } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { documentOf } from './documents'
import type { JobWalksAsked } from './reckon'

/** A set-up on a body: how it does there, and what it is set to. */
export interface FitOnBody extends Omit<SetTo, 'key'> {
  readonly fit: Fit
}

const fitOf = (form: Body, resolution: Resolution, standard: Standard): Fit => {
  const { state, outcomes, agreement, unavailable } = resolution
  const situation = situationOf(form, state, todayOf(form, state))
  const areas = inMenuOrder(form).flatMap(s => {
    const option = s.options.find(o => o.id === state[s.id])
    return option?.means['area.pattern'] !== undefined && !unavailable.includes(s.id)
      ? [choiceWordsById(form, s.id, option.id)]
      : []
  })
  return {
    agreement,
    broken: outcomes
      .filter(o => o.target.weight === 'must' && !o.held)
      .map(o => dimension(o.target.dimension).label.toLowerCase()),
    school: standard.controls
      ? schoolFor(standard.controls, form.id)
      : schoolByShutter(situation.means['trigger.shutter']),
    areas: [...new Set(areas)],
    rescues: standingOf(situation),
  }
}

/**
 * Several set-ups of a job on one body, from factory defaults.
 *
 * @returns for each in its order a `FitOnBody` as JSON text, to be kept as it is, or why it cannot be reckoned
 */
export const jobFits = ({
  body,
  firmware,
  setUps,
}: JobWalksAsked): readonly ({ readonly text: string } | { readonly failed: string })[] => {
  const profile = documentOf(body)
  const form = bodyAt(profile, firmware)
  return setUps.map(({ standard: shared, context }) => {
    try {
      const standard = documentOf(shared)
      const found = resolve(profile, standard, { firmware, context, known: {} })
      const on: FitOnBody = {
        fit: fitOf(form, found, standard),
        state: found.state,
        asked: askedOf(form, found),
      }
      return { text: JSON.stringify(on) }
    } catch (error) {
      if (error instanceof SearchTooLargeError || error instanceof ContradictoryBodyError)
        return { failed: error.message }
      throw error
    }
  })
}
