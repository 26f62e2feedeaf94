<script setup lang="ts">
import { RULES } from '@juvena/core/ruleBook'
import StandingTag from '../../parts/StandingTag.vue'
import { useFirm } from '../../stores/firm.ts'

/** Every rule the plan works by, with where it stands. */
const firm = useFirm()
const rules = [...RULES.values()].filter((r) => !r.id.startsWith('reading.'))
</script>

<template>
  <div class="lying">
    <table>
      <thead>
        <tr>
          <th>rule</th>
          <th>formula</th>
          <th>standing</th>
          <th>source</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rules" :key="r.id">
          <td>{{ firm.say(r.says) }}</td>
          <td class="formula">{{ firm.say(r.formula.replace(/\{(\d)\}/g, (_, i) => 'abcdefg'.charAt(Number(i))).replace('{*}', 'the inputs')) }}</td>
          <td><StandingTag :standing="r.standing" /></td>
          <td class="small soft">{{ r.source }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td {
  font-size: 0.9375rem;
  padding: 0.35rem 0.9rem 0.35rem 0;
  line-height: 1.3;
}
.formula {
  min-width: 11rem;
}
</style>
