<script setup lang="ts">
import { computed, ref } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { logSince, wateredDays } from '@juvena/core/establish/waterLog'
import { WATER_WORDS, waterSaid } from '@juvena/core/present/dayWork'
import { zoneOf } from '@juvena/core/trace/scope'
import FigureValue from '../../parts/FigureValue.vue'
import WaterLog from '../../parts/WaterLog.vue'
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'

/** Today’s water and that of the days ahead, by the weather expected; and what was given so far. */
const firm = useFirm()
const job = useJob()
const days = computed(() => job.plan?.follow.waterDays ?? [])
const packages = computed(() => [...new Set(days.value.map((d) => d.workPackage))])
const zonesOf = (id: string) => job.plan?.packages.find((p) => p.id === id)?.zones.map(zoneOf) ?? []
const names = (id: string) => zonesOf(id).map((z) => job.plan?.zones.find((s) => s.id === z)?.name ?? z).join(', ') // prettier-ignore
const sown = (id: string) => job.plan?.follow.packages.find((p) => p.workPackage === id)?.sown ?? ''
/** What was written down since each piece was sown. */
const given = computed(
  () =>
    new Map(
      packages.value.map((id) => {
        const log = wateredDays(job.diary, zonesOf(id)[0] ?? '', job.today)
        return [id, logSince(log, sown(id), job.today)]
      }),
    ),
)
const failure = ref('')
async function write(entry: DiaryEntry) {
  failure.value = ''
  await job.write(entry).catch((error: Error) => (failure.value = error.message))
}
</script>

<template>
  <section class="ahead" aria-labelledby="water-ahead">
    <h3 id="water-ahead">
      The days ahead
      <span class="soft">by the weather expected; look at the top before you leave a run off</span>
    </h3>
    <div v-for="id in packages" :key="id">
      <h4 v-if="packages.length > 1">{{ names(id) }}</h4>
      <ol>
        <li
          v-for="d in days.filter((w) => w.workPackage === id)"
          :key="d.day"
          :class="d.advice"
          :title="firm.say(waterSaid(d))"
        >
          <span class="small">{{ showDay(d.day) }}</span>
          <b>{{ WATER_WORDS[d.advice] }}</b>
          <span class="small">{{ d.runs.join(', ') }}</span>
          <span v-if="d.need && Number(job.figure(d.need)?.value) > 0" class="small soft"
            >wants <FigureValue :id="d.need"
          /></span>
          <span v-else-if="d.rain" class="small soft">rain {{ firm.hand(d.rain, 'rain') }}</span>
        </li>
      </ol>
      <template v-if="sown(id) < job.today">
        <p v-if="given.get(id)?.logged" class="small">
          Given on {{ given.get(id)?.watered }} of {{ given.get(id)?.logged }} days that were
          written down, of {{ given.get(id)?.of }} since it was sown.
        </p>
        <p v-else class="small soft">
          Nothing is written down of its water yet: what comes of it stays a guess.
        </p>
        <WaterLog
          :today="job.today"
          :zone="packages.length > 1 ? (zonesOf(id)[0] ?? null) : null"
          :failure="failure"
          @write="write"
        />
      </template>
    </div>
  </section>
</template>

<style scoped>
.ahead {
  padding-bottom: 0.5rem;
}
h3 .soft {
  font-weight: 400;
  font-size: 0.875rem;
}
h4 {
  margin: 0.3rem 0;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(6.6rem, 1fr));
  border-top: 1.5px solid var(--ink);
  margin: 0.3rem 0 0.5rem;
}
li {
  display: grid;
  align-content: start;
  padding: 0.3rem 0.5rem 0.35rem 0;
  border-bottom: 1px solid var(--rule);
  line-height: 1.3;
}
.off b,
.less b,
.dry b,
.barred b {
  color: var(--clay);
}
.more b {
  color: var(--water);
}
</style>
