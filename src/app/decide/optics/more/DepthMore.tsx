'use client'

import { useDeferredValue, useMemo } from 'react'
import { sharpnessCurve } from '@/core/optics/curves'
import { Chart } from '@/ui/Chart'
import { Wrap } from '@/ui/pieces'
import { useDesk } from '../desk'
import { DeskChoice, Num } from '../fields'

/** What counts as sharp, and where closing the lens stops helping. */
export const DepthMore = () => {
  const { scene, r, change } = useDesk()
  const still = useDeferredValue(r)
  const option = useMemo(() => {
    const points = sharpnessCurve(still)
    return {
      grid: { left: 46, right: 16, top: 28, bottom: 34 },
      legend: { top: 0, right: 0 },
      xAxis: { type: 'category', data: points.map(p => String(p.fNumber)), name: 'f/', nameLocation: 'start' },
      yAxis: { type: 'value', min: 0, max: 1, axisLabel: { formatter: (n: number) => `${n * 100} %` } },
      series: [
        { name: 'in the plane', type: 'line', showSymbol: false, data: points.map(p => round(p.inPlane)) },
        {
          name: 'at the subject’s rim',
          type: 'line',
          showSymbol: false,
          lineStyle: { type: 'dashed' },
          data: points.map(p => round(p.atRim)),
        },
      ],
    }
  }, [still])
  return (
    <>
      <Wrap sx={{ gap: 1.25, mt: 1.5 }}>
        <DeskChoice
          label="Counts as sharp"
          value={scene.basis}
          options={[
            { value: 'print', label: 'in a print' },
            { value: 'pixel', label: 'at the pixel' },
            { value: 'own', label: 'your own circle' },
          ]}
          onChange={basis => change({ basis: basis as typeof scene.basis })}
        />
        {scene.basis === 'print' && <Num field="divisor" label="Frame diagonal /" />}
        {scene.basis === 'pixel' && <Num field="pixels" label="Pixels of blur" />}
        {scene.basis === 'own' && <Num field="circleMm" label="Circle, mm" />}
      </Wrap>
      <Chart
        label="Contrast of detail as fine as the circle, against the f-number: in the plane diffraction takes it, at the subject’s rim blur does"
        height={200}
        option={option}
      />
    </>
  )
}

const round = (n: number) => Number(n.toFixed(3))
