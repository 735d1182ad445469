<script setup lang="ts">
import { sharingGroup } from '@hilera/core/links/shared'
import { movementDefinitionOf } from '@hilera/core/motion/index'
import { formatNumber } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import { usePlayback } from '../stores/playback'
import { useSelection } from '../stores/selection'

/** What moves, and from when to when. */
const document = useDocument()
const playback = usePlayback()
const selection = useSelection()
const seconds = (n: number): string => formatNumber(n, 2)
const rows = computed(() =>
  document.project.patterns.map((pattern) => {
    const moving = playback.playing.of(pattern.id)
    const span = playback.playing.spanOf(pattern.id)
    const kinds = (pattern.motion ?? []).map((m) => {
      const group = sharingGroup(document.project, pattern.id, m.id, 'motion')
      return `${movementDefinitionOf(m).summary(m)}${group ? ` with all of ${group.name}` : ''}`
    })
    return {
      pattern,
      when: span && `${seconds(span[0])}–${seconds(span[1])}`,
      what: kinds.length > 0 ? kinds.join(', ') : moving ? 'with what it belongs to' : 'stands from the start',
    }
  }),
)
</script>

<template>
  <section class="list" aria-labelledby="moves-head">
    <header><h2 id="moves-head">What moves, and when</h2></header>
    <ul>
      <li
        v-for="{ pattern, when, what } in rows"
        :key="pattern.id"
        :class="{ picked: pattern.id === selection.patternId, hidden: pattern.hidden }"
      >
        <button
          type="button"
          class="row"
          :aria-pressed="pattern.id === selection.patternId"
          @click="selection.pickPattern(pattern.id)"
        >
          <span class="name">{{ pattern.name }}</span>
          <span class="figure when"
            ><template v-if="when">{{ when }} s</template></span
          >
          <small>{{ what }}</small>
        </button>
      </li>
    </ul>
    <p v-if="rows.length === 0" class="note hint">No pattern yet: there is nothing to move.</p>
  </section>
</template>

<style scoped src="../arrange/list.css"></style>
<style scoped>
.list {
  height: 100%;
  overflow: auto;
}
header {
  padding: 12px 14px 8px;
}
.row {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  padding: 6px 10px 7px 12px;
}
.when {
  color: var(--ink);
}
small {
  grid-column: 1 / -1;
}
</style>
