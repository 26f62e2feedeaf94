<script setup lang="ts">
import { computed, ref } from 'vue'
import { addDays, showDay } from '@juvena/core/calendar/day'
import { ink, useChart } from '../../parts/echart.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** Soil temperature ahead, with the window behind it and the cut-off. */
const firm = useFirm()
const job = useJob()
const at = ref<HTMLElement | null>(null)
const series = computed(() => (job.plan?.soilAhead ?? []).map((celsius, i) => ({ day: addDays(job.plan!.today, i), celsius })))
const shown = (celsius: number) => Number(firm.show(celsius, 'C').number.replace('−', '-').replace(',', ''))
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
    yAxis: { type: 'value', scale: true, axisLabel: { color: ink('soft') }, splitLine: { lineStyle: { color: ink('rule') } } },
    tooltip: { trigger: 'axis', valueFormatter: (v: unknown) => `${String(v)} ${firm.show(0, 'C').unit}` },
    series: [
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
          data: open.map((w) => [{ xAxis: showDay(w.from).slice(4) }, { xAxis: showDay(w.to).slice(4) }]),
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
const summary = computed(() => {
  const first = series.value[0]
  if (!first) return ''
  const cut = job.plan?.packages[0] ? String(job.plan.packages[0].cutOff.value) : null
  const then = series.value.find((d) => d.day === cut)
  return `Soil at ${firm.text(50, 'mm')}: ${firm.text(first.celsius, 'C')} today${then ? `, ${firm.text(then.celsius, 'C')} on the last day to sow, ${showDay(then.day)}` : ''}. Juvena’s model, drawn through your reading.`
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
