<script setup lang="ts">
/** Fields of one subject side by side under its name; as many to a line as fit. */
defineProps<{ name: string }>()
</script>

<template>
  <fieldset>
    <legend>{{ name }}</legend>
    <slot />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  border-top: 1px solid var(--rule);
  padding: 0.15rem 0 0.35rem;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(7.6rem, 1fr));
  gap: 0.3rem 0.9rem;
  min-width: 0;
}
legend {
  font-weight: 700;
  font-size: 0.875rem;
  padding: 0.25rem 0 0.1rem;
  float: left;
  width: 100%;
  grid-column: 1 / -1;
}
</style>
