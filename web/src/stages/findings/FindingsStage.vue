<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed } from 'vue'
import { FINDING_NAMES, readingFigureId, type Finding } from '@juvena/core/findings/finding'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import { explain } from '@juvena/core/present/explain'
import FigureValue from '../../parts/FigureValue.vue'
import NothingYet from '../../parts/NothingYet.vue'
import StandingTag from '../../parts/StandingTag.vue'
import { useFirm } from '../../stores/firm.ts'
import StageHead from '../../parts/StageHead.vue'
import { useJob } from '../../stores/job.ts'

/** Each reading held against the trade's line: what it means and what it asks for. */
const firm = useFirm()
const job = useJob()
const VERDICTS = {
  fine: ['fine', 'fine'],
  act: ['act-on', 'act'],
  hold: ['stop', 'hold'],
  unread: ['unread', 'not read'],
} as const
const byZone = computed(() =>
  (job.plan?.zones ?? []).map((z) => ({
    ...z,
    found: (job.plan?.findings ?? [])
      .filter((f) => f.zone === z.id)
      .sort((a, b) => order(a) - order(b)),
  })),
)
/** The line it is held against, and where the line stands. */
const lineOf = (id: string) => {
  const e = job.plan && explain(job.plan, id, firm.reader)
  return e ? { line: e.decidedBy ?? '', standing: e.rule.standing } : null
}
/** The operations a finding asks for, and whether each is planned. */
const asked = (z: ZoneSummary, f: Finding) =>
  f.wants.flatMap(({ operation }) => {
    const rung = z.rungs.find((r) => r.operation === operation)
    return rung
      ? [
          {
            operation,
            name: firm.say(rung.name),
            planned: rung.planned,
            reason: firm.say(rung.reason).replace(/\.$/, ''),
          },
        ]
      : []
  })
const order = (f: Finding) => ({ hold: 0, act: 1, unread: 2, fine: 3 })[f.verdict]
</script>

<template>
  <div>
    <StageHead name="Findings" says="what the readings mean, by the lines of the trade" />
    <NothingYet v-if="byZone.length === 0" says="Findings come from a walked zone." />
    <section v-for="z in byZone" :key="z.id">
      <h3 class="ruled">
        {{ z.name }}
        <span v-if="z.area" class="soft area">{{
          firm.hand(job.figure(z.area)?.value, 'm2')
        }}</span>
      </h3>
      <table>
        <colgroup>
          <col class="kind" />
          <col class="value" />
          <col class="verdict" />
          <col />
        </colgroup>
        <thead class="only-read">
          <tr>
            <th>reading</th>
            <th>value</th>
            <th>verdict</th>
            <th>what it means and asks</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in z.found" :key="f.kind" :class="`row-${f.verdict}`">
            <td class="kind">{{ FINDING_NAMES[f.kind] }}</td>
            <td class="value">
              <FigureValue
                v-if="f.verdict !== 'unread'"
                :id="readingFigureId(z.id, f.kind)"
                size="big"
              /><span v-else class="soft">—</span>
            </td>
            <td class="verdict">
              <span class="tag" :class="VERDICTS[f.verdict][0]">{{ VERDICTS[f.verdict][1] }}</span>
              <FigureValue v-if="f.figure" :id="f.figure" class="word" />
            </td>
            <td>
              {{ firm.say(f.says) }} <b v-if="f.asks !== 'Nothing.'">{{ firm.say(f.asks) }}</b>
              <span v-if="f.wants.length" class="wants small">
                <template v-for="w in asked(z, f)" :key="w.operation"
                  ><span :class="{ off: !w.planned }"
                    >{{ w.planned ? '✓' : '✕' }} {{ w.name
                    }}{{ w.planned ? '' : `: ${w.reason}` }}</span
                  >
                </template>
              </span>
              <span v-if="f.figure && lineOf(f.figure)" class="line small soft"
                >{{ sure(lineOf(f.figure)).line }}
                <StandingTag :standing="sure(lineOf(f.figure)).standing"
              /></span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.wants {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.9rem;
  color: var(--moss);
}
.wants .off {
  color: var(--soft);
}
.area {
  font-weight: 400;
}
table {
  table-layout: fixed;
}
tbody tr:first-child td {
  border-top: 0;
}
td {
  font-size: 0.9375rem;
  line-height: 1.35;
  padding: 0.4rem 0.6rem 0.4rem 0;
}
.kind {
  width: 6.6rem;
}
.value {
  width: 8.4rem;
}
.value :deep(.number) {
  font-size: 1.0625rem;
}
.verdict {
  width: 7.2rem;
}
.line {
  display: block;
  padding-top: 0.1rem;
}
.verdict .tag {
  display: inline-block;
}
.verdict :deep(.word) {
  display: block;
}
.verdict :deep(.number) {
  font-size: 0.875rem;
}
@media (max-width: 640px) {
  tr {
    display: grid;
    grid-template-columns: 1fr auto;
    border-top: 1px solid var(--rule);
    padding: 0.4rem 0;
  }
  td {
    border: 0;
    padding: 0.1rem 0;
    width: auto;
  }
  td:last-child {
    grid-column: 1 / -1;
  }
}
</style>
