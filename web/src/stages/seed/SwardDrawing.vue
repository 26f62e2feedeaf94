<script setup lang="ts">
import { computed } from 'vue'
import type { GrassId } from '@juvena/core/reference/grasses'
import { useFirm } from '../../stores/firm.ts'

/**
 * What will stand: a strip of lawn drawn plant by plant, each grass by its share of the plants, its
 * leaf and its green.
 */
/** `stands` is how many of the plants last, %: the others leave gaps. */
const props = defineProps<{
  plants: readonly { grass: GrassId; share: number }[]
  cut: number
  stands?: number
  small?: boolean
}>()
const firm = useFirm()

/** Plants drawn. */
const plantsDrawn = computed(() => (props.small ? 32 : 96))
const width = computed(() => plantsDrawn.value * 10)
const HEIGHT = 86
const GREENS: Record<string, readonly [string, string]> = {
  light: ['#9cb85a', '#84a347'],
  mid: ['#5f9150', '#4d7c41'],
  dark: ['#33683a', '#28552f'],
}

/**
 * Which grass each plant is: the one that lags most behind its share, so that kinds are well mixed
 * and the same mix is drawn the same.
 */
const stand = computed(() => {
  const total = props.plants.reduce((sum, p) => sum + p.share, 0) || 1
  const owed = props.plants.map(() => 0)
  return Array.from({ length: plantsDrawn.value }, () => {
    props.plants.forEach((p, i) => (owed[i]! += p.share / total))
    const next = owed.indexOf(Math.max(...owed))
    owed[next]! -= 1
    return next
  })
})
/** A number between 0 and 1 that looks like chance and is always the same. */
const jitter = (i: number, of: number) => (Math.sin(i * 12.9898 + of * 78.233) * 43758.5453) % 1
/** Whether a plant is one of those that do not last: they lie evenly among the others. */
const lost = (i: number) =>
  props.stands !== undefined &&
  Math.floor(((i + 1) * (100 - props.stands)) / 100) > Math.floor((i * (100 - props.stands)) / 100)
const blades = computed(() =>
  stand.value.flatMap((kind, i) => {
    if (lost(i)) return []
    const grass = firm.grasses[props.plants[kind]!.grass]
    if (!grass) return []
    const leaf = Math.max(1.4, Math.min(9, grass.leaf * 1.5))
    const tall = Math.max(26, Math.min(74, 40 + props.cut * 0.4))
    const x = (i + 0.5) * 10
    // A plant is a fan of three leaves from one foot.
    return [-1, 0, 1].map((side) => {
      const lean = side * 7 + jitter(i, side) * 5
      const top = HEIGHT - 6 - tall * (0.86 + 0.14 * Math.abs(jitter(i, side + 3)))
      const half = leaf / 2
      return {
        key: `${i}.${side}`,
        fill: GREENS[grass.colour]![side === 0 ? 0 : 1],
        path: `M${x - half} ${HEIGHT - 6} Q${x - half + lean * 0.3} ${(HEIGHT + top) / 2} ${x + lean} ${top} Q${x + half + lean * 0.3} ${(HEIGHT + top) / 2} ${x + half} ${HEIGHT - 6} Z`,
      }
    })
  }),
)
const said = computed(() =>
  props.plants
    .map((p) => `${Math.round(p.share)} of 100 plants ${firm.grassShort(p.grass)}`)
    .join(', '),
)
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`What will stand: ${said}.`"
    >
      <path v-for="b in blades" :key="b.key" :d="b.path" :fill="b.fill" />
      <rect x="0" :y="HEIGHT - 7" :width="width" height="7" class="soil" />
    </svg>
    <figcaption class="only-read">{{ said }}</figcaption>
  </figure>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 72px;
}
.soil {
  fill: #6b4a30;
}
</style>
