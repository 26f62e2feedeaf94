<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import { addDays, showDay } from '@juvena/core/calendar/day'
import { ink, useChart } from '../../parts/echart.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/**
 * Soil temperature ahead with its band of years, the window behind it, the cut-off, and rain in the
 * outlook.
 */
const firm = useFirm()
const job = useJob()
const at = ref<HTMLElement | null>(null)
const series = computed(() =>
  (job.plan?.soilAhead ?? []).map((celsius, i) => ({
    day: addDays(sure(job.plan).today, i),
    celsius,
  })),
)
const shown = (celsius: number) =>
  Number(firm.show(celsius, 'C').number.replace('−', '-').replace(',', ''))
const band = computed(() => ({
  low: (job.plan?.soilBand.low ?? []).map(shown),
  high: (job.plan?.soilBand.high ?? []).map(shown),
}))
const rain = computed(() => {
  const on = new Map(job.weather.outlook?.days.map((d) => [d.day, d.rain]) ?? [])
  return series.value.map((d) =>
    on.has(d.day) ? Number(firm.show(sure(on.get(d.day)), 'mm').number.replace(',', '')) : null,
  )
})
useChart(at, () => {
  const pack = job.plan?.packages[0]
  const open = pack?.window.filter((w) => w.state === 'open') ?? []
  return {
    animation: false,
    textStyle: { fontFamily: 'Atkinson Hyperlegible', color: ink('ink') },
    grid: { left: 38, right: 12, top: 18, bottom: 24 },
    xAxis: {
      type: 'category',
      data: series.value.map((d) => showDay(d.day).slice(4)),
      axisLabel: { interval: 13, color: ink('soft') },
      axisTick: { show: false },
    },
    yAxis: [
      {
        type: 'value',
        scale: true,
        axisLabel: { color: ink('soft') },
        splitLine: { lineStyle: { color: ink('rule') } },
      },
      {
        type: 'value',
        show: false,
        min: 0,
        max: Math.max(20, ...rain.value.map((x) => x ?? 0)) * 3,
      },
    ],
    tooltip: {
      trigger: 'axis',
      formatter: (list: { dataIndex: number }[]) => {
        const i = list[0]?.dataIndex ?? 0
        const d = series.value[i]!
        const wet = rain.value[i]
        return `${showDay(d.day)}<br>soil ${firm.text(Math.round(d.celsius * 10) / 10, 'C')}; 8 years in 10 ${band.value.low[i]} to ${band.value.high[i]}${wet === null || wet === undefined ? '' : `<br>rain ${wet} ${firm.show(1, 'mm').unit}`}`
      },
    },
    series: [
      {
        type: 'line',
        name: 'band, lower',
        stack: 'band',
        stackStrategy: 'all',
        symbol: 'none',
        silent: true,
        data: band.value.low,
        lineStyle: { opacity: 0 },
      },
      {
        type: 'line',
        name: '8 years in 10',
        stack: 'band',
        stackStrategy: 'all',
        symbol: 'none',
        silent: true,
        data: band.value.high.map((h, i) => Math.round((h - band.value.low[i]!) * 10) / 10),
        lineStyle: { opacity: 0 },
        areaStyle: { color: ink('clay-wash'), opacity: 1 },
      },
      {
        type: 'bar',
        name: 'rain in the outlook',
        yAxisIndex: 1,
        data: rain.value,
        barWidth: '70%',
        itemStyle: { color: ink('water') },
      },
      {
        type: 'line',
        name: 'soil',
        showSymbol: false,
        data: series.value.map((d) => shown(d.celsius)),
        lineStyle: { color: ink('clay'), width: 2 },
        itemStyle: { color: ink('clay') },
        markArea: {
          silent: true,
          itemStyle: { color: ink('moss-wash') },
          data: open.map((w) => [
            { xAxis: showDay(w.from).slice(4) },
            { xAxis: showDay(w.to).slice(4) },
          ]),
        },
        markLine: pack
          ? {
              silent: true,
              symbol: 'none',
              lineStyle: { color: ink('hold'), width: 2, type: 'solid' },
              label: { formatter: 'last sowing', color: ink('hold') },
              data: [{ xAxis: showDay(String(pack.cutOff.value)).slice(4) }],
            }
          : undefined,
      },
    ],
  }
})
const odds = computed(() => {
  const f = job.plan?.frost
  const [tenth, even] = [job.figure(f?.tenth), job.figure(f?.median)]
  return tenth && even
    ? `First ${firm.text(-2, 'C')} night: 1 year in 10 by ${showDay(String(tenth.value)).slice(4)}, even by ${showDay(String(even.value)).slice(4)}.`
    : ''
})
const summary = computed(() => {
  const first = series.value[0]
  if (!first) return ''
  const cut = job.plan?.packages[0] ? String(job.plan.packages[0].cutOff.value) : null
  const then = series.value.find((d) => d.day === cut)
  return `Soil at ${firm.text(50, 'mm')}: ${firm.text(first.celsius, 'C')} today${then ? `, ${firm.text(then.celsius, 'C')} on the last day to sow, ${showDay(then.day)}` : ''}. The shade behind it holds 8 years in 10; bars are rain in the outlook. ${odds.value}`
})
</script>

<template>
  <figure>
    <div ref="at" class="chart" aria-hidden="true"></div>
    <figcaption class="small soft">{{ summary }}</figcaption>
  </figure>
</template>

<style scoped>
.chart {
  height: 11rem;
  width: 100%;
}
</style>
