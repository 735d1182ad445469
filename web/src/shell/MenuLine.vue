<script setup lang="ts">
import { ChevronRight } from '@lucide/vue'
import SmallDrawing from '../drawing/SmallDrawing.vue'
import type { ActionItem } from './menuItem'

/** What a line of a menu shows. */
const { item, leadsOn = false } = defineProps<{ item: ActionItem; leadsOn?: boolean }>()
</script>

<template>
  <a class="menu-line">
    <SmallDrawing v-if="item.drawing" :drawing="item.drawing" :width="28" />
    <span class="words"
      >{{ item.words ?? item.label }}<small v-if="item.note">{{ item.note }}</small></span
    >
    <kbd v-if="item.keys">{{ item.keys }}</kbd>
    <ChevronRight v-if="leadsOn" :size="14" />
  </a>
</template>

<style scoped>
.menu-line {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 26px;
  padding: 3px 10px;
  color: inherit;
  text-decoration: none;
  cursor: pointer;
}
.words {
  flex: 1;
}
.p-disabled small {
  max-width: 190px;
}
small {
  display: block;
  font-size: 11.5px;
  color: var(--soft);
}
kbd {
  margin-left: 14px;
}
</style>
