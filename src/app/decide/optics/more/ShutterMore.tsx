'use client'

import { Wrap } from '@/ui/pieces'
import { useDesk } from '../desk'
import { DeskChoice, Num } from '../fields'

/** Speeds to begin from, metres per second. @source from memory */
const SPEEDS = [
  { value: '0', label: 'still' },
  { value: '0.3', label: 'standing, talking' },
  { value: '1.5', label: 'walking' },
  { value: '4', label: 'running' },
  { value: '9', label: 'sprinting, a swing' },
  { value: '14', label: 'small birds, cyclists' },
  { value: '30', label: 'cars' },
]
const OWN = 'own'

export const ShutterMore = () => {
  const { scene, change } = useDesk()
  return (
    <Wrap sx={{ gap: 1.25, my: 1.5 }}>
      <DeskChoice
        label="It moves"
        value={SPEEDS.some(s => Number(s.value) === scene.speed) ? String(scene.speed) : OWN}
        options={[...SPEEDS, { value: OWN, label: 'as typed' }]}
        onChange={s => s !== OWN && change({ speed: Number(s) })}
      />
      <Num field="speed" label="Speed, m/s" />
      <Num field="directionDegrees" label="Way, degrees" helper="90 crosses, 0 comes at you" />
      <Num field="panned" label="Panned along, %" scale={100} />
      <Num field="stabiliserStops" label="Stabilisation, stops" />
      <Num field="flashTime" label="Flash, 1/1000 s" scale={1000} helper="0 for none" />
    </Wrap>
  )
}
