import type { Body } from '../bodies'
import type { UnitEvent } from './known'

/** What happened to a unit, in words. */
export const eventWords = (
  event: UnitEvent,
  body: Pick<Body, 'settings'> | undefined,
  standardName: (id: string) => string,
): string => {
  switch (event.kind) {
    case 'set': {
      const setting = body?.settings.find(s => s.id === event.setting)
      const option = setting?.options.find(o => o.id === event.option)?.label ?? event.option
      const label = setting?.label ?? event.setting
      if (event.how === 'card') return `${label} set to ${option}`
      return event.how === 'person' ? `${label} says ${option}` : `${label}: ${option}, from a file`
    }
    case 'read': {
      const count = Object.keys(event.settings).length
      return `${count} ${count === 1 ? 'setting' : 'settings'} read from a file`
    }
    case 'reset':
      return 'reset to factory defaults'
    case 'firmware':
      return `firmware ${event.from} became ${event.to}`
    case 'exchanged':
      return event.what === 'model'
        ? `another model: ${event.from} became ${event.to}`
        : `another serial number: ${event.from} became ${event.to}`
    case 'repaired':
      return 'came back from repair'
    case 'returned':
      return 'came back from a loan'
    case 'stored':
      return `stored in ${event.slot}: ${standardName(event.standard)}, version ${event.version}`
    case 'signed': {
      const minutes = event.minutes === null ? undefined : Math.max(1, Math.round(event.minutes))
      const took = minutes === undefined ? '' : `, in ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`
      return `signed for ${standardName(event.standard)}, version ${event.version}${took}`
    }
  }
}
