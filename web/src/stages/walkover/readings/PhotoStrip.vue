<script setup lang="ts">
import { computed, ref } from 'vue'
import { showDay } from '@juvena/core/calendar/day'
import { usePhotos } from '../../../stores/photos.ts'

/**
 * Photographs of a zone, newest day first. One that is archived can be restored until the page is
 * left.
 */
const props = defineProps<{ zone: string | null; name: string }>()
const photos = usePhotos()
const mine = computed(() => photos.ground.filter((p) => p.zone === props.zone))
const waiting = computed(() => photos.waiting.filter((p) => p.zone === props.zone))
const keepPlace = ref(false)
const gone = ref<string | null>(null)
const open = ref<string | null>(null)
async function take(event: Event) {
  const el = event.target as HTMLInputElement
  const files = [...(el.files ?? [])]
  el.value = ''
  await photos.add(files, props.zone, keepPlace.value)
}
async function archive(id: string) {
  open.value = null
  await photos.archive(id)
  gone.value = id
}
async function back() {
  if (gone.value) await photos.restore(gone.value)
  gone.value = null
}
const at = (p: { position: { latitude: number; longitude: number } | null }) =>
  p.position ? `, ${p.position.latitude.toFixed(5)}, ${p.position.longitude.toFixed(5)}` : ''
</script>

<template>
  <section class="photos" :aria-label="`Photographs, ${name}`">
    <h3>Photographs</h3>
    <ul>
      <li v-for="p in mine" :key="p.id">
        <button
          type="button"
          :aria-expanded="open === p.id"
          @click="open = open === p.id ? null : p.id"
        >
          <img
            :src="`/api/photos/${p.id}?size=small`"
            :alt="`${name}, ${showDay(p.takenOn, true)}${p.note ? `, ${p.note}` : ''}`"
            loading="lazy"
            width="110"
            height="74"
          />
          <span class="small">{{ showDay(p.takenOn) }}</span>
        </button>
      </li>
      <li v-for="p in waiting" :key="p.id" class="waits">
        <img
          v-if="p.thumb"
          :src="p.thumb"
          :alt="`${name}, ${p.name}, not sent yet`"
          width="110"
          height="74"
        />
        <span v-else class="add small">{{ p.name }}</span>
        <span class="small">waits</span>
      </li>
      <li>
        <label class="add"
          >{{ photos.sending ? 'sending…' : 'add'
          }}<input
            class="only-read"
            type="file"
            accept="image/*"
            multiple
            :disabled="photos.sending > 0"
            @change="take"
        /></label>
      </li>
    </ul>
    <figure v-for="p in mine.filter((x) => x.id === open)" :key="p.id">
      <img :src="`/api/photos/${p.id}`" :alt="`${name}, ${showDay(p.takenOn, true)}`" />
      <figcaption class="small">
        {{ showDay(p.takenOn, true) }}{{ at(p) }}{{ p.note ? `: ${p.note}` : '' }}
        <button type="button" class="plain" @click="archive(p.id)">archive</button>
      </figcaption>
    </figure>
    <p v-if="gone" class="small">
      Archived. <button type="button" class="plain" @click="back">Restore</button>
    </p>
    <p v-if="waiting.length && !photos.sending" class="small" role="status">
      No answer from the server.
      {{ waiting.length === 1 ? 'One photograph is' : `${waiting.length} photographs are` }} kept on
      this device and sent when it is back.
      <button type="button" class="plain" @click="photos.send()">Try now</button>
    </p>
    <p v-if="photos.failure" class="wrong small" role="alert">{{ photos.failure }}</p>
    <label class="small soft"
      ><input v-model="keepPlace" type="checkbox" /> keep where it was taken</label
    >
  </section>
</template>

<style scoped>
.photos {
  display: grid;
  gap: 0.35rem;
}
h3 {
  font-size: 0.9375rem;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(5.2rem, 1fr));
  gap: 0.4rem;
}
li button {
  display: grid;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
  text-align: left;
  width: 100%;
}
li img,
.add {
  width: 100%;
  height: 4.1rem;
  object-fit: cover;
  border: 1px solid var(--rule);
}
.waits {
  display: grid;
  align-content: start;
}
.waits img {
  border: 1px dashed var(--sun-mark);
  opacity: 0.75;
}
.add {
  display: grid;
  place-items: center;
  border: 1px dashed var(--rule-strong);
  cursor: pointer;
}
.add:focus-within {
  box-shadow: var(--focus);
}
figure img {
  width: 100%;
  height: auto;
}
.wrong {
  color: var(--hold);
}
</style>
