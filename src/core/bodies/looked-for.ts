import { coverageOf } from './completeness'
import type { Body } from './schema'

/**
 * A profile that grows from what a standard asks. While it keeps the list of what was looked for and not found, whatever
 * nothing speaks about and is not on that list is not known yet: that is not the same as not being there.
 */

const isCovered = (body: Body, dimensionId: string): boolean =>
  coverageOf(body).some(c => c.dimension.id === dimensionId && (c.coverage.how === 'set' || c.coverage.how === 'fixed'))

/** Whether nobody has looked yet if the body has something for a dimension. */
export const isNotLookedFor = (body: Body, dimensionId: string): boolean =>
  body.lacking !== undefined && !body.lacking.includes(dimensionId) && !isCovered(body, dimensionId)

/** A profile that keeps no such list and has every row decided claims to be whole: what it does not speak of is not there. */
const isWhole = (body: Body): boolean =>
  body.lacking === undefined && body.settings.length > 0 && !body.settings.some(s => s.undecided)

/** Whether somebody looked and found nothing. */
export const isFoundLacking = (body: Body, dimensionId: string): boolean =>
  (isWhole(body) || body.lacking?.includes(dimensionId) === true) && !isCovered(body, dimensionId)

/** The profile begins to keep what was looked for, unless it is whole. */
export const startLooking = (body: Body): Body => (body.lacking || isWhole(body) ? body : { ...body, lacking: [] })

/** Somebody looked for these and the body has nothing for them. */
export const hasNone = (body: Body, dimensionIds: readonly string[]): Body =>
  isWhole(body) ? body : { ...body, lacking: [...new Set([...(body.lacking ?? []), ...dimensionIds])] }

/** These are to be looked for again; of everything else a whole profile still knows that it is not there. */
export const lookAgain = (body: Body, dimensionIds: readonly string[]): Body => {
  const lacking = isWhole(body)
    ? coverageOf(body).flatMap(c => (c.coverage.how === 'set' || c.coverage.how === 'fixed' ? [] : [c.dimension.id]))
    : (body.lacking ?? [])
  return { ...body, lacking: lacking.filter(id => !dimensionIds.includes(id)) }
}

/** The whole menu is in: what nothing speaks about is not there. */
export const allLookedFor = (body: Body): Body => {
  const { lacking: _, ...rest } = body
  return rest
}
