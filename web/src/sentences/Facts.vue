<script setup lang="ts">
import type { Facts } from '@hilera/core/words'
import Words from './Words.vue'

/** Facts side by side, each a sentence of its own. */
defineProps<{ facts: Facts }>()
</script>

<template>
  <template v-for="(fact, i) in facts" :key="i"
    ><template v-if="i > 0"> · </template><Words :sentence="fact.says" :data-fact="fact.about"
  /></template>
</template>
