import { dimension } from './dimensions'

/** Who starts focusing, and the functions on controls: what a plan for the fingers settles. */
export const isForTheFingers = (dimensionId: string): boolean =>
  dimensionId === 'trigger.shutter' || dimension(dimensionId).kind === 'assign'
