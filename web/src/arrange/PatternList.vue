<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Group } from '@hilera/core/model/project'
import { namesIn } from '@hilera/core/findings/names'
import { findings } from '@hilera/core/findings/registry'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { EllipsisVertical, EyeOff, Lock, Plus } from '@lucide/vue'
import Button from 'primevue/button'
import { computed, nextTick, reactive, useTemplateRef, watch } from 'vue'
import { useSchedule } from '../schedule/schedule'
import SmallDrawing from '../drawing/SmallDrawing.vue'
import { summaryOf, viewOf } from '../layouts'
import { useGroupEdits } from '../groups/groupEdits'
import GroupRow from '../groups/GroupRow.vue'
import AddPatternMenu from './AddPatternMenu.vue'
import { useListDrag } from './listDrag'
import PatternMenu from './PatternMenu.vue'
import { usePatternEdits } from '../patterns/patternEdits'
import { useDocument } from '../stores/document'
import { useFindings } from '../stores/findings'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const edits = usePatternEdits()
const groups = useGroupEdits()
const found = useFindings()
const menu = useTemplateRef<InstanceType<typeof PatternMenu>>('menu')
const addMenu = useTemplateRef<InstanceType<typeof AddPatternMenu>>('addMenu')
const schedule = useSchedule()
const { drop, dragged, vListed, vList } = useListDrag()
const list = useTemplateRef<HTMLElement>('list')

interface Row {
  readonly id: string
  readonly group?: Group
  readonly depth: number
  readonly patterns: readonly Pattern[]
}
const closed = reactive(new Set<string>())
/** Each group with what is inside it, then the patterns that are in none. */
const rows = computed<Row[]>(() => {
  const { groups, patterns } = document.project
  const known = new Set(groups.map((g) => g.id))
  const inside = (group: string | undefined): Pattern[] =>
    patterns.filter((p) => (p.group !== undefined && known.has(p.group) ? p.group : undefined) === group)
  const out: Row[] = []
  const walk = (parent: string | undefined, depth: number): void => {
    for (const group of groups.filter((g) => g.parent === parent)) {
      const shut = closed.has(group.id)
      out.push({ id: group.id, group, depth, patterns: shut ? [] : inside(group.id) })
      if (!shut) walk(group.id, depth + 1)
    }
  }
  walk(undefined, 0)
  return [...out, { id: 'top', depth: 0, patterns: inside(undefined) }]
})
/** What is wrong with a pattern, as Checks tells it; nothing where all is well. */
const wrongOf = (id: string): string => {
  const nameOf = namesIn(document.project)
  return (found.byPattern.get(id) ?? [])
    .map((finding) => sentenceText(findings[finding.what].says(finding, nameOf), document.unit))
    .join('\n')
}
const count = (id: string): string => {
  const outcome = outcomes.byId.get(id)
  if (!outcome) return '…'
  const { present, places } = outcome
  return present < places ? `${formatNumber(present, 0)} of ${formatNumber(places, 0)}` : formatNumber(present, 0)
}
/** How many copies of each pattern stand in their part's mirror image. */
const hands = computed(
  () =>
    new Map(
      outcomes.patterns.map((p) => [p.id, p.batches.reduce((n, b) => n + (b.twin ? b.rows.length : 0), 0)] as const),
    ),
)
const isPicked = (id: string): boolean => selection.wholes.includes(id)
/** What is dragged, and where it would go. */
const dragging = (id: string) => ({ dragged: id === dragged.value, [drop.value?.edge ?? '']: id === drop.value?.over })
// What is picked on the stage, or added, is seen in the list: its groups are opened for it.
watch(
  () => selection.patternId,
  async (id) => {
    const { groups } = document.project
    for (let at = selection.pattern?.group; at !== undefined && id; at = groups.find((g) => g.id === at)?.parent)
      if (!isPicked(at)) closed.delete(at)
    await nextTick()
    list.value?.querySelector('.picked')?.scrollIntoView?.({ block: 'nearest' })
  },
)
</script>

<template>
  <section class="list" aria-labelledby="patterns-head">
    <header>
      <h2 id="patterns-head">In this arrangement</h2>
      <button
        type="button"
        class="figure total"
        :aria-label="`${formatNumber(outcomes.copies, 0)} copies: show the schedule`"
        title="Parts, counts and sizes"
        @click="schedule.open()"
      >
        {{ formatNumber(outcomes.copies, 0) }}
      </button>
      <Button
        severity="secondary"
        variant="text"
        size="small"
        aria-label="Add a pattern"
        title="Add a pattern (P)"
        aria-haspopup="menu"
        @click="addMenu?.open($event)"
        ><Plus :size="15"
      /></Button>
    </header>
    <ul ref="list" v-list :class="{ below: drop && drop.over === '' }">
      <template v-for="row in rows" :key="row.id">
        <li
          v-if="row.group"
          v-listed="row.id"
          class="group"
          :class="[{ picked: isPicked(row.id) }, dragging(row.id)]"
          :style="{ paddingLeft: `${12 * row.depth}px` }"
        >
          <GroupRow
            :group="row.group"
            :shut="closed.has(row.id)"
            @shut="closed.has(row.id) ? closed.delete(row.id) : closed.add(row.id)"
          />
        </li>
        <li
          v-for="pattern in row.patterns"
          :key="pattern.id"
          v-listed="pattern.id"
          :style="{ paddingLeft: `${12 * row.depth + (row.group ? 12 : 0)}px` }"
          :class="[
            {
              picked: selection.count > 0 ? pattern.id === selection.patternId : isPicked(pattern.id),
              hidden: pattern.hidden,
            },
            dragging(pattern.id),
          ]"
        >
          <button
            type="button"
            class="row"
            :aria-pressed="pattern.id === selection.patternId || isPicked(pattern.id)"
            @click="
              $event.shiftKey || $event.ctrlKey || $event.metaKey
                ? selection.toggleWhole(pattern.id)
                : selection.pickPattern(pattern.id)
            "
          >
            <SmallDrawing :drawing="viewOf(pattern.layout.kind).drawing" :width="24" />
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
            <span
              v-if="wrongOf(pattern.id)"
              class="told"
              role="img"
              :aria-label="wrongOf(pattern.id)"
              :title="wrongOf(pattern.id)"
            />
            <span v-if="hands.get(pattern.id)" class="figure hand" title="Copies in the other hand: twins"
              >L {{ hands.get(pattern.id) }}</span
            >
            <span v-if="!outcomes.byId.get(pattern.id)?.problem" class="figure count">{{ count(pattern.id) }}</span>
          </button>
          <button
            v-if="pattern.locked"
            type="button"
            class="more"
            :aria-label="`Unlock ${pattern.name}`"
            title="Locked: click to unlock"
            @click="groups.setLocked(pattern.id, false)"
          >
            <Lock :size="13" />
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
            @click="menu?.open($event, pattern)"
          >
            <EllipsisVertical :size="15" />
          </button>
        </li>
      </template>
    </ul>
    <p v-if="document.project.patterns.length === 0" class="note hint">
      No pattern yet. Add one with <kbd>P</kbd>, or drop a mesh on the stage.
    </p>
    <PatternMenu ref="menu" />
    <AddPatternMenu ref="addMenu" />
  </section>
</template>

<style scoped src="./list.css"></style>
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
header svg {
  flex: none;
}
.total {
  padding: 2px 6px;
  border: 0;
  border-radius: 5px;
  background: none;
  font-size: 11.5px;
  color: var(--faint);
  cursor: pointer;
}
.total:hover {
  background: var(--madder-wash);
  color: var(--ink);
}
ul {
  flex: 1;
}
.picked .row svg {
  color: var(--madder);
}
.told {
  flex: none;
  width: 7px;
  height: 7px;
  border-radius: 50%;
  background: var(--vermilion);
}
.count {
  color: var(--faint);
  font-size: 11.5px;
}
.hand {
  color: var(--ochre);
  font-size: 11px;
  font-weight: 700;
  white-space: nowrap;
}
.wrong {
  color: var(--vermilion);
  font-weight: 700;
}
.dragged {
  opacity: 0.45;
}
/* Where what is dragged would go. */
.above {
  box-shadow: inset 0 2px var(--madder);
}
.below {
  box-shadow: inset 0 -2px var(--madder);
}
.inside {
  outline: 2px solid var(--madder);
  outline-offset: -2px;
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
