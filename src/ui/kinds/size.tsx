'use client'

import type { Size } from '@/core/vocabulary/values'
import { type EditorProps, FieldRow, ShareField } from './fields'

/** Width and height, in a row with other fields. */
export const SizeFields = ({ value, onChange }: { value: Size; onChange: (s: Size) => void }) => {
  const { width, height } = value
  const field = { unit: '% of frame', min: 0.001 }
  return (
    <>
      <ShareField label="Width" {...field} value={width} onChange={w => onChange({ width: w, height })} />
      <ShareField label="Height" {...field} value={height} onChange={h => onChange({ width, height: h })} />
    </>
  )
}

export const SizeEditor = (props: EditorProps<'size'>) => (
  <FieldRow>
    <SizeFields value={props.value} onChange={props.onChange} />
  </FieldRow>
)
