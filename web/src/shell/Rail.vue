<script setup lang="ts">
import { computed } from 'vue'
import { useFindings } from '../stores/findings'
import { screens } from './screens'

defineProps<{ id: string }>()
const found = useFindings()
/** So many things are wrong; of more than this it is said that there are more. */
const MOST = 99
const told = computed(() => found.findings?.length ?? 0)
</script>

<template>
  <nav class="rail" aria-label="Screens">
    <RouterLink v-for="s in screens" :key="s.name" :to="{ name: s.name, params: { id } }" active-class="here">
      <component :is="s.icon" :size="18" :stroke-width="1.7" aria-hidden="true" />
      {{ s.words }}
      <span v-if="s.name === 'checks' && told > 0" class="told figure" :aria-label="`${told} told`">{{
        told > MOST ? `${MOST}+` : told
      }}</span>
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
  position: relative;
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
.told {
  position: absolute;
  top: 3px;
  right: 5px;
  min-width: 16px;
  padding: 0 3px;
  border-radius: 8px;
  background: var(--vermilion-wash);
  font-size: 10px;
  line-height: 16px;
  text-align: center;
  color: var(--vermilion);
}
</style>
