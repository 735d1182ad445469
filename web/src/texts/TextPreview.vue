<script setup lang="ts">
import type { MadeText } from '@hilera/core/sentences/make'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import Facts from '../sentences/Facts.vue'
import Words from '../sentences/Words.vue'

/** What a text would make, or the text with what is not understood underlined, and what would be. */
const props = defineProps<{ text: string; made: MadeText }>()

/** The text cut where something is not understood. */
const pieces = computed(() => {
  const out: { text: string; wrong: boolean }[] = []
  let at = 0
  for (const mark of [...props.made.marks].sort((a, b) => a.at - b.at)) {
    if (mark.at < at) continue
    out.push(
      { text: props.text.slice(at, mark.at), wrong: false },
      { text: props.text.slice(mark.at, mark.end), wrong: true },
    )
    at = mark.end
  }
  out.push({ text: props.text.slice(at), wrong: false })
  return out
})
const SHOWN = 6
</script>

<template>
  <div class="preview" role="status">
    <template v-if="made.marks.length > 0">
      <p class="text">
        <span v-for="(piece, i) in pieces" :key="i" :class="{ wrong: piece.wrong }">{{ piece.text }}</span>
      </p>
      <ul class="marks">
        <li v-for="(mark, i) in made.marks.slice(0, SHOWN)" :key="i"><Words :sentence="mark.says" /></li>
        <li v-if="made.marks.length > SHOWN">
          and <span class="figure">{{ formatNumber(made.marks.length - SHOWN, 0) }}</span> more
        </li>
      </ul>
    </template>
    <ul v-else class="made">
      <li v-for="(pattern, i) in made.patterns.slice(0, SHOWN)" :key="pattern.id">
        <b>{{ pattern.name }}</b>: <span class="figure">{{ formatNumber(made.outcomes[i].copies, 0) }}</span>
        {{ plural(made.outcomes[i].copies, 'copy', 'copies') }}
        <small class="note"><Facts :facts="made.outcomes[i].facts" /></small>
      </li>
      <li v-if="made.patterns.length > SHOWN">
        and <span class="figure">{{ formatNumber(made.patterns.length - SHOWN, 0) }}</span> more patterns
      </li>
      <li v-for="part in made.parts" :key="part.id">
        <b>{{ part.name }}</b>: a new part
      </li>
    </ul>
  </div>
</template>

<style scoped>
.text {
  max-height: 120px;
  margin: 10px 2px 6px;
  overflow: auto;
  font: 15px/1.6 var(--serif);
  white-space: pre-wrap;
}
.wrong {
  color: var(--vermilion);
  text-decoration: underline wavy;
  text-underline-offset: 4px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.marks {
  padding: 6px 10px;
  border-left: 3px solid var(--vermilion);
  border-radius: 0 5px 5px 0;
  background: var(--vermilion-wash);
  color: var(--vermilion);
  font-size: 12.5px;
}
.marks :deep(.figure) {
  color: inherit;
}
.made {
  margin: 10px 2px 4px;
}
.made li {
  padding: 3px 0;
}
small {
  display: block;
}
</style>
