'use client'

import type { Body } from '@/core/bodies'
import { NumberField } from '@/ui/kinds/fields'
import type { Editor } from '../use-editor'
import { factChange, FactRow, FactSection, whole } from './parts'

/** How large the sensor is. */
export const SensorFacts = ({ editor }: { editor: Editor }) => {
  const { sensor } = editor.form
  const change = factChange(editor, 'sensor')
  const setSensor = (next: Partial<Body['sensor']>) =>
    change('sensor', b => ({ ...b, sensor: { ...b.sensor, ...next } }))
  return (
    <FactSection id="sensor" title="Sensor" editor={editor}>
      <FactRow>
        <NumberField
          label="Width"
          unit="mm"
          min={0.1}
          value={sensor.widthMm}
          onChange={n => setSensor({ widthMm: Number(n) })}
        />
        <NumberField
          label="Height"
          unit="mm"
          min={0.1}
          value={sensor.heightMm}
          onChange={n => setSensor({ heightMm: Number(n) })}
        />
        <NumberField
          label="Pixels across"
          min={1}
          value={sensor.pixelsWide}
          onChange={n => setSensor({ pixelsWide: whole(n) })}
        />
        <NumberField
          label="Pixels down"
          min={1}
          value={sensor.pixelsHigh}
          onChange={n => setSensor({ pixelsHigh: whole(n) })}
        />
      </FactRow>
    </FactSection>
  )
}
