<script setup lang="ts">
import { STANDING_NAMES, type Standing } from '@juvena/core/working/figure'
defineProps<{ standing: Standing }>()
</script>

<template>
  <span class="tag" :class="standing">{{ STANDING_NAMES[standing] }}</span>
</template>
