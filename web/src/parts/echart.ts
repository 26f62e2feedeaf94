import { BarChart, LineChart } from 'echarts/charts'
import {
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { init, use, type EChartsCoreOption } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { onBeforeUnmount, onMounted, watch, type Ref } from 'vue'

use([
  BarChart,
  LineChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
  CanvasRenderer,
])

/** Draws a chart in an element and redraws it when its option or the element's size changes. */
export function useChart(element: Ref<HTMLElement | null>, option: () => EChartsCoreOption): void {
  let chart: ReturnType<typeof init> | null = null
  let sized: ResizeObserver | null = null
  onMounted(() => {
    if (!element.value) return
    chart = init(element.value)
    chart.setOption(option())
    sized = new ResizeObserver(() => chart?.resize())
    sized.observe(element.value)
  })
  watch(option, (next) => chart?.setOption(next, true))
  onBeforeUnmount(() => {
    sized?.disconnect()
    chart?.dispose()
  })
}

/** A colour of the theme in force, for canvases that cannot read it themselves. */
export const ink = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
