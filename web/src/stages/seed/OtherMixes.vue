<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import type { Shares } from '@juvena/core/seed/mix'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { setLotOfGrass } from './lotOfGrass.ts'

/**
 * What was weighed besides: grasses left out and why, the best mix without each of those in it, and
 * the usual rule of thumb.
 */
const props = defineProps<{ zone: ZoneSummary }>()
const firm = useFirm()
const job = useJob()
const all = ref(false)
const chosen = computed(() => sure(props.zone.seed).chosen)
const left = computed(() => (all.value ? chosen.value.left : chosen.value.left.slice(0, 4)))
const behind = (points: number) =>
  points > 0 ? `${points} ${points === 1 ? 'point' : 'points'} behind` : 'as good'
const others = computed(() => [
  ...chosen.value.without.map((w) => ({
    key: w.grass,
    name: `Without ${firm.grassShort(w.grass)}`,
    parts: w.parts,
    loses: w.loses,
  })),
  ...(chosen.value.shelf
    ? [
        {
          key: 'shelf',
          name: 'From your shelf',
          parts: chosen.value.shelf.parts,
          loses: chosen.value.shelf.loses,
        },
      ]
    : []),
  ...(chosen.value.thumb
    ? [
        {
          key: 'thumb',
          name: 'Rule of thumb',
          parts: chosen.value.thumb.parts,
          loses: chosen.value.thumb.loses,
        },
      ]
    : []),
])
/** Sows a bag from the shelf as it is: its shares, and for each grass its lot. */
function sow(bag: ZoneSummary['bags'][number]) {
  job.edit(`${props.zone.id}.mix.bag`, (d) => {
    const zone = sure(sure(d.zones).find((z) => z.id === props.zone.id))
    zone.mix = bag.parts.map(({ grass, share }) => ({ grass, share: Math.round(share * 10) / 10 }))
    for (const { grass } of bag.parts) setLotOfGrass(d, grass, { stock: bag.lot })
  })
}
const take = (parts: readonly Shares[]) =>
  job.edit(`${props.zone.id}.mix.take`, (d) => {
    const zone = sure(sure(d.zones).find((z) => z.id === props.zone.id))
    zone.mix = parts.map(({ grass, share }) => ({ grass, share }))
  })
</script>

<template>
  <div class="others">
    <section v-if="others.length || zone.bags.length">
      <h3>Other mixes</h3>
      <ul>
        <li v-for="o in others" :key="o.key">
          <span class="soft">{{ o.name }}</span> <b>{{ firm.mixText(o.parts) }}</b>
          <span class="small soft">{{ behind(o.loses) }}</span>
          <button type="button" class="plain small" @click="take(o.parts)">use it</button>
        </li>
        <li v-for="b in zone.bags" :key="b.lot">
          <span class="soft">Bag {{ b.number }}</span> <b>{{ firm.mixText(b.parts) }}</b>
          <span class="small" :class="b.verdict === 'wrong' ? 'no' : 'soft'">
            {{ b.verdict === 'wrong' ? 'wrong here' : b.loses === null ? '' : behind(b.loses)
            }}{{ firm.say(b.says) ? `: ${firm.say(b.says)}` : '' }}
          </span>
          <button type="button" class="plain small" @click="sow(b)">sow it</button>
        </li>
      </ul>
    </section>
    <section v-if="chosen.left.length">
      <h3>Left out</h3>
      <ul>
        <li v-for="l in left" :key="l.grass">
          <b>{{ firm.grassShort(l.grass) }}</b>: {{ firm.say(l.against) }}
        </li>
      </ul>
      <button
        v-if="chosen.left.length > 4"
        type="button"
        class="plain small"
        :aria-expanded="all"
        @click="all = !all"
      >
        {{ all ? 'show fewer' : `show all ${chosen.left.length}` }}
      </button>
    </section>
  </div>
</template>

<style scoped>
.others {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: 0.5rem 1.5rem;
}
h3 {
  font-size: var(--size-small);
  color: var(--soft);
  font-weight: 400;
  border-bottom: 1px solid var(--rule);
}
h3,
ul {
  margin: 0;
}
ul {
  list-style: none;
  padding: 0;
}
.no {
  color: var(--hold);
}
li {
  font-size: 0.9rem;
  line-height: 1.35;
  padding: 0.12rem 0;
}
</style>
