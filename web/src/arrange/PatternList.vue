<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Group } from '@hilera/core/model/project'
import { namesIn } from '@hilera/core/findings/names'
import { findings } from '@hilera/core/findings/registry'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { EllipsisVertical, EyeOff, Lock, Plus } from '@lucide/vue'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import TieredMenu from 'primevue/tieredmenu'
import { useToast } from 'primevue/usetoast'
import { computed, reactive, shallowRef, useTemplateRef } from 'vue'
import { useLinkEdits } from '../links/linkEdits'
import { useSeparateEdits } from '../links/separateEdits'
import SeparateDialog from '../links/SeparateDialog.vue'
import { useSchedule } from '../schedule/schedule'
import { useSwapDialog } from '../links/swapDialog'
import { lackOf, layoutKinds, leans, summaryOf, wordsOf } from '../layouts'
import LayoutDrawing from '../layouts/LayoutDrawing.vue'
import { definitionOf, type LayoutKind } from '@hilera/core/layouts/index'
import { useGroupEdits } from '../groups/groupEdits'
import GroupRow from '../groups/GroupRow.vue'
import { useMirrorEdits } from '../mirrors/newMirrors'
import { useDrawEdits } from '../patterns/drawEdits'
import SpotsFromDialog from '../patterns/SpotsFromDialog.vue'
import TableDialog from '../patterns/TableDialog.vue'
import { useSpotEdits } from '../patterns/spotEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import { usePicked } from '../placing/picked'
import { useDocument } from '../stores/document'
import { useFindings } from '../stores/findings'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { useRecipes } from '../recipes/recipes'
import { useCopyText } from '../texts/copyText'

const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const picked = usePicked()
const view = useView()
const edits = usePatternEdits()
const groups = useGroupEdits()
const found = useFindings()
const menu = useTemplateRef<InstanceType<typeof TieredMenu>>('menu')
const menuFor = shallowRef<Pattern>()
const links = useLinkEdits()
const mirrors = useMirrorEdits()
const separate = useSeparateEdits()
const swap = useSwapDialog()
const toast = useToast()
const texts = useCopyText()
const recipes = useRecipes()
async function layOutAs(pattern: Pattern, kind: LayoutKind): Promise<void> {
  const lost = await edits.layOutAs(pattern, kind)
  if (lost) toast.add({ severity: 'info', detail: lost, life: 8000 })
}
const separating = shallowRef<Pattern>()

const items = computed(() => {
  const pattern = menuFor.value
  if (!pattern) return []
  const keptBy = edits.keptBy(pattern)
  return [
    { label: 'Frame it', command: () => (selection.pickPattern(pattern.id), view.frame('selection')) },
    {
      label: 'Move, turn and size it whole',
      command: () => (selection.pickPattern(pattern.id), picked.takeHold()),
    },
    { label: pattern.hidden ? 'Show' : 'Hide', command: () => edits.setHidden(pattern, !pattern.hidden) },
    { label: pattern.locked ? 'Unlock' : 'Lock', command: () => groups.setLocked(pattern.id, !pattern.locked) },
    { label: 'Show only this', command: () => edits.showOnly(pattern) },
    { label: 'Show everything', command: () => edits.showAll() },
    { label: 'Copy as text', command: () => void texts.copy([pattern.id]) },
    { label: 'Keep as a recipe…', command: () => void (recipes.keeping = [pattern.id]) },
    { label: 'Duplicate, linked', command: () => links.duplicate(pattern, false) },
    { label: 'Duplicate, with parts of its own', command: () => links.duplicate(pattern, true) },
    {
      label: 'Swap its part…',
      command: () => (selection.pickPattern(pattern.id), swap.open('pattern')),
    },
    pattern.was
      ? { label: 'Make it the pattern that it was', command: () => separate.backToPattern(pattern) }
      : { label: 'Make its copies separate…', command: () => void (separating.value = pattern) },
    {
      label: 'Lay it out as',
      items: layoutKinds
        .filter((kind) => kind !== pattern.layout.kind && !leans(kind))
        .map((kind) => ({ label: wordsOf(kind).words, command: () => void layOutAs(pattern, kind) })),
    },
    { label: 'Mirror it', command: () => mirrors.mirrorPattern(pattern) },
    { label: 'Repeat it in a row', command: () => edits.repeat(pattern) },
    { label: 'Complete the set round a corner', command: () => void draw.completeRound(pattern) },
    {
      label: keptBy ? `Remove (used by ${keptBy})` : 'Remove',
      disabled: !!keptBy,
      command: () => edits.remove(pattern),
    },
  ]
})
const schedule = useSchedule()
const addMenu = useTemplateRef<InstanceType<typeof Menu>>('addMenu')
const draw = useDrawEdits()
const spots = useSpotEdits()
const table = useTemplateRef<InstanceType<typeof TableDialog>>('table')
const other = useTemplateRef<InstanceType<typeof SpotsFromDialog>>('other')
const addItems = [
  ...layoutKinds.map((kind) => ({
    label: wordsOf(kind).words,
    disabled: () => lackOf(kind, document.project) !== undefined,
    command: () => (definitionOf({ kind }).isProposed ? mirrors.mirrorPicked() : edits.add(kind)),
  })),
  { separator: true },
  { label: 'Click spots on the stage', command: () => void spots.addSpots() },
  { label: 'Spots from a table…', command: () => table.value?.open() },
  { label: 'Spots from other things…', command: () => other.value?.open() },
  { label: 'Draw a line', command: () => void draw.drawLine() },
  { label: 'Draw a curve', command: () => void draw.drawCurve() },
  { label: 'Draw an outline and fill it', command: () => void draw.drawOutline() },
  { label: 'By a recipe…', command: () => void (recipes.using = true) },
]
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
function openMenu(event: Event, pattern: Pattern): void {
  menuFor.value = pattern
  menu.value?.toggle(event)
}
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
        @click="addMenu?.toggle($event)"
        ><Plus :size="15"
      /></Button>
    </header>
    <ul>
      <template v-for="row in rows" :key="row.id">
        <li
          v-if="row.group"
          class="group"
          :class="{ picked: isPicked(row.id) }"
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
          :style="{ paddingLeft: `${12 * row.depth + (row.group ? 12 : 0)}px` }"
          :class="{
            picked: selection.count > 0 ? pattern.id === selection.patternId : isPicked(pattern.id),
            hidden: pattern.hidden,
          }"
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
            <LayoutDrawing :kind="pattern.layout.kind" :width="24" />
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
            @click="openMenu($event, pattern)"
          >
            <EllipsisVertical :size="15" />
          </button>
        </li>
      </template>
    </ul>
    <p v-if="document.project.patterns.length === 0" class="note hint">
      No pattern yet. Add one with <kbd>P</kbd>, or drop a mesh on the stage.
    </p>
    <!-- A level is for headings and trees: menus tell theirs by where they lie (WAI-ARIA 1.2). -->
    <TieredMenu ref="menu" :model="items" popup :pt="{ item: { 'aria-level': undefined } }" />
    <Menu ref="addMenu" :model="addItems" popup />
    <TableDialog ref="table" />
    <SpotsFromDialog ref="other" />
    <SeparateDialog v-model="separating" />
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
