<script setup lang="ts">
import { useFirm } from '../../stores/firm.ts'
import { useJob } from '../../stores/job.ts'
defineProps<{ title: string }>()
const firm = useFirm()
const job = useJob()
</script>

<template>
  <header class="sheet-head">
    <div>
      <p class="title">{{ title }}</p>
      <h2>{{ job.draft?.name }}</h2>
      <p>
        {{
          [job.draft?.customer, job.draft?.site?.address, job.draft?.phone]
            .filter(Boolean)
            .join(' · ')
        }}
      </p>
    </div>
    <p class="firm">
      <b>{{ firm.settings.name || 'Juvena' }}</b><br />
      <template v-if="firm.settings.address">{{ firm.settings.address }}<br /></template>
      <template v-if="firm.settings.phone">{{ firm.settings.phone }}<br /></template
      >{{ firm.day(job.plan?.today) }} {{ job.plan?.today.slice(0, 4) }}
    </p>
  </header>
</template>

<style scoped>
.sheet-head {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  border-bottom: 3px solid #000;
  padding-bottom: 0.5rem;
}
.title {
  font-size: 0.8125rem;
  color: #444;
}
.firm {
  text-align: right;
  white-space: nowrap;
}
</style>
