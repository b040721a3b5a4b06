import { type Body, bodyAt, versionAt, withFormAt } from '@/core/bodies'
import type { ScaleFit } from '@/core/scales/fit'
import { resultOf, type Run, withMeasured } from '@/core/scales/run'
import { documentOf, type Shared } from './documents'

/** What a run comes to on its body, and the profile as it would be with it: drawing takes anew takes as long as a run is. */
export const measured = ({
  body,
  run,
}: {
  readonly body: Shared<Body>
  readonly run: Run
}): { readonly fit: Omit<ScaleFit, 'drawn'>; readonly profile: Body } => {
  const profile = documentOf(body)
  const form = bodyAt(profile, run.firmware)
  const { drawn: _, ...fit } = resultOf(form, run)
  return { fit, profile: withFormAt(profile, versionAt(profile, run.firmware), withMeasured(form, run, fit)) }
}
