<script setup lang="ts">
import { ElCheckbox, ElCheckboxGroup } from 'element-plus'
import { computed } from 'vue'
import type { JobDraft } from '@juvena/core/entities/job'
import { photosThatFit } from '@juvena/core/formats/fileSize'
import { AIMS, AIM_NAMES, USERS, USER_NAMES } from '@juvena/core/reference/lists'
import { showDay } from '@juvena/core/calendar/day'
import DayField from '../../parts/DayField.vue'
import FieldRow from '../../parts/FieldRow.vue'
import QuantityField from '../../parts/QuantityField.vue'
import TextField from '../../parts/TextField.vue'
import { useJob } from '../../stores/job.ts'
import { usePhotos } from '../../stores/photos.ts'

const job = useJob()
const photos = usePhotos()
/** What the file carries, said before it is taken. */
const holds = computed(() => {
  const [all, fit] = [photos.all.length, photosThatFit(photos.all)]
  const bytes = fit.reduce((sum, p) => sum + p.bytes, 0)
  const size = bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${Math.round(bytes / 1e5) / 10} MB`
  const pictures =
    all === 1
      ? 'its photograph'
      : fit.length === all
        ? `its ${all} photographs`
        : `the newest ${fit.length} of its ${all} photographs`
  return `Everything the job holds${all > 0 ? `, with ${pictures} (${size})` : ''}, to keep, send on, or import elsewhere.`
})
const set = <K extends keyof JobDraft>(key: K, value: JobDraft[K]) =>
  job.edit(key, (d) => {
    d[key] = value
  })
/** A wanted day that has passed is asked about; nothing is planned towards it. */
const past = computed(() => {
  const day = job.customerDay
  return day && day < job.today
    ? `${showDay(day, true)} has passed. By when must it look right? Leave it empty where there is no such day.`
    : ''
})
</script>

<template>
  <form class="customer" autocomplete="off" @submit.prevent>
    <div class="row">
      <TextField
        label="Job"
        :model-value="job.draft?.name"
        :problem="job.problemAt('name')"
        @update:model-value="set('name', $event)"
      />
      <TextField
        label="Customer"
        :model-value="job.draft?.customer"
        :problem="job.problemAt('customer')"
        @update:model-value="set('customer', $event)"
      />
      <TextField
        label="Address"
        :model-value="job.draft?.site?.address"
        :maxlength="200"
        @update:model-value="
          (v) => job.edit('site.address', (d) => (d.site = { ...d.site, address: v }))
        "
      />
      <TextField
        label="Telephone"
        :model-value="job.draft?.phone"
        :maxlength="60"
        @update:model-value="set('phone', $event)"
      />
      <DayField
        label="Walked on"
        :model-value="job.draft?.walked"
        :problem="job.problemAt('walked')"
        :today="job.today"
        @update:model-value="set('walked', $event)"
      />
      <DayField
        label="Must look right by"
        :model-value="job.draft?.customerDate"
        :problem="job.problemAt('customerDate') || past"
        :today="job.today"
        @update:model-value="set('customerDate', $event)"
      />
      <QuantityField
        label="Budget"
        kind="price"
        :model-value="job.draft?.budget"
        :problem="job.problemAt('budget')"
        @update:model-value="set('budget', $event)"
      />
    </div>
    <FieldRow name="What they want">
      <ElCheckboxGroup
        :model-value="job.draft?.aims ?? []"
        aria-label="What they want"
        @update:model-value="set('aims', $event as JobDraft['aims'])"
      >
        <ElCheckbox v-for="a in AIMS" :key="a" :value="a">{{ AIM_NAMES[a] }}</ElCheckbox>
      </ElCheckboxGroup>
    </FieldRow>
    <FieldRow name="Who uses the lawn">
      <ElCheckboxGroup
        :model-value="job.draft?.users ?? []"
        aria-label="Who uses the lawn"
        @update:model-value="set('users', $event as JobDraft['users'])"
      >
        <ElCheckbox v-for="u in USERS" :key="u" :value="u">{{ USER_NAMES[u] }}</ElCheckbox>
      </ElCheckboxGroup>
    </FieldRow>
    <QuantityField
      label="Notice they ask for"
      kind="days"
      placeholder="a day; on public turf 5 days"
      :model-value="job.draft?.notice"
      :problem="job.problemAt('notice')"
      @update:model-value="set('notice', $event)"
    />
    <TextField
      label="Notes for whoever goes there"
      :rows="5"
      :maxlength="4000"
      :model-value="job.draft?.notes"
      @update:model-value="set('notes', $event)"
    />
    <p class="ends">
      <a class="act slight" :href="`/api/jobs/${job.id}/file`" download>Export the job file</a>
      <span class="small soft">{{ holds }}</span>
      <a
        v-if="photos.all.length"
        class="small"
        :href="`/api/jobs/${job.id}/file?photos=no`"
        download
        >without photographs</a
      >
    </p>
  </form>
</template>

<style scoped>
.customer :deep(.el-checkbox-group) {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
}
.customer {
  display: grid;
  gap: 0.75rem;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
  gap: 0.3rem 1.25rem;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: center;
}
</style>
