<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { EllipsisVertical, EyeOff, Plus } from '@lucide/vue'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import TieredMenu from 'primevue/tieredmenu'
import { computed, ref, useTemplateRef } from 'vue'
import { layoutKinds, layoutWords, summaryOf } from '../patterns/layoutWords'
import { useDrawEdits } from '../patterns/drawEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'

const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
const edits = usePatternEdits()
const menu = useTemplateRef<InstanceType<typeof TieredMenu>>('menu')
const menuFor = ref<Pattern>()

const items = computed(() => {
  const pattern = menuFor.value
  if (!pattern) return []
  const keptBy = edits.keptBy(pattern)
  return [
    { label: 'Frame it', command: () => (selection.pickPattern(pattern.id), view.frame('selection')) },
    { label: pattern.hidden ? 'Show' : 'Hide', command: () => edits.setHidden(pattern, !pattern.hidden) },
    { label: 'Show only this', command: () => edits.showOnly(pattern) },
    { label: 'Show everything', command: () => edits.showAll() },
    { label: 'Duplicate', command: () => edits.duplicate(pattern) },
    {
      label: 'Lay it out as',
      items: layoutKinds
        .filter((kind) => kind !== pattern.layout.kind && kind !== 'companion')
        .map((kind) => ({ label: layoutWords[kind].words, command: () => edits.layOutAs(pattern, kind) })),
    },
    { label: 'Repeat it in a row', command: () => edits.repeat(pattern) },
    { label: 'Complete the set round a corner', command: () => void draw.completeRound(pattern) },
    {
      label: keptBy ? `Remove (used by ${keptBy.name})` : 'Remove',
      disabled: !!keptBy,
      command: () => edits.remove(pattern),
    },
  ]
})
const addMenu = useTemplateRef<InstanceType<typeof Menu>>('addMenu')
const draw = useDrawEdits()
const addItems = [
  ...layoutKinds.map((kind) => ({
    label: layoutWords[kind].words,
    disabled: () => kind === 'companion' && document.project.patterns.length === 0,
    command: () => edits.add(kind),
  })),
  { separator: true },
  { label: 'Draw a line', command: () => void draw.drawLine() },
  { label: 'Draw a curve', command: () => void draw.drawCurve() },
  { label: 'Draw an outline and fill it', command: () => void draw.drawOutline() },
]
const count = (id: string): string => {
  const outcome = outcomes.byId.get(id)
  return outcome ? formatNumber(outcome.drawn, 0) : '…'
}
function openMenu(event: Event, pattern: Pattern): void {
  menuFor.value = pattern
  menu.value?.toggle(event)
}
</script>

<template>
  <section class="list" aria-labelledby="patterns-head">
    <header>
      <h2 id="patterns-head">In this arrangement</h2>
      <span class="figure">{{ formatNumber(outcomes.copies, 0) }}</span>
      <Button
        severity="secondary"
        variant="text"
        size="small"
        aria-label="Add a pattern"
        title="Add a pattern (P)"
        aria-haspopup="menu"
        @click="addMenu?.toggle($event)"
        ><Plus :size="15"
      /></Button>
    </header>
    <ul>
      <li
        v-for="pattern in document.project.patterns"
        :key="pattern.id"
        :class="{ picked: pattern.id === selection.patternId, hidden: pattern.hidden }"
      >
        <button
          type="button"
          class="row"
          :aria-pressed="pattern.id === selection.patternId"
          @click="selection.pickPattern(pattern.id)"
        >
          <component :is="layoutWords[pattern.layout.kind].icon" :size="18" :stroke-width="1.6" aria-hidden="true" />
          <span class="words"
            ><span class="name">{{ pattern.name }}</span
            ><small>{{ summaryOf(pattern.layout, document.project) }}</small></span
          >
          <span
            v-if="outcomes.byId.get(pattern.id)?.problem"
            class="wrong"
            title="It cannot be placed; its sentence says why"
            >!</span
          >
          <span v-else class="figure count">{{ count(pattern.id) }}</span>
        </button>
        <button
          v-if="pattern.hidden"
          type="button"
          class="more"
          :aria-label="`Show ${pattern.name}`"
          title="Show"
          @click="edits.setHidden(pattern, false)"
        >
          <EyeOff :size="15" />
        </button>
        <button
          type="button"
          class="more"
          :class="{ later: !pattern.hidden }"
          :aria-label="`More for ${pattern.name}`"
          aria-haspopup="menu"
          @click="openMenu($event, pattern)"
        >
          <EllipsisVertical :size="15" />
        </button>
      </li>
    </ul>
    <p v-if="document.project.patterns.length === 0" class="note hint">
      No pattern yet. Add one with <kbd>P</kbd>, or drop a mesh on the stage.
    </p>
    <TieredMenu ref="menu" :model="items" popup />
    <Menu ref="addMenu" :model="addItems" popup />
  </section>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
header {
  display: flex;
  align-items: center;
  padding: 6px 4px 4px 14px;
  gap: 6px;
}
h2 {
  flex: 1;
  font: 600 11.5px var(--sans);
  letter-spacing: 0;
  color: var(--soft);
  white-space: nowrap;
}
header .figure {
  font-size: 11.5px;
  color: var(--faint);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  flex: 1;
}
li {
  display: flex;
  align-items: stretch;
  border-left: 3px solid transparent;
}
li:hover {
  background: color-mix(in srgb, var(--madder-wash) 45%, transparent);
}
li.picked {
  background: var(--madder-wash);
  border-left-color: var(--madder);
}
.row {
  flex: 1;
  min-width: 0;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 0 6px 10px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.picked .row svg {
  color: var(--madder);
}
.words {
  flex: 1;
  min-width: 0;
}
.name,
small {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
small {
  font-size: 11.5px;
  color: var(--soft);
}
.hidden .name,
.hidden small {
  color: var(--faint);
  text-decoration: line-through;
}
.count {
  color: var(--faint);
  font-size: 11.5px;
}
.wrong {
  color: var(--vermilion);
  font-weight: 700;
}
.more {
  display: grid;
  place-content: center;
  width: 24px;
  border: 0;
  background: none;
  color: var(--faint);
  cursor: pointer;
}
.later {
  opacity: 0;
}
li:hover .later,
.later:focus-visible,
.picked .later {
  opacity: 1;
}
.hint {
  padding: 0 14px 14px;
}
</style>
