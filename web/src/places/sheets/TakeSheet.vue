<script setup lang="ts">
import { computed } from 'vue'
import { daysBetween, showDay } from '@juvena/core/calendar/day'
import { lastVisit } from '@juvena/core/entities/diary'
import { TAKE_CAUSES } from '@juvena/core/establish/take/causes'
import { againSaid, customerTold, ofPromised } from '@juvena/core/present/takeSaid'
import { answerSaid, TAKE_SIGNS, type TakeSign } from '@juvena/core/reference/takeSigns'
import { exactInterval } from '@juvena/core/stock/binomial'
import { useTake } from '../../stages/diary/take/judgeZone.ts'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
import { usePhotos } from '../../stores/photos.ts'
import SheetHead from './SheetHead.vue'

/** What the customer is told of ground that did not come up; or the claim on the lot that was sown. */
const props = defineProps<{ claim: boolean; zone: string }>()
const firm = useFirm()
const job = useJob()
const photos = usePhotos()
const visit = computed(() => lastVisit(job.diary, props.zone))
const asked = computed(() => ({
  zone: props.zone,
  seen: visit.value?.take?.seen ?? {},
  missing: visit.value?.take?.missing ?? null,
}))
const { found: take, failure } = useTake(asked)
const name = computed(() => job.plan?.zones.find((z) => z.id === props.zone)?.name ?? '')
const again = computed(() => (take.value ? againSaid(take.value) : []))
const promised = computed(() => (take.value?.counted ? ofPromised(take.value.counted) : null))
const seen = computed(() =>
  Object.entries(asked.value.seen).map(([sign, answer]) => ({
    asks: TAKE_SIGNS[sign as TakeSign].asks,
    says: answerSaid(sign as TakeSign, answer),
  })),
)
const pictures = computed(() => photos.all.filter((p) => p.zone === props.zone).slice(0, 6))
const percent = (share: number) => `${Math.round(100 * share)} %`
const interval = (sprouted: number, seeds: number) => {
  const { low, high } = exactInterval(sprouted, seeds)
  return `${percent(low)} to ${percent(high)}`
}
</script>

<template>
  <section>
    <SheetHead :title="claim ? 'Claim on a lot of seed' : 'Why it has not come up'" />
    <p v-if="failure" class="soft">{{ failure }}</p>
    <p v-else-if="!take" class="soft">Working it out…</p>
    <p v-else-if="!visit">
      Save a visit under Diary, “It does not come up”, first: this sheet prints what was seen then.
    </p>
    <template v-else>
      <h3>{{ name }}</h3>
      <p>
        <template v-if="take.sown"
          >Sown {{ showDay(take.sown, true) }}; looked at {{ showDay(visit.date, true) }}, day
          {{ daysBetween(take.sown, visit.date)
          }}{{ visit.who ? `, by ${visit.who}` : '' }}.</template
        >
        <template v-else
          >Looked at {{ showDay(visit.date, true)
          }}{{ visit.who ? ` by ${visit.who}` : '' }}.</template
        >
        <template v-if="asked.missing !== null">
          About {{ asked.missing }} % of it is missing.</template
        >
      </p>
      <h3>What was seen</h3>
      <table>
        <tbody>
          <tr v-for="s in seen" :key="s.asks">
            <td>{{ s.asks }}</td>
            <td>
              <b>{{ s.says }}</b>
            </td>
          </tr>
          <tr v-if="take.counted && promised">
            <td>
              Plants counted, {{ take.counted.frames }} frames of
              {{ firm.hand(1000 * take.counted.side, 'mm') }}, {{ showDay(take.counted.on, true) }}
            </td>
            <td>
              <b>{{ promised.is }} % of those promised</b>
              ({{ promised.low }} to {{ promised.high }} %)
            </td>
          </tr>
          <tr v-if="take.bed">
            <td>Water</td>
            <td>
              {{
                take.bed.log.logged > 0
                  ? `given on ${take.bed.log.watered} of ${take.bed.log.logged} days that were logged, of ${take.bed.log.of}`
                  : 'no log was kept'
              }}
            </td>
          </tr>
          <tr v-if="take.bed">
            <td>Warmth of the soil since</td>
            <td>
              {{
                take.bed.near.warmthThere >= 1
                  ? 'enough to bring up the slowest grass'
                  : `${Math.round(100 * take.bed.near.warmthThere)} % of what brings up half of the slowest grass`
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <template v-if="claim">
        <h3>The lot</h3>
        <p v-if="take.lots.length === 0">
          No lot from the shelf is noted for this zone: choose it under Seed, so that its label
          stands here.
        </p>
        <table v-else>
          <thead>
            <tr>
              <th>lot</th>
              <th>supplier</th>
              <th class="n">label</th>
              <th>tested</th>
              <th class="n">sown here</th>
              <th>on damp paper</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in take.lots" :key="l.id">
              <td>
                <b>{{ l.number }}</b>
              </td>
              <td>{{ l.supplier || '______________' }}</td>
              <td class="n">{{ l.label === null ? 'none' : `${l.label} %` }}</td>
              <td>{{ l.tested ? showDay(l.tested, true) : '' }}</td>
              <td class="n">{{ firm.hand(l.kg, 'kg') }}</td>
              <td>
                <template v-if="l.paper"
                  ><b>{{ l.paper.sprouted }} of {{ l.paper.seeds }}</b
                  >{{ l.paper.final ? '' : ' so far' }}, surely
                  {{ interval(l.paper.sprouted, l.paper.seeds) }}</template
                ><template v-else>not tested: ______ of 100</template>
              </td>
            </tr>
          </tbody>
        </table>
        <p>
          Kept for you: the label, what is left in the bag, and the seeds that were dug up. We ask
          for the price of the seed<template v-if="take.again">
            and of sowing {{ firm.hand(take.again.area, 'm2') }} again, about
            {{ firm.hand(take.again.hours, 'work-h') }} of work</template
          >.
        </p>
        <p class="sign">Date and name ______________________________</p>
      </template>
      <template v-else>
        <h3>What it comes from</h3>
        <p v-if="take.verdict.likely">
          <b>{{ firm.say(TAKE_CAUSES[take.verdict.likely].name) }}.</b>
          {{ firm.say(customerTold(take)) }}
        </p>
        <p v-else>{{ firm.say(customerTold(take)) }}</p>
        <template v-if="take.verdict.likely && again[0]">
          <h3>What comes next</h3>
          <p>{{ firm.say(TAKE_CAUSES[take.verdict.likely].mend) }}</p>
          <p>{{ firm.say(again[0]) }}</p>
        </template>
      </template>
      <template v-if="pictures.length">
        <h3>Photographs</h3>
        <ul class="pictures">
          <li v-for="p in pictures" :key="p.id">
            <img :src="`/api/photos/${p.id}`" :alt="p.note || name" />
            <span class="small"
              >{{ showDay(p.takenOn, true) }}{{ p.note ? `, ${p.note}` : '' }}</span
            >
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>

<style scoped>
p {
  padding: 0.2rem 0;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.pictures li {
  width: 31%;
}
.pictures img {
  width: 100%;
  display: block;
}
.sign {
  padding-top: 2rem;
}
</style>
