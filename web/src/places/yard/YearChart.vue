<script setup lang="ts">
import { computed, ref } from 'vue'
import { addDays, showDay } from '@juvena/core/calendar/day'
import type { YearPage } from '@juvena/core/present/yearPage'
import { ink, useChart } from '../../parts/echart.ts'
import { useFirm } from '../../stores/firm.ts'

/**
 * The usual year: days and nights, soil with its band, odds of a killing night, and how well cool
 * and warm grass grow.
 */
const props = defineProps<{ year: YearPage }>()
const firm = useFirm()
const at = ref<HTMLElement | null>(null)
const us = computed(() => firm.settings.units === 'us')
const degrees = (celsius: number) => Math.round((us.value ? celsius * 1.8 + 32 : celsius) * 10) / 10
const unit = computed(() => (us.value ? '°F' : '°C'))
const days = computed(() => props.year.low.map((_, i) => addDays(props.year.first, i)))
const names = computed(() => days.value.map((d) => showDay(d).slice(4)))

/**
 * Two lines with the ground between them filled: the lower one unseen, the difference stacked on
 * it.
 */
const band = (name: string, low: number[], high: number[], color: string) => [
  {
    type: 'line',
    name: `${name}, lower`,
    stack: name,
    stackStrategy: 'all',
    symbol: 'none',
    silent: true,
    data: low.map(degrees),
    lineStyle: { opacity: 0 },
    tooltip: { show: false },
  },
  {
    type: 'line',
    name,
    stack: name,
    stackStrategy: 'all',
    symbol: 'none',
    silent: true,
    data: high.map((h, i) => Math.round((degrees(h) - degrees(low[i]!)) * 10) / 10),
    lineStyle: { opacity: 0 },
    areaStyle: { color, opacity: 1 },
    tooltip: { show: false },
  },
]
useChart(at, () => {
  const { year } = props
  const label = { fontFamily: 'Atkinson Hyperlegible', color: ink('soft') }
  const line = (name: string, data: (number | null)[], color: string, more: object = {}) => ({
    type: 'line',
    name,
    data,
    symbol: 'none',
    lineStyle: { color, width: 2, ...more },
    itemStyle: { color },
  })
  const least = Math.floor(degrees(Math.min(...year.low)) / 5) * 5
  const most = Math.ceil(degrees(Math.max(...year.high)) / 5) * 5
  return {
    animation: false,
    textStyle: label,
    grid: { left: 48, right: 48, top: 24, bottom: 22 },
    xAxis: {
      type: 'category',
      data: names.value,
      axisTick: { show: false },
      axisLabel: {
        ...label,
        interval: (i: number) => days.value[i]!.endsWith('-15'),
        formatter: (name: string) => name.slice(-3),
      },
      splitLine: {
        show: true,
        interval: (i: number) => days.value[i]!.endsWith('-01'),
        lineStyle: { color: ink('rule') },
      },
    },
    yAxis: [
      {
        type: 'value',
        min: least,
        max: most,
        axisLabel: { ...label, formatter: `{value} ${unit.value}` },
        splitLine: { lineStyle: { color: ink('rule') } },
      },
      {
        type: 'value',
        min: 0,
        max: 100,
        axisLabel: { ...label, formatter: '{value} %' },
        splitLine: { show: false },
      },
    ],
    tooltip: { trigger: 'axis', confine: true, order: 'seriesAsc' },
    series: [
      ...band('usual day and night', year.low, year.high, ink('sun-wash')),
      ...band('soil, 8 years in 10', year.soilBand.low, year.soilBand.high, ink('clay-wash')),
      {
        ...line(`soil, ${unit.value}`, year.soil.map(degrees), ink('clay')),
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: ink('ink'), width: 2, type: 'solid' },
          label: {
            formatter: `today, ${showDay(addDays(year.first, year.today)).slice(4)}`,
            color: ink('ink'),
            fontWeight: 700,
            position: 'end',
            distance: 4,
          },
          data: [{ xAxis: names.value[year.today] }],
        },
      },
      {
        ...line(`${firm.hand(-2, 'C')} night, % of years`, year.frost, ink('water'), {
          type: 'dashed',
        }),
        yAxisIndex: 1,
      },
      { ...line('growth of cool grass, %', year.growth.cool, ink('moss')), yAxisIndex: 1 },
      {
        ...line('growth of warm grass, %', year.growth.warm, ink('moss'), { type: 'dotted' }),
        yAxisIndex: 1,
      },
    ],
  }
})
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const ordered = computed(() =>
  Array.from({ length: 12 }, (_, i) => (Number(props.year.first.slice(5, 7)) - 1 + i) % 12),
)
/** Days and nights that decide a season, and the warmth of a month. */
const counts = computed(() => [
  { name: `days of ${firm.text(32, 'C')} and more`, of: props.year.counts.hotDays },
  { name: 'nights of ground frost', of: props.year.counts.groundFrosts },
  {
    name: `warmth over ${firm.text(5, 'C')}, day-degrees`,
    of: props.year.counts.warmth.map((w) => (us.value ? Math.round(w * 1.8) : w)),
  },
])
const water = (mm: number) => (us.value ? (mm / 25.4).toFixed(1) : String(mm))
const words = computed(() => {
  const { year } = props
  const extreme = (of: number[], most: boolean) =>
    of.reduce((best, x, i) => ((most ? x > of[best]! : x < of[best]!) ? i : best), 0)
  const on = (i: number) => showDay(addDays(year.first, i)).slice(4)
  const [warm, cold] = [extreme(year.soil, true), extreme(year.soil, false)]
  const lacking = ordered.value.filter((m) => year.evaporation.monteith[m]! > year.rain.mm[m]!)
  const peak = year.evaporation.monteith.indexOf(Math.max(...year.evaporation.monteith))
  return `Soil from ${firm.text(year.soil[cold]!, 'C')} about ${on(cold)} to ${firm.text(year.soil[warm]!, 'C')} about ${on(warm)}; usual day in the warmest weeks ${firm.text(Math.max(...year.high), 'C')}, usual night in the coldest ${firm.text(Math.min(...year.low), 'C')}. Short grass uses more than falls in ${lacking.length === 0 ? 'no month' : lacking.map((m) => MONTHS[m]).join(', ')}. Hargreaves’ formula gives ${firm.text(year.evaporation.hargreaves[peak]!, 'mm')} for ${MONTHS[peak]}.`
})
</script>

<template>
  <figure>
    <ul class="key small" aria-hidden="true">
      <li><i class="swatch day"></i>usual day and night</li>
      <li><i class="swatch soil"></i>soil at {{ firm.text(50, 'mm') }}, 8 years in 10</li>
      <li>
        <i class="line frost"></i>years with a {{ firm.text(-2, 'C') }} night by then, or still to
        come
      </li>
      <li><i class="line cool"></i>growth of cool grass</li>
      <li><i class="line warm"></i>of warm grass</li>
    </ul>
    <div ref="at" class="chart" aria-hidden="true"></div>
    <div class="scroll" tabindex="0" role="region" aria-label="Rain and evaporation by month">
      <table class="small">
        <thead>
          <tr>
            <td></td>
            <th v-for="m in ordered" :key="m" class="n">{{ MONTHS[m] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">rain, {{ us ? 'in' : 'mm' }}</th>
            <td v-for="m in ordered" :key="m" class="n">{{ water(year.rain.mm[m]!) }}</td>
          </tr>
          <tr>
            <th scope="row">wet days</th>
            <td v-for="m in ordered" :key="m" class="n">{{ year.rain.wetDays[m] }}</td>
          </tr>
          <tr>
            <th
              scope="row"
              title="Reference evapotranspiration: Penman–Monteith after FAO 56 from usual temperatures"
            >
              short grass uses
            </th>
            <td
              v-for="m in ordered"
              :key="m"
              class="n"
              :class="{ lacks: year.evaporation.monteith[m]! > year.rain.mm[m]! }"
            >
              {{ water(year.evaporation.monteith[m]!) }}
            </td>
          </tr>
          <tr v-for="c in counts" :key="c.name">
            <th scope="row">{{ c.name }}</th>
            <td v-for="m in ordered" :key="m" class="n">{{ c.of[m] || '·' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <figcaption class="small soft">{{ words }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.4rem 0.6rem;
  margin: 0.4rem 0;
}
figcaption {
  padding-top: 0.4rem;
}
.chart {
  /* Until it is drawn anew for a narrower window, what is over stays out of sight. */
  overflow: hidden;
  height: 12.5rem;
}
td,
th {
  padding: 0.1rem 0.3rem;
  border-bottom: 0;
  vertical-align: baseline;
}
thead th {
  border-bottom: 1px solid var(--rule);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th[scope='row'] {
  font-weight: 400;
  color: var(--soft);
  text-align: left;
  white-space: nowrap;
  width: 9rem;
}
.scroll {
  overflow-x: auto;
}
.n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.lacks {
  font-weight: 700;
}
.key {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 1.1rem;
}
.swatch {
  display: inline-block;
  width: 1.1rem;
  height: 0.8rem;
  margin-right: 0.35rem;
  vertical-align: -1px;
}
.swatch.day {
  background: var(--sun-wash);
}
.swatch.soil {
  background: var(--clay-wash);
  border-bottom: 2px solid var(--clay);
}
.line {
  display: inline-block;
  width: 1.3rem;
  height: 0;
  margin-right: 0.35rem;
  vertical-align: 4px;
  border-top: 2px solid var(--moss);
}
.line.frost {
  border-top: 2px dashed var(--water);
}
.line.warm {
  border-top-style: dotted;
}
</style>
