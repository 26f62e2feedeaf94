<script setup lang="ts">
import { STANDING_NAMES, type Standing } from '@juvena/core/trace/figure'
defineProps<{ standing: Standing }>()
</script>

<template>
  <span class="tag" :class="standing">{{ STANDING_NAMES[standing] }}</span>
</template>
