<script setup lang="ts">
import type { LayoutKind } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import TieredMenu from 'primevue/tieredmenu'
import { useToast } from 'primevue/usetoast'
import { computed, shallowRef, useTemplateRef } from 'vue'
import { useCommands } from '../commands/commands'
import { useGroupEdits } from '../groups/groupEdits'
import { layoutKinds, leans, viewOf, wordsOf } from '../layouts'
import { useLinkEdits } from '../links/linkEdits'
import SeparateDialog from '../links/SeparateDialog.vue'
import { useSeparateEdits } from '../links/separateEdits'
import { useSetUpAgain } from '../links/setUpAgain'
import { useSwapDialog } from '../links/swapDialog'
import { useMirrorEdits } from '../mirrors/newMirrors'
import { useDrawEdits } from '../patterns/drawEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import { usePicked } from '../placing/picked'
import { useRecipes } from '../recipes/recipes'
import { type ActionItem, RULE } from '../shell/menuItem'
import MenuLine from '../shell/MenuLine.vue'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { useCopyText } from '../texts/copyText'

/** What can be done with one pattern of the list: seen, made more of, made something else, kept. */
const commands = useCommands()
const selection = useSelection()
const view = useView()
const picked = usePicked()
const edits = usePatternEdits()
const groups = useGroupEdits()
const links = useLinkEdits()
const mirrors = useMirrorEdits()
const separate = useSeparateEdits()
const swap = useSwapDialog()
const setUp = useSetUpAgain()
const draw = useDrawEdits()
const texts = useCopyText()
const recipes = useRecipes()
const toast = useToast()
const menu = useTemplateRef<InstanceType<typeof TieredMenu>>('menu')
const menuFor = shallowRef<Pattern>()
const separating = shallowRef<Pattern>()
defineExpose({
  open(event: Event, pattern: Pattern) {
    menuFor.value = pattern
    menu.value?.toggle(event)
  },
})

async function layOutAs(pattern: Pattern, kind: LayoutKind): Promise<void> {
  const lost = await edits.layOutAs(pattern, kind)
  if (lost) toast.add({ severity: 'info', detail: lost, life: 8000 })
}
const keysOf = (id: string): string | undefined => commands.byId(id)?.keys

const items = computed<ActionItem[]>(() => {
  const pattern = menuFor.value
  if (!pattern) return []
  const keptBy = edits.keptBy(pattern)
  return [
    {
      label: 'Frame it',
      keys: keysOf('frame'),
      command: () => (selection.pickPattern(pattern.id), view.frame('selection')),
    },
    {
      label: 'Move, turn and size it whole',
      command: () => (selection.pickPattern(pattern.id), picked.takeHold()),
    },
    RULE,
    {
      label: pattern.hidden ? 'Show' : 'Hide',
      keys: keysOf('off'),
      command: () => edits.setHidden(pattern, !pattern.hidden),
    },
    { label: 'Show only this', keys: keysOf('only'), command: () => edits.showOnly(pattern) },
    { label: 'Show everything', command: () => edits.showAll() },
    { label: pattern.locked ? 'Unlock' : 'Lock', command: () => groups.setLocked(pattern.id, !pattern.locked) },
    RULE,
    { label: 'Duplicate, linked', command: () => links.duplicate(pattern, false) },
    { label: 'Duplicate, with parts of its own', command: () => links.duplicate(pattern, true) },
    { label: 'The same with other parts…', command: () => void (setUp.of = pattern.id) },
    { label: 'Mirror it', command: () => mirrors.mirrorPattern(pattern) },
    { label: 'Repeat it in a row', command: () => edits.repeat(pattern) },
    { label: 'Complete the set round a corner', command: () => void draw.completeRound(pattern) },
    RULE,
    {
      label: 'Lay it out as',
      items: layoutKinds
        .filter((kind) => kind !== pattern.layout.kind && !leans(kind))
        .map((kind) => ({
          label: wordsOf(kind).words,
          drawing: viewOf(kind).drawing,
          command: () => void layOutAs(pattern, kind),
        })),
    },
    {
      label: 'Swap its part…',
      command: () => (selection.pickPattern(pattern.id), swap.open('pattern')),
    },
    pattern.was
      ? { label: 'Make it the pattern that it was', command: () => separate.backToPattern(pattern) }
      : { label: 'Make its copies separate…', command: () => void (separating.value = pattern) },
    RULE,
    { label: 'Copy as text', keys: keysOf('copy-text-picked'), command: () => void texts.copy([pattern.id]) },
    { label: 'Keep as a recipe…', command: () => void (recipes.keeping = [pattern.id]) },
    RULE,
    {
      label: keptBy ? `Remove (used by ${keptBy})` : 'Remove',
      keys: keysOf('remove'),
      disabled: !!keptBy,
      command: () => edits.remove(pattern),
    },
  ]
})
</script>

<template>
  <!-- A level is for headings and trees: menus tell theirs by where they lie (WAI-ARIA 1.2). -->
  <TieredMenu ref="menu" :model="items" popup :pt="{ item: { 'aria-level': undefined } }">
    <template #item="{ item, props: line, hasSubmenu }"
      ><MenuLine :item="item" :leads-on="hasSubmenu" v-bind="line.action"
    /></template>
  </TieredMenu>
  <SeparateDialog v-model="separating" />
</template>
