<script setup lang="ts">
/** The name of a stage and what it is for, with room for what belongs beside it. */
defineProps<{ name: string; says?: string }>()
</script>

<template>
  <header class="head">
    <h2>{{ name }}</h2>
    <p v-if="says" class="small soft">{{ says }}</p>
    <slot />
  </header>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.75rem;
  align-items: baseline;
  margin-bottom: 0.4rem;
}
</style>
