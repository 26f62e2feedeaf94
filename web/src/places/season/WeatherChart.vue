<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StationDay } from '@juvena/core/climate/station'
import { ink, useChart } from '../../parts/echart.ts'
import { useFirm } from '../../stores/firm.ts'

/**
 * Soil temperature as a line, rain as bars, each over its own day column: the outlook, and the
 * usual soil after it.
 */
/** `usual` is the soil of the weeks that follow the outlook, by day from the first. */
const props = defineProps<{
  days: StationDay[]
  usual: number[]
  columns: number
  source: string
}>()
const firm = useFirm()
const at = ref<HTMLElement | null>(null)
const plain = (text: string) => Number(text.replace('−', '-').replace(',', ''))
const shown = (celsius: number) => plain(firm.show(celsius, 'C').number)
const soil = computed(() =>
  Array.from({ length: props.columns }, (_, i) =>
    i < props.days.length ? shown(props.days[i]!.soil) : null,
  ),
)
const later = computed(() =>
  Array.from({ length: props.columns }, (_, i) =>
    i < props.days.length - 1
      ? null
      : i < props.days.length
        ? soil.value[i]!
        : props.usual[i] === undefined
          ? null
          : shown(props.usual[i]!),
  ),
)
const rain = computed(() => props.days.map((d) => plain(firm.show(d.rain, 'mm').number)))
/** Bars are drawn to one scale, so that a drizzle never looks like a downpour, mm. */
const FULL_BAR = 10
useChart(at, () => {
  const wet = Math.max(...rain.value, plain(firm.show(FULL_BAR, 'mm').number))
  const drawn = [...soil.value, ...later.value].flatMap((t) => t ?? [])
  const low = Math.min(...drawn)
  const high = Math.max(...drawn)
  const room = Math.max(high - low, 0.5)
  const label = { fontFamily: 'Atkinson Hyperlegible', fontSize: 11 }
  return {
    animation: false,
    grid: { left: 0, right: 0, top: 16, bottom: 0 },
    xAxis: {
      type: 'category',
      show: false,
      data: Array.from({ length: props.columns }, (_, i) => i),
    },
    yAxis: [
      { type: 'value', show: false, min: low - room * 1.6, max: high + room * 0.3 },
      { type: 'value', show: false, min: 0, max: wet * 2.7 },
    ],
    series: [
      {
        type: 'bar',
        yAxisIndex: 1,
        barWidth: '62%',
        data: rain.value,
        itemStyle: { color: ink('water') },
        label: {
          show: true,
          position: 'top',
          ...label,
          color: ink('water'),
          formatter: (p: { value: number }) =>
            p.value > 0 && p.value >= wet * 0.1 ? String(p.value) : '',
        },
      },
      {
        type: 'line',
        symbol: 'none',
        data: soil.value,
        lineStyle: { color: ink('clay'), width: 2 },
        label: { show: false },
      },
      {
        type: 'line',
        symbol: 'none',
        data: later.value,
        lineStyle: { color: ink('clay'), width: 2, type: 'dotted' },
      },
    ],
  }
})
const summary = computed(() => {
  const first = props.days[0]!
  const last = props.days.at(-1)!
  const wettest = [...props.days].sort((a, b) => b.rain - a.rain)[0]!
  return {
    soil: `soil ${firm.show(first.soil, 'C').number} → ${firm.text(last.soil, 'C')} at ${firm.text(50, 'mm')}`,
    rain: `rain bars, most ${firm.hand(wettest.rain, 'rain')}; ${props.source}, then as usual`,
  }
})
</script>

<template>
  <figure>
    <figcaption>
      <span class="soil">{{ summary.soil }}</span> <span class="rain">{{ summary.rain }}</span>
    </figcaption>
    <div ref="at" class="canvas" aria-hidden="true"></div>
  </figure>
</template>

<style scoped>
figure {
  height: 100%;
  position: relative;
}
.canvas {
  position: absolute;
  inset: 0;
}
figcaption {
  position: absolute;
  inset: 0 0 auto 0;
  display: flex;
  justify-content: space-between;
  font-size: 0.75rem;
  z-index: 1;
  line-height: 1.2;
}
.soil {
  color: var(--clay);
}
.rain {
  color: var(--water);
}
</style>
