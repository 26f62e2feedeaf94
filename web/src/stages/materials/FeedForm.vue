<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { JobDraft } from '@juvena/core/entities/job'
import { joined, onDay, say } from '@juvena/core/rules/message'
import FigureValue from '../../parts/FigureValue.vue'
import QuantityField from '../../parts/QuantityField.vue'
import SchoolChoice from '../../parts/SchoolChoice.vue'
import TextField from '../../parts/TextField.vue'
import YesNoField from '../../parts/YesNoField.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** The feed of the job by its bag, and how the ground is fed on after it. */
type Feed = NonNullable<JobDraft['feed']>
const firm = useFirm()
const job = useJob()
const feed = computed(() => job.draft?.feed)
const starter = computed(() => job.plan?.feed?.use === 'starter')
const programme = computed(() => job.plan?.schools.programme ?? 'one-dose')
const rounds = computed(() => job.plan?.steps.filter((s) => s.kind === 'feed-round') ?? [])
const days = computed(() => {
  const list = [...new Set(rounds.value.map((s) => s.chosen))].sort()
  return firm.say(
    joined(
      list.map((day) => say`${onDay(day)}`),
      ', ',
    ),
  )
})
const covers = computed(() => `or what it covers: ${firm.units === 'us' ? '20 lb on 4,000 sq ft' : '10 kg on 400 m²'}`) // prettier-ignore
const set = <K extends keyof Feed>(key: K, value: Feed[K]) =>
  job.edit(`feed.${String(key)}`, (d) => {
    d.feed = { ...d.feed, [key]: value }
  })
const setNext = <K extends keyof NonNullable<Feed['next']>>(
  key: K,
  value: NonNullable<Feed['next']>[K],
) =>
  job.edit(`feed.next.${String(key)}`, (d) => {
    d.feed = { ...d.feed, next: { ...d.feed?.next, [key]: value } }
  })
</script>

<template>
  <h3>{{ starter ? 'Starter feed' : 'Feed' }}</h3>
  <div class="row">
    <TextField
      label="Grade, N-P₂O₅-K₂O"
      :model-value="feed?.grade"
      :placeholder="job.plan?.feed?.grade"
      :problem="job.problemAt('feed.grade')"
      :maxlength="40"
      @update:model-value="set('grade', $event || null)"
    />
    <QuantityField
      label="Rate on the bag"
      kind="rate"
      :model-value="feed?.bagRate"
      :problem="job.problemAt('feed.bagRate')"
      :hint="covers"
      @update:model-value="set('bagRate', $event)"
    />
    <QuantityField
      v-if="!feed?.bagRate"
      label="Nitrogen wanted"
      kind="rate"
      :model-value="feed?.nitrogen"
      :problem="job.problemAt('feed.nitrogen')"
      hint="½–1 lb/1,000 ft² is usual"
      @update:model-value="set('nitrogen', $event)"
    />
    <QuantityField
      label="Slow-release share"
      kind="percent"
      :model-value="feed?.slowShare"
      :problem="job.problemAt('feed.slowShare')"
      @update:model-value="set('slowShare', $event)"
    />
    <dl v-if="job.plan?.feed" class="lays">
      <div>
        <dt>product</dt>
        <dd><FigureValue :id="job.plan.feed.rate" /></dd>
      </div>
      <div>
        <dt>P₂O₅ → P</dt>
        <dd><FigureValue :id="job.plan.feed.p2o5" /> → <FigureValue :id="job.plan.feed.p" /></dd>
      </div>
      <div>
        <dt>K₂O → K</dt>
        <dd><FigureValue :id="job.plan.feed.k2o" /> → <FigureValue :id="job.plan.feed.k" /></dd>
      </div>
      <div>
        <dt>most N at once</dt>
        <dd><FigureValue :id="job.plan.feed.ceiling" /></dd>
      </div>
      <div v-if="job.plan.feed.year.p2o5">
        <dt>P₂O₅ in the year</dt>
        <dd><FigureValue :id="job.plan.feed.year.p2o5" /></dd>
      </div>
      <div v-if="job.plan.feed.year.k2o">
        <dt>K₂O in the year</dt>
        <dd><FigureValue :id="job.plan.feed.year.k2o" /></dd>
      </div>
      <div>
        <dt>spreader setting</dt>
        <dd>
          <FigureValue v-if="job.plan.feed.setting" :id="job.plan.feed.setting" />
          <RouterLink v-else to="/yard/firm">try a strip</RouterLink>
        </dd>
      </div>
      <div>
        <dt>strip test</dt>
        <dd><FigureValue :id="job.plan.feed.strip" /></dd>
      </div>
    </dl>
    <p v-if="job.plan?.feed?.tryNext" class="small soft lays">
      {{ firm.say(job.plan.feed.tryNext) }}
    </p>
  </div>
  <div class="on">
    <SchoolChoice choice="programme" />
    <div class="row">
      <QuantityField
        label="Nitrogen given this year"
        kind="rate"
        :model-value="feed?.given"
        :problem="job.problemAt('feed.given')"
        hint="as nitrogen, not as product"
        @update:model-value="set('given', $event)"
      />
      <QuantityField
        label="P₂O₅ given this year"
        kind="rate"
        :model-value="feed?.givenPhosphate"
        :problem="job.problemAt('feed.givenPhosphate')"
        @update:model-value="set('givenPhosphate', $event)"
      />
      <QuantityField
        label="K₂O given this year"
        kind="rate"
        :model-value="feed?.givenPotash"
        :problem="job.problemAt('feed.givenPotash')"
        @update:model-value="set('givenPotash', $event)"
      />
      <YesNoField
        label="Clippings lie on it"
        :model-value="feed?.clippings"
        hint="they return up to a quarter"
        @update:model-value="set('clippings', $event)"
      />
    </div>
  </div>
  <template v-if="programme !== 'one-dose' && rounds.length">
    <p class="small">
      <b>{{ rounds.length === 1 ? 'Fed again' : `Fed again ${rounds.length} times` }}:</b>
      {{ days }}.
    </p>
    <div class="row">
      <TextField
        label="Its grade"
        :model-value="feed?.next?.grade"
        :placeholder="programme === 'harden' ? '3-12-12' : '20-0-5'"
        :problem="job.problemAt('feed.next.grade')"
        :maxlength="40"
        @update:model-value="setNext('grade', $event || null)"
      />
      <QuantityField
        label="Its rate on the bag"
        kind="rate"
        :model-value="feed?.next?.bagRate"
        :problem="job.problemAt('feed.next.bagRate')"
        :hint="covers"
        @update:model-value="setNext('bagRate', $event)"
      />
      <QuantityField
        label="Its slow-release share"
        kind="percent"
        :model-value="feed?.next?.slowShare"
        :problem="job.problemAt('feed.next.slowShare')"
        @update:model-value="setNext('slowShare', $event)"
      />
    </div>
  </template>
</template>

<style scoped>
h3 {
  border-bottom: 1px solid var(--ink);
  margin-bottom: 0.35rem;
}
p {
  margin: 0 0 0.35rem;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.3rem 1rem;
  margin-bottom: 0.5rem;
}
.on {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 0 1.2rem;
  align-items: start;
}
.lays {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.75rem;
}
dt {
  font-size: 0.75rem;
  color: var(--soft);
}
@media (max-width: 760px) {
  .on {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
