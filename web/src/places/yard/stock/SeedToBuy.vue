<script setup lang="ts">
import type { Answer } from '../../../../../contract/answers.ts'
import { computed, ref, shallowRef } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import type { SeedToBuy } from '@juvena/core/present/seedToBuy'
import { api } from '../../../stores/api.ts'
import { useFirm } from '../../../stores/firm.ts'

/**
 * What all jobs still have to sow, mix by mix: bought once for all of them, it takes fewer bags.
 */
const firm = useFirm()
const list = shallowRef<SeedToBuy[] | null>(null)
const failure = ref('')
api<Answer<'seasonSeed'>>('GET', '/season/seed').then(
  (answer) => (list.value = answer.toBuy),
  (error: Error) => (failure.value = error.message),
)
const bags = ({ packs }: SeedToBuy) =>
  packs?.counts.map((c) => `${c.count} × ${c.size} ${packs.unit}`).join(' + ') ?? ''
const spared = ({ packs, apart }: SeedToBuy) => (packs ? apart - packs.bought : 0)
const total = computed(() => (list.value ?? []).reduce((sum, s) => sum + s.wanted, 0))
</script>

<template>
  <section v-if="failure || list?.length" class="buy" aria-labelledby="seed-to-buy">
    <h2 id="seed-to-buy">
      Seed the jobs still want
      <span v-if="list" class="small soft">{{ firm.hand(total, 'kg') }} in all, with reserves</span>
    </h2>
    <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
    <ul v-if="list">
      <li v-for="s in list" :key="s.key">
        <div class="mix">
          <b>{{ firm.say(s.mix) }}</b>
          <p v-for="j in s.jobs" :key="j.job" class="small">
            <RouterLink :to="`/jobs/${j.job}/seed`">{{ j.name }}</RouterLink>
            <span class="soft">
              {{ firm.hand(j.kg, 'kg')
              }}{{ j.sowDay ? `, ${showDay(j.sowDay).slice(4)}` : '' }}</span
            >
            <span v-if="j.pans.length" class="pans">{{
              j.pans.map((p) => `${p.zone} ${firm.weighed(p.kg, 'kg', 2)}`).join(' · ')
            }}</span>
          </p>
        </div>
        <p class="n">{{ firm.hand(s.wanted, 'kg') }}</p>
        <div class="bags">
          <template v-if="s.packs">
            <b>{{ bags(s) }}</b>
            <p class="small soft">
              {{ s.fromShelf > 0 ? `${firm.hand(s.fromShelf, 'kg')} from the shelf; ` : ''
              }}{{ firm.hand(s.packs.left, 'kg') }} left over{{
                s.packs.cost === null ? '' : `; ${firm.text(s.packs.cost, 'money')}`
              }}
            </p>
            <p v-if="spared(s) > 0.005" class="small">
              {{ firm.hand(spared(s), 'kg') }} less than job by job
            </p>
          </template>
          <p v-else class="small soft">all of it is on the shelf</p>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.buy {
  margin-top: 1.6rem;
}
ul {
  list-style: none;
  margin: 0.3rem 0 0;
  padding: 0;
  border-top: 2px solid var(--ink);
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 6.5rem minmax(11rem, 0.8fr);
  gap: 0.3rem 1.2rem;
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--rule);
}
.pans {
  display: block;
  padding-left: 0.8rem;
}
.n {
  font-size: 1.25rem;
  text-align: right;
}
.mix p {
  line-height: 1.35;
}
@media (max-width: 640px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .bags {
    grid-column: 1 / -1;
  }
}
</style>
