<script setup lang="ts">
import { computed } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { changesOf, offersOf } from '@juvena/core/money/offerOf'
import { showMoney } from '@juvena/core/quantities/money'
import { useJob } from '../../stores/job.ts'
import SheetHead from './SheetHead.vue'

/** Work agreed on beside an offer, to be signed. Nothing of cost or margin. */
const props = defineProps<{ entry: string }>()
const job = useJob()
const change = computed(() => changesOf(job.diary).find((c) => c.id === props.entry))
const offer = computed(() =>
  offersOf(job.diary, job.today).find((o) => o.id === change.value?.order.offer),
)
</script>

<template>
  <section>
    <SheetHead title="Change to the work" />
    <p v-if="!change">There is no such change on this job.</p>
    <template v-else>
      <h3>{{ change.order.number }}, {{ showDay(change.on, true) }}</h3>
      <p class="what">{{ change.order.what }}</p>
      <p class="price">
        {{ showMoney(change.order.price, change.order.currency) }}
        <small>{{ change.order.taxIn ? 'tax in it' : 'before tax' }}</small>
      </p>
      <p v-if="offer">
        Beside offer {{ offer.offer.number }} of {{ showDay(offer.given, true) }}, which otherwise
        stands as it was given.
      </p>
      <p>Agreed to by {{ change.order.agreedBy }}.</p>
      <p class="sign"><span>date, signature</span></p>
    </template>
  </section>
</template>

<style scoped>
.what {
  font-size: 1.125rem;
  padding: 0.6rem 0;
}
.price {
  font-size: 1.75rem;
  font-weight: 700;
}
.price small {
  font-size: 0.875rem;
  font-weight: 400;
}
.sign {
  margin-top: 3.5rem;
  border-top: 1px solid #000;
  width: 60%;
  font-size: 0.8125rem;
}
</style>
