'use client'

import { planOf, roomOf } from '@/core/optics/answers/limiter'
import { RangeScale } from '@/ui/LimiterDrawing'
import { Wrap } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { useDesk } from '../desk'
import { DeskChoice, Length, Num } from '../fields'

/** What is planned, and every position of lens and body on the scale that the lens travels. */
export const LimiterMore = () => {
  const { scene, r, change } = useDesk()
  const [units] = useUnits()
  const room = roomOf(r)
  return (
    <>
      <Wrap sx={{ gap: 1.25, my: 1.5 }}>
        <Length field="planNear" label="Nearest planned" empty="the subject" />
        <Length field="planFar" label="Furthest planned" empty="the subject" />
        <Num field="margin" label="Margin, %" scale={100} />
        <DeskChoice
          label="Measured from"
          value={scene.planFrom}
          options={[
            { value: 'sensor', label: 'the sensor plane' },
            { value: 'front', label: 'the front of the lens' },
          ]}
          onChange={from => change({ planFrom: from as typeof scene.planFrom })}
        />
        {scene.planFrom === 'front' && r.lens.frontMetres === undefined && (
          <Length field="frontMetres" label="Sensor to front of lens" />
        )}
      </Wrap>
      <RangeScale
        closest={r.lens.closestMetres}
        ranges={[...r.lens.ranges, ...r.camera.ranges.map(p => ({ ...p, label: `${p.label} (body)` }))]}
        plan={{ ...planOf(r), label: 'planned' }}
        room={room}
        units={units}
      />
    </>
  )
}
