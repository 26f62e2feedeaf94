<script setup lang="ts">
/** The box of a step, for a thumb: done or not, or passed over by a later step without a record. */
defineProps<{ name: string; done: boolean; passed?: boolean; disabled?: boolean }>()
const emit = defineEmits<{ press: [] }>()
</script>

<template>
  <button
    type="button"
    class="tick"
    :class="{ passed: passed && !done }"
    role="checkbox"
    :aria-checked="done"
    :aria-label="`${name} done`"
    :disabled="disabled"
    @click="emit('press')"
  >
    {{ done ? '✓' : passed ? '?' : '' }}
  </button>
</template>

<style scoped>
.tick {
  flex: none;
  width: 2.6rem;
  height: 2.6rem;
  border: 2px solid var(--ink);
  border-radius: 5px;
  background: var(--sheet);
  cursor: pointer;
  font-weight: 700;
  font-size: 1.25rem;
  line-height: 1;
}
.tick[aria-checked='true'] {
  background: var(--moss);
  border-color: var(--moss);
  color: #fff;
}
.passed {
  border-style: dashed;
  color: var(--soft);
}
@media (min-width: 761px) {
  .tick.close {
    width: 1.75rem;
    height: 1.75rem;
    font-size: 1rem;
  }
}
</style>
