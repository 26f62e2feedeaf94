<script setup lang="ts">
/** What the shades of the ground and the shapes of the work mean. */
</script>

<template>
  <ul class="key small soft" aria-label="What the season shows">
    <li><i class="ground open"></i>open, darker is better</li>
    <li><i class="ground marginal"></i>marginal</li>
    <li><i class="ground shut"></i>shut</li>
    <li><i class="core"></i>work</li>
    <li><i class="core sow"></i>sowing</li>
    <li><i class="core done"></i>done</li>
    <li><i class="core pinned"></i>pinned</li>
    <li><i class="last"></i>last day</li>
  </ul>
</template>

<style scoped>
.key {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  padding: 0;
  align-items: center;
}
li {
  display: flex;
  align-items: center;
  gap: 0.3rem;
}
i {
  display: block;
  width: 1.1rem;
  height: 0.9rem;
}
.open {
  background: linear-gradient(90deg, var(--moss-wash), color-mix(in srgb, var(--moss) 50%, white));
}
.marginal {
  background: repeating-linear-gradient(-45deg, var(--sun-wash) 0 4px, var(--sheet) 4px 8px);
}
.shut {
  background: repeating-linear-gradient(var(--hold-wash) 0 2px, var(--paper) 2px 7px);
}
.core {
  border: 1.5px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 5px 5px;
  background: var(--sheet);
}
.core.sow {
  border-bottom: 4px solid var(--moss);
}
.core.done {
  border-style: dashed;
  background: var(--moss-wash);
}
.core.pinned {
  border-top: 4px solid var(--ink);
}
.last {
  width: 3px;
  background: var(--hold);
}
@media (max-width: 760px) {
  .key {
    display: none;
  }
}
</style>
