import type { Zone } from '../core/audit/table'

/** Minutes east of UTC on this device, at a wall-clock time. */
export const zoneHere: Zone = ({ year, month, day, hour, minute }) =>
  -new Date(year, month - 1, day, hour, minute).getTimezoneOffset()
