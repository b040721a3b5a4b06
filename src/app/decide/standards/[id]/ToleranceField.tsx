'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import type { Target } from '@/core/standards'
import type { Dimension } from '@/core/vocabulary/dimensions'
import { NumberField } from '@/ui/kinds/fields'

export const ToleranceField = ({
  d,
  target,
  onChange,
}: {
  d: Dimension
  target: Target
  onChange: (target: Target) => void
}) => {
  const [shown, setShown] = useState(target.tolerance !== undefined)
  const isRatio = d.kind === 'physical' && d.measure === 'ratio'
  const apart = d.kind === 'physical' && d.measure !== 'ratio' ? d.measure.fullDifference : 1
  const { tolerance, ...rest } = target
  if (!shown)
    return (
      <Button
        size="small"
        onClick={() => {
          setShown(true)
          onChange({ ...rest, tolerance: isRatio ? 0.3 : 0.25 * apart })
        }}
      >
        Say how far off still counts
      </Button>
    )
  return (
    <>
      <NumberField
        label={d.kind === 'physical' ? 'Within' : 'Up to'}
        unit={isRatio ? '%' : d.kind === 'physical' ? d.unit : 'off, 0 to 1'}
        scale={isRatio ? 100 : 1}
        min={0}
        value={tolerance ?? 0}
        onChange={t => onChange({ ...rest, tolerance: Math.min(isRatio ? 2.99 : apart, Number(t)) })}
      />
      <Button
        size="small"
        onClick={() => {
          setShown(false)
          onChange(rest)
        }}
      >
        As usual
      </Button>
    </>
  )
}
