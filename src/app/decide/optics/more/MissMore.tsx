'use client'

import { useDeferredValue, useMemo } from 'react'
import { blurOfMiss } from '@/core/optics/answers/miss'
import { blurCurve } from '@/core/optics/curves'
import { METRES_PER_FOOT } from '@/core/lenses/distance'
import { Chart } from '@/ui/Chart'
import { BlurredEye } from '@/ui/optics/BlurredEye'
import { Wrap } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { useDesk } from '../desk'
import { Length } from '../fields'

const EYE_MM = 24

export const MissMore = () => {
  const { scene, r } = useDesk()
  const [units] = useUnits()
  const blur = blurOfMiss(r, scene.miss)
  const still = useDeferredValue(r)
  const option = useMemo(() => {
    const [unit, per] = units === 'metric' ? ['cm', 0.01] : ['in', METRES_PER_FOOT / 12]
    return {
      grid: { left: 46, right: 24, top: 28, bottom: 34 },
      legend: { show: false },
      xAxis: { type: 'value', name: unit, min: 'dataMin', max: 'dataMax' },
      yAxis: { type: 'value', name: 'pixels' },
      series: [
        {
          name: 'blur',
          type: 'line',
          showSymbol: false,
          data: blurCurve(still).map(p => [
            Number((p.miss / per).toPrecision(3)),
            Number((p.blurMm / still.pitchMm).toPrecision(3)),
          ]),
        },
      ],
    }
  }, [still, units])
  return (
    <>
      <Wrap sx={{ gap: 1.25, my: 1.5 }}>
        <Length field="miss" label="Focus error" helper="behind the subject; in front negative" />
      </Wrap>
      <BlurredEye
        blur={blur / (EYE_MM * r.magnification)}
        blurPixels={blur / r.pitchMm}
        eyePixels={(EYE_MM * r.magnification) / r.pitchMm}
      />
      <Chart label="Blur of the subject in pixels against how far the plane is from it" height={190} option={option} />
    </>
  )
}
