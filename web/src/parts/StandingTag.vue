<script setup lang="ts">
import { EVIDENCE_NAMES, type EvidenceLevel } from '@juvena/core/rules/evidence'
defineProps<{ standing: EvidenceLevel }>()
</script>

<template>
  <span class="tag" :class="standing">{{ EVIDENCE_NAMES[standing] }}</span>
</template>
