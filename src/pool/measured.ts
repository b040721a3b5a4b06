import { type Body, bodyAt, versionAt, withFormAt } from '@/core/bodies'
import { type Chosen, type ScaleFit, stepFor } from '@/core/scales/fit'
import { resultOf, type Run, secondsFor, withMeasured } from '@/core/scales/run'
import { documentOf, type Shared } from './documents'

/**
 * What a run comes to on its body, and the profile as it would be with it: drawing takes anew takes as long as a run is.
 *
 * @param wanted amounts that somebody wants; for each the nearest step, and how sure that is
 */
export const measured = ({
  body,
  run,
  wanted = [],
}: {
  readonly body: Shared<Body>
  readonly run: Run
  readonly wanted?: readonly number[]
}): {
  readonly fit: Omit<ScaleFit, 'drawn'>
  readonly profile: Body
  readonly nearest: readonly (Chosen | undefined)[]
} => {
  const profile = documentOf(body)
  const form = bodyAt(profile, run.firmware)
  const result = resultOf(form, run)
  const { drawn: _, ...fit } = result
  return {
    fit,
    profile: withFormAt(profile, versionAt(profile, run.firmware), withMeasured(form, run, fit)),
    nearest: wanted.map(amount => stepFor(result, secondsFor(run, fit, amount))),
  }
}
