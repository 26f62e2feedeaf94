<script setup lang="ts">
import { computed, ref } from 'vue'
import { MOST_OWN_WAYS } from '@juvena/core/entities/job'
import { ownWayOf, zonesByOwnWay } from '@juvena/core/work/ownWays'
import TextField from '../../parts/TextField.vue'
import { useJob } from '../../stores/job.ts'
import { newId } from '../../stores/newId.ts'

/** Ways of the contractor's own: the ladder as it stands, saved under a name, offered beside the others. */
const job = useJob()
const own = computed(() => job.draft?.ownWays ?? [])
const name = ref('')
const wrong = ref('')
function save() {
  const called = name.value.trim()
  wrong.value =
    called === ''
      ? 'Give it a name first, like “blades now, cores in spring”.'
      : own.value.some((w) => w.name === called)
        ? 'There is a way of that name already. Take another, or remove the old one.'
        : own.value.length >= MOST_OWN_WAYS
          ? `${MOST_OWN_WAYS} ways of your own stand beside the plan already: remove one first.`
          : ''
  if (wrong.value) return
  job.edit(`ownWays.${Date.now()}`, (d) => {
    d.ownWays = [...(d.ownWays ?? []), ownWayOf(newId(), called, d.zones ?? [])]
  })
  name.value = ''
}
const open = (way: (typeof own.value)[number]) =>
  job.edit(`ownWays.open.${Date.now()}`, (d) => {
    d.zones = zonesByOwnWay(d.zones ?? [], { zones: way.zones ?? [] })
  })
const remove = (id: string | undefined) =>
  job.edit(`ownWays.remove.${Date.now()}`, (d) => {
    d.ownWays = (d.ownWays ?? []).filter((w) => w.id !== id)
  })
</script>

<template>
  <section class="own" aria-label="Ways of your own">
    <h3>Ways of your own</h3>
    <p class="small soft">
      Save what is ticked now, on all zones, and change the plan: the saved way stands in an offer
      beside it, with its own days and price.
    </p>
    <ul v-if="own.length">
      <li v-for="w in own" :key="w.id">
        <b>{{ w.name }}</b>
        <span class="ends">
          <button type="button" class="act slight" @click="open(w)">Make it the plan</button>
          <button
            type="button"
            class="act slight"
            :aria-label="`Remove ${w.name}`"
            @click="remove(w.id)"
          >
            Remove
          </button>
        </span>
      </li>
    </ul>
    <form class="named" autocomplete="off" @submit.prevent="save">
      <TextField
        label="Name of the way"
        :maxlength="80"
        :model-value="name"
        @update:model-value="name = $event"
      />
      <button type="submit" class="act slight">Save as a way</button>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.own {
  padding-top: 0.8rem;
}
h3,
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 0.3rem 0;
}
.ends {
  margin-left: auto;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
}
.named {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.8rem;
  align-items: end;
}
.named > :first-child {
  flex: 1 1 14rem;
}
.wrong {
  color: var(--hold);
}
</style>
