<script setup lang="ts">
import { ref } from 'vue'
import { SHAPE_KINDS, type ShapeKind } from '@juvena/core/entities/drawing'
import type { Tool } from './PlanMap.vue'
import { OVERLAYS, type Overlay } from './shapeStyles.ts'

/** What can be drawn, the ways in, and what the plan shows. */
defineProps<{ tool: Tool; panel: 'typed' | 'in' | null; overlay: Overlay }>()
const emit = defineEmits<{
  pick: [tool: Tool]
  panel: [panel: 'typed' | 'in']
  show: [overlay: Overlay]
}>()
const TOOLS: { name: string; kinds: ShapeKind[] }[] = [
  { name: 'lawn', kinds: ['lawn'] },
  { name: 'bed, path', kinds: ['bed'] },
  { name: 'bare patch', kinds: ['bare'] },
  { name: 'low, trench', kinds: ['low', 'trench'] },
  { name: 'worn, edge', kinds: ['worn', 'edge'] },
  { name: 'house, hedge, tree', kinds: ['building', 'wall', 'tree'] },
  { name: 'tap, cable', kinds: ['tap', 'head', 'cable', 'pipe'] },
]
/** The group of kinds whose menu is open. */
const open = ref<string | null>(null)
const pick = (tool: Tool) => {
  open.value = null
  emit('pick', tool)
}
</script>

<template>
  <div class="bar">
    <div class="tools" role="group" aria-label="Draw">
      <span v-for="t in TOOLS" :key="t.name" class="tool">
        <button
          v-if="t.kinds.length === 1"
          type="button"
          class="act slight"
          :aria-pressed="tool === t.kinds[0]"
          @click="pick(t.kinds[0]!)"
        >
          + {{ t.name }}
        </button>
        <template v-else>
          <button
            type="button"
            class="act slight"
            :aria-expanded="open === t.name"
            :aria-pressed="t.kinds.includes(tool as ShapeKind)"
            @click="open = open === t.name ? null : t.name"
          >
            + {{ t.name }}
          </button>
          <span v-if="open === t.name" class="menu">
            <button v-for="k in t.kinds" :key="k" type="button" class="act slight" @click="pick(k)">
              {{ SHAPE_KINDS[k].name }}
            </button>
          </span>
        </template>
      </span>
      <button
        type="button"
        class="act slight"
        :aria-pressed="tool === 'level'"
        @click="pick('level')"
      >
        + level
      </button>
      <button
        type="button"
        class="act slight typed"
        :aria-expanded="panel === 'typed'"
        @click="emit('panel', 'typed')"
      >
        typed
      </button>
      <button
        type="button"
        class="act slight typed"
        :aria-expanded="panel === 'in'"
        @click="emit('panel', 'in')"
      >
        import
      </button>
    </div>
    <div class="overlays" role="group" aria-label="Show on the plan">
      <button
        v-for="o in OVERLAYS"
        :key="o.id"
        type="button"
        class="act slight"
        :aria-pressed="overlay === o.id"
        @click="emit('show', o.id)"
      >
        {{ o.name }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
}
.bar,
.tools,
.overlays {
  gap: 0.3rem;
}
.tools,
.overlays {
  display: contents;
}
.overlays .act:first-child {
  margin-left: auto;
}
.tool {
  position: relative;
}
.menu {
  position: absolute;
  z-index: 10;
  top: 100%;
  left: 0;
  display: grid;
  gap: 0.2rem;
  padding: 0.3rem;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  border-radius: 4px;
}
.menu .act {
  justify-content: start;
  border-color: transparent;
}
.typed {
  border-style: dashed;
}
</style>
