import type { Body } from '../bodies'
import { kindOf } from './events'
import type { UnitEvent } from './unit-event'

/** What happened to a unit, in words. */
export const eventWords = (
  event: UnitEvent,
  body: Pick<Body, 'settings'> | undefined,
  standardName: (id: string) => string,
): string => {
  const setting = (id: string) => body?.settings.find(s => s.id === id)
  return kindOf(event).words(event, {
    setting: id => setting(id)?.label ?? id,
    option: (of, id) => setting(of)?.options.find(o => o.id === id)?.label ?? id,
    standard: standardName,
  })
}
