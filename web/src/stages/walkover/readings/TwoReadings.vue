<script setup lang="ts">
/**
 * Readings of one thing that disagree: asked where they are typed. The one that counts meanwhile is
 * marked.
 */
defineProps<{
  asks: string
  readings: readonly { key: string; name: string; value: string; counts: boolean }[]
}>()
const emit = defineEmits<{ pick: [key: string] }>()
</script>

<template>
  <div class="two" role="group" :aria-label="asks">
    <b>{{ asks }}</b>
    <button
      v-for="r in readings"
      :key="r.key"
      type="button"
      class="act slight"
      @click="emit('pick', r.key)"
    >
      use {{ r.name }}, {{ r.value }}<span v-if="r.counts" class="small soft"> (counts now)</span>
    </button>
  </div>
</template>

<style scoped>
.two {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem 0.6rem;
  align-items: center;
  border-left: 5px solid var(--sun-mark);
  padding-left: 0.6rem;
}
</style>
