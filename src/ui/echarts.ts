import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { type EChartsType, init, use as register } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

/**
 * A chart in an element, made of the parts of the library that are used; a script of its own, see `Chart.tsx`. They are
 * registered in here: what a module only does while it is loaded may be left out of a build.
 */
export const chartIn = (element: HTMLElement): EChartsType => {
  register([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer])
  return init(element, null, { renderer: 'svg' })
}
