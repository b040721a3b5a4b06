'use client'

import { useDeferredValue, useMemo } from 'react'
import { depthCurve } from '@/core/optics/curves'
import { METRES_PER_FOOT } from '@/core/lenses/distance'
import { Chart } from '@/ui/Chart'
import { Wrap } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { useDesk } from '../desk'
import { Num } from '../fields'

export const CropMore = () => {
  const { r } = useDesk()
  const [units] = useUnits()
  const still = useDeferredValue(r)
  const option = useMemo(() => {
    const [unit, per] = units === 'metric' ? ['m', 1] : ['ft', METRES_PER_FOOT]
    const points = depthCurve(still)
    const show = (depth: number): number => Number((depth / per).toPrecision(4))
    return {
      grid: { left: 56, right: 16, top: 28, bottom: 34 },
      legend: { top: 0, right: 0 },
      xAxis: {
        type: 'value',
        name: unit,
        min: Number((Number(points[0]?.distance) / per).toPrecision(3)),
        max: 'dataMax',
      },
      yAxis: { type: 'log', name: `depth, ${unit}`, nameLocation: 'end' },
      series: [
        {
          name: 'whole frame',
          type: 'line',
          showSymbol: false,
          data: points.filter(p => isFinite(p.depth)).map(p => [show(p.distance), show(p.depth)]),
        },
        {
          name: 'cropped to the same',
          type: 'line',
          showSymbol: false,
          lineStyle: { type: 'dashed' },
          data: points.filter(p => isFinite(p.cropped)).map(p => [show(p.distance), show(p.cropped)]),
        },
      ],
    }
  }, [still, units])
  return (
    <>
      <Wrap sx={{ gap: 1.25, my: 1.5 }}>
        <Num field="outputPixels" label="Pixels across needed" />
      </Wrap>
      <Chart
        label="Depth against distance, with the whole frame and cropped to the same picture"
        height={200}
        option={option}
      />
    </>
  )
}
