'use client'

import type { Size } from '@/core/vocabulary/values'
import { type EditorProps, FieldRow, NumberField } from './fields'

/** Width and height, in a row with other fields. */
export const SizeFields = ({ value, onChange }: { value: Size; onChange: (s: Size) => void }) => (
  <>
    <NumberField
      label="Width"
      unit="% of frame"
      scale={100}
      min={0.001}
      value={value.width}
      onChange={w => onChange({ width: Number(w), height: value.height })}
    />
    <NumberField
      label="Height"
      unit="% of frame"
      scale={100}
      min={0.001}
      value={value.height}
      onChange={h => onChange({ width: value.width, height: Number(h) })}
    />
  </>
)

export const SizeEditor = (props: EditorProps<'size'>) => (
  <FieldRow>
    <SizeFields value={props.value} onChange={props.onChange} />
  </FieldRow>
)
