<script setup lang="ts">
import { screens } from './screens'

defineProps<{ id: string }>()
</script>

<template>
  <nav class="rail" aria-label="Screens">
    <RouterLink v-for="s in screens" :key="s.name" :to="{ name: s.name, params: { id } }" active-class="here">
      <component :is="s.icon" :size="18" :stroke-width="1.7" aria-hidden="true" />
      {{ s.words }}
    </RouterLink>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 8px 4px;
  background: var(--card);
  border-right: 1px solid var(--rule);
}
a {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  padding: 8px 0 7px;
  border-radius: 7px;
  font-size: 11px;
  color: var(--soft);
  text-decoration: none;
}
a:hover {
  color: var(--ink);
}
.here {
  color: var(--madder);
  background: var(--madder-wash);
  font-weight: 600;
}
</style>
