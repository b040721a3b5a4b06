'use client'

import { Box } from '@mui/material'
import { useTheme } from '@mui/material/styles'
import { BarChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { EChartsCoreOption } from 'echarts/core'
import { useEffect, useRef } from 'react'

echarts.use([BarChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer])

/** A colour of the theme as it is on the page now: a drawing cannot use a variable. */
const colour = (element: Element, name: string): string =>
  getComputedStyle(element).getPropertyValue(`--mui-palette-${name}`).trim()

/** A chart in the app's own colours and type, in either theme; what it says is told in words as well. */
export const Chart = ({ label, height, option }: { label: string; height: number; option: EChartsCoreOption }) => {
  const box = useRef<HTMLDivElement>(null)
  const theme = useTheme()
  useEffect(() => {
    const element = box.current
    if (!element) return
    const chart = echarts.init(element, null, { renderer: 'svg' })
    const draw = () => {
      const [text, line, background] = ['text-primary', 'divider', 'background-paper'].map(n => colour(element, n))
      const axis = {
        axisLabel: { color: text, fontSize: 13 },
        nameTextStyle: { color: text, fontSize: 13 },
        axisLine: { lineStyle: { color: line } },
        axisTick: { show: false },
        splitLine: { lineStyle: { color: line } },
      }
      chart.setOption(
        {
          animation: false,
          textStyle: { fontFamily: theme.typography.fontFamily, color: text },
          color: [colour(element, 'own-marigold-main'), colour(element, 'own-grade-near')],
          legend: { bottom: 0, right: 0, textStyle: { color: text, fontSize: 13 } },
          tooltip: { trigger: 'axis', backgroundColor: background, textStyle: { color: text } },
          ...option,
          xAxis: { ...axis, ...(option['xAxis'] as object) },
          yAxis: { ...axis, splitLine: { show: false }, ...(option['yAxis'] as object) },
        },
        true,
      )
    }
    draw()
    const resized = new ResizeObserver(() => chart.resize())
    resized.observe(element)
    const themed = new MutationObserver(draw)
    themed.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
    return () => {
      resized.disconnect()
      themed.disconnect()
      chart.dispose()
    }
  }, [option, theme])
  return <Box ref={box} role="img" aria-label={label} sx={{ height, minWidth: 0 }} />
}
