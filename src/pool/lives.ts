import type { Body } from '@/core/bodies'
import { type Known, knownAfter, type UnitEvent } from '@/core/kit/known'
import { overruledBy, type SetEvent } from '@/core/kit/late'
import { documentOf, type Shared } from './documents'

/** Long lives of units: thousands of events take a while to go through. */

export const known = ({
  body,
  firmware,
  events,
}: {
  readonly body: Shared<Body>
  readonly firmware: string
  readonly events: readonly UnitEvent[]
}): Known => knownAfter(documentOf(body), firmware, events)

export const overruler = ({
  body,
  firmware,
  events,
  event,
  received,
}: Parameters<typeof known>[0] & { readonly event: SetEvent; readonly received: string }): UnitEvent | undefined =>
  overruledBy(documentOf(body), firmware, events, event, received)
