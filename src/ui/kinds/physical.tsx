'use client'

import { isSigned } from '@/core/vocabulary/dimensions'
import type { Physical } from '@/core/vocabulary/values'
import { type EditorProps, NumberField } from './fields'

export const PhysicalEditor = ({ d, value, onChange }: EditorProps<'physical'>) => (
  <NumberField
    label="Amount"
    unit={d.unit}
    value={value}
    also={d.measure === 'ratio' ? ['never', 'always'] : []}
    {...(isSigned(d) ? {} : { min: 0 })}
    onChange={amount => onChange(amount as Physical)}
  />
)
