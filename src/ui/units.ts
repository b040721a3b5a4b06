'use client'

import { useLocal } from './local'

export type Units = 'metric' | 'imperial'

/** Metres or feet, as the person on this device reads them. */
export const useUnits = (): readonly [Units, (units: Units) => void] => {
  const [stored, choose] = useLocal('coherion-units')
  return [stored === 'imperial' ? 'imperial' : 'metric', choose]
}
