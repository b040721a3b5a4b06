'use client'

import { type Theme, useTheme } from '@mui/material/styles'
import type { EChartsCoreOption, EChartsType } from 'echarts/core'
import { useEffect, useRef, useState } from 'react'
import { Box, Typography } from './elements'

/** A colour of the theme as it is on the page now: a drawing cannot use a variable. */
const colour = (element: Element, name: string): string =>
  getComputedStyle(element).getPropertyValue(`--mui-palette-${name}`).trim()

/** What is asked for, in the app's own colours and type. */
const styled = (element: Element, theme: Theme, option: EChartsCoreOption): EChartsCoreOption => {
  const [text, line, background] = ['text-primary', 'divider', 'background-paper'].map(n => colour(element, n))
  const axis = {
    axisLabel: { color: text, fontSize: 13 },
    nameTextStyle: { color: text, fontSize: 13 },
    axisLine: { lineStyle: { color: line } },
    axisTick: { show: false },
    splitLine: { lineStyle: { color: line } },
  }
  return {
    animation: false,
    textStyle: { fontFamily: theme.typography.fontFamily, color: text },
    color: [colour(element, 'own-marigold-main'), colour(element, 'own-grade-near')],
    legend: { bottom: 0, right: 0, textStyle: { color: text, fontSize: 13 } },
    tooltip: { trigger: 'axis', backgroundColor: background, textStyle: { color: text } },
    ...option,
    xAxis: { ...axis, ...(option['xAxis'] as object) },
    yAxis: { ...axis, splitLine: { show: false }, ...(option['yAxis'] as object) },
  }
}

/** How far below the screen a chart may be when its library is fetched. */
const AHEAD = '300px'

/** A chart in either theme; what it says is told in words as well. Its library comes when it is about to be seen. */
export const Chart = ({ label, height, option }: { label: string; height: number; option: EChartsCoreOption }) => {
  const box = useRef<HTMLDivElement>(null)
  const theme = useTheme()
  const [chart, setChart] = useState<EChartsType>()
  const [isMissing, setMissing] = useState(false)

  useEffect(() => {
    const element = box.current
    if (!element) return
    let made: EChartsType | undefined
    let isGone = false
    const seen = new IntersectionObserver(
      entries => {
        if (!entries.some(e => e.isIntersecting)) return
        seen.disconnect()
        import('./echarts')
          .then(({ chartIn }) => {
            if (isGone) return
            made = chartIn(element)
            setChart(made)
          })
          .catch(() => setMissing(true))
      },
      { rootMargin: AHEAD },
    )
    seen.observe(element)
    const resized = new ResizeObserver(() => made?.resize())
    resized.observe(element)
    return () => {
      isGone = true
      seen.disconnect()
      resized.disconnect()
      made?.dispose()
    }
  }, [])

  useEffect(() => {
    const element = box.current
    if (!element || !chart) return
    const draw = () => chart.setOption(styled(element, theme, option), true)
    draw()
    const themed = new MutationObserver(draw)
    themed.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
    return () => themed.disconnect()
  }, [chart, option, theme])

  return (
    <>
      <Box ref={box} role="img" aria-label={label} sx={{ height, minWidth: 0 }} />
      {isMissing && (
        <Typography variant="body2" color="textSecondary">
          The drawing could not be loaded; the figures stand beside it.
        </Typography>
      )}
    </>
  )
}
