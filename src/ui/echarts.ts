import { BarChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { init, use as register } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

/** The parts of the chart library that are used; a script of its own, see `Chart.tsx`. */
register([BarChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer])

export { init }
