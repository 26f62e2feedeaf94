<script setup lang="ts">
import { computed } from 'vue'
import type { ZoneDraft } from '@juvena/core/entities/job'
import { num } from '@juvena/core/trace/figure'
import type { ZoneFigure } from '@juvena/core/walkover/zoneFigures'
import FieldRow from '../../../parts/FieldRow.vue'
import QuantityField from '../../../parts/QuantityField.vue'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import CoverCount from '../readings/CoverCount.vue'
import TwoReadings from '../readings/TwoReadings.vue'
import { useZone } from './zoneEdits.ts'

/** What covers the ground: typed, or counted on the spot. */
const props = defineProps<{ zone: ZoneDraft }>()
const { problem, edit, set, patch, figure, figureText } = useZone(computed(() => props.zone))
const firm = useFirm()
const job = useJob()
const setCover = (key: 'wanted' | 'weeds' | 'moss' | 'bare', value: string | null) =>
  edit(`cover.${key}`, (z) => {
    z.cover = { ...z.cover, [key]: value }
  })
const counted = (part: ZoneFigure) =>
  /^survey\.(point-counts|quadrats)$/.test(figure(part)?.rule ?? '')
    ? `counted ${figureText(part)}`
    : ''
const covers = computed(() => job.plan?.survey.zones[props.zone.id]?.covers ?? null)
const useCover = (from: 'typed' | 'counted') =>
  from === 'counted'
    ? patch('cover', {
        cover: { ...props.zone.cover, wanted: null, weeds: null, moss: null, bare: null },
      })
    : patch('cover', { pointCounts: null, quadrats: [] })
const coverParts = computed(() =>
  (['wanted', 'weeds', 'moss', 'bare'] as const).map((key) => {
    const typed = props.zone.cover?.[key]
    const known = figure(key)
    return {
      key,
      share: typed ? Number(String(typed).replace('%', '')) || 0 : known ? num(known) : 0,
    }
  }),
)
const REST_NAMES = { wanted: 'wanted grass', weeds: 'weeds', moss: 'moss', bare: 'bare' }
/** What is still to be given of the cover, and of what it may be: pressed, the others are none. */
const rest = computed(() => {
  const cover = props.zone.cover
  const empty = (['bare', 'weeds', 'moss', 'wanted'] as const).filter((key) => {
    const typed = cover?.[key]
    return typed === null || typed === undefined || typed === ''
  })
  const share = Math.round(100 - coverSum.value)
  const some = empty.length > 0 && empty.length < 4 && share > 0 && !!problem('cover')
  return { share, keys: some ? empty : [] }
})
function setRest(of: keyof typeof REST_NAMES) {
  const { keys, share } = rest.value
  edit('cover.rest', (z) => {
    const cover: NonNullable<ZoneDraft['cover']> = { ...z.cover }
    for (const key of keys) cover[key] = key === of ? `${share} %` : '0 %'
    z.cover = cover
  })
}
const coverSum = computed(() => coverParts.value.reduce((s, p) => s + p.share, 0))
</script>

<template>
  <FieldRow name="Cover, % of the ground" class="cover">
    <QuantityField
      label="Wanted grass"
      kind="percent"
      :model-value="zone.cover?.wanted"
      :problem="problem('cover.wanted')"
      :hint="counted('wanted')"
      @update:model-value="setCover('wanted', $event)"
    />
    <QuantityField
      label="Weeds"
      kind="percent"
      :model-value="zone.cover?.weeds"
      :problem="problem('cover.weeds')"
      :hint="counted('weeds')"
      @update:model-value="setCover('weeds', $event)"
    />
    <QuantityField
      label="Moss"
      kind="percent"
      :model-value="zone.cover?.moss"
      :problem="problem('cover.moss')"
      :hint="counted('moss')"
      @update:model-value="setCover('moss', $event)"
    />
    <QuantityField
      label="Bare"
      kind="percent"
      :model-value="zone.cover?.bare"
      :problem="problem('cover.bare')"
      :hint="counted('bare')"
      @update:model-value="setCover('bare', $event)"
    />
    <QuantityField
      label="Incurable grassy weeds"
      kind="percent"
      :model-value="zone.incurable"
      :problem="problem('incurable')"
      hint="of the whole"
      @update:model-value="set('incurable', $event)"
    />
    <div class="bar" aria-hidden="true">
      <svg viewBox="0 0 100 6" preserveAspectRatio="none">
        <rect
          v-for="(p, i) in coverParts"
          :key="p.key"
          :class="p.key"
          :x="
            coverParts.slice(0, i).reduce((s, q) => s + q.share, 0) *
            (100 / Math.max(100, coverSum))
          "
          y="0"
          :width="p.share * (100 / Math.max(100, coverSum))"
          height="6"
        />
      </svg>
    </div>
    <p v-if="problem('cover')" class="wrong" role="alert">{{ problem('cover') }}</p>
    <p v-if="rest.keys.length" class="rest">
      <span class="small">The other {{ rest.share }} % is</span>
      <button
        v-for="key in rest.keys"
        :key="key"
        type="button"
        class="act slight"
        @click="setRest(key)"
      >
        {{ REST_NAMES[key] }}
      </button>
    </p>
    <TwoReadings
      v-if="covers"
      asks="Which cover is right?"
      :readings="[
        {
          key: 'typed',
          name: 'what is typed',
          value: firm.text(covers.typed, '%'),
          counts: true,
        },
        {
          key: 'counted',
          name: 'the count',
          value: firm.hand(covers.counted, '%'),
          counts: false,
        },
      ]"
      @pick="useCover($event as 'typed' | 'counted')"
    />
    <CoverCount :key="zone.id" :zone="zone" @set="set" />
  </FieldRow>
</template>

<style scoped>
.cover {
  grid-template-columns: repeat(4, 1fr) minmax(8.5rem, 1.4fr);
}
.rest {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}
.bar {
  grid-column: 1 / 5;
}
.bar svg {
  width: 100%;
  height: 0.45rem;
  background: var(--paper-deep);
  display: block;
}
.bar .wanted {
  fill: var(--moss);
}
.bar .weeds {
  fill: #b27a00;
}
.bar .moss {
  fill: #8fb07a;
}
.bar .bare {
  fill: #8b6440;
}
.wrong {
  grid-column: 1 / -1;
  color: var(--hold);
  font-size: var(--size-small);
}
@media (max-width: 640px) {
  .cover {
    grid-template-columns: repeat(2, 1fr);
  }
  .bar {
    grid-column: 1 / -1;
  }
}
</style>
