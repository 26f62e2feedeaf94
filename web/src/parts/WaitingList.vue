<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { useFirm } from '../stores/firm.ts'
import { useLeftDrafts } from '../stores/leftDrafts.ts'
import type { usePhotos } from '../stores/photos.ts'
import { useOutbox } from '../stores/outbox.ts'
import { waitingPhotos } from '../stores/waitingPhotos.ts'

/**
 * What was written here and is not yet with the server: how much in the strip, and a list of it
 * with a way to send it now.
 */
const outbox = useOutbox()
const left = useLeftDrafts()
const firm = useFirm()
const route = useRoute()
const router = useRouter()
const open = ref(false)
/** The store of photographs is loaded only where there are some to send. */
type Photos = Pick<
  ReturnType<typeof usePhotos>,
  'held' | 'refused' | 'send' | 'tryAgain' | 'discard'
>
const photos = shallowRef<Photos | null>(null)
onMounted(async () => {
  // A job that opens is sent by its own page.
  await router.isReady()
  left.opened(typeof route.params.id === 'string' ? route.params.id : null)
  if ((await waitingPhotos()).length === 0) return
  photos.value = (await import('../stores/photos.ts')).usePhotos()
})
const settings = computed(() => (firm.saving === 'failed' ? 1 : 0))
const total = computed(
  () =>
    outbox.count +
    outbox.held.length +
    left.count +
    settings.value +
    (photos.value?.held.length ?? 0),
)
/** What was refused: it is kept here until it is sent again or discarded. */
const refused = computed(() => [
  ...outbox.held.map((w) => ({
    id: w.id,
    what: w.entry.what,
    why: w.refused,
    again: () => outbox.tryAgain(w.id),
    discard: () => outbox.discard(w.id),
  })),
  ...(photos.value?.refused ?? []).map((p) => ({
    id: p.id,
    what: `photograph ${p.name}`,
    why: p.refused,
    again: () => photos.value?.tryAgain(p.id),
    discard: () => photos.value?.discard(p.id),
  })),
])
const lines = computed(() => {
  const some = (n: number, one: string, more: string) =>
    n === 0 ? [] : [`${n} ${n === 1 ? one : more}`]
  return [
    ...some(outbox.count, 'diary entry', 'diary entries'),
    ...some(
      (photos.value?.held.length ?? 0) - (photos.value?.refused.length ?? 0),
      'photograph',
      'photographs',
    ),
    ...(settings.value ? ['settings of the firm'] : []),
  ]
})
function sendNow() {
  void outbox.send()
  void left.send()
  void photos.value?.send()
}
</script>

<template>
  <span v-if="total > 0" class="waiting" @keydown.esc="open = false">
    <button
      type="button"
      class="plain small waits"
      :aria-expanded="open"
      aria-controls="waiting-list"
      @click="open = !open"
    >
      {{ total }} waiting
    </button>
    <div v-if="open" id="waiting-list" class="list small">
      <b>Kept in this browser, not yet with the server</b>
      <ul>
        <li v-for="line in lines" :key="line">{{ line }}</li>
        <li v-for="l in left.left" :key="l.job">
          changes to
          <RouterLink :to="`/jobs/${l.job}`" @click="open = false">{{ l.name }}</RouterLink>
          <span v-if="l.asks" class="asks"> {{ l.asks }}</span>
        </li>
      </ul>
      <template v-if="refused.length">
        <b>Refused, kept here</b>
        <ul>
          <li v-for="r in refused" :key="r.id">
            {{ r.what }} <span class="asks">{{ r.why }}</span>
            <button type="button" class="plain" @click="r.again()">try again</button>
            <button type="button" class="plain" @click="r.discard()">discard</button>
          </li>
        </ul>
      </template>
      <button type="button" class="act slight" @click="sendNow">Send now</button>
    </div>
  </span>
</template>

<style scoped>
.waiting {
  position: relative;
}
.waits {
  color: var(--hold);
  font-weight: 700;
  white-space: nowrap;
}
.list {
  position: absolute;
  right: 0;
  top: calc(100% + 0.4rem);
  z-index: 20;
  width: min(20rem, 90vw);
  background: var(--sheet);
  border: 2px solid var(--ink);
  padding: 0.5rem 0.7rem;
  line-height: 1.35;
}
ul {
  margin: 0.3rem 0 0.5rem;
  padding-left: 0;
}
.asks {
  color: var(--hold);
}
/* On a phone it spans the page under the strip, wherever its button stands. */
@media (max-width: 640px) {
  .waiting {
    position: static;
  }
  .list {
    left: 0.6rem;
    right: 0.6rem;
    width: auto;
  }
}
</style>
