<script setup lang="ts">
import { definitionOf, type LayoutKind } from '@hilera/core/layouts/index'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { useCommands } from '../commands/commands'
import { lackOf, layoutKinds, viewOf, wordsOf } from '../layouts'
import { useMirrorEdits } from '../mirrors/newMirrors'
import { useDrawEdits } from '../patterns/drawEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import { useSpotEdits } from '../patterns/spotEdits'
import SpotsFromDialog from '../patterns/SpotsFromDialog.vue'
import TableDialog from '../patterns/TableDialog.vue'
import { useRecipes } from '../recipes/recipes'
import { type ActionItem, RULE } from '../shell/menuItem'
import MenuLine from '../shell/MenuLine.vue'
import { useDocument } from '../stores/document'

/** Every way in which a pattern begins. */
const document = useDocument()
const commands = useCommands()
const edits = usePatternEdits()
const mirrors = useMirrorEdits()
const draw = useDrawEdits()
const spots = useSpotEdits()
const recipes = useRecipes()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const table = useTemplateRef<InstanceType<typeof TableDialog>>('table')
const other = useTemplateRef<InstanceType<typeof SpotsFromDialog>>('other')
defineExpose({ open: (event: Event) => menu.value?.toggle(event) })

function itemOf(kind: LayoutKind): ActionItem {
  const lack = lackOf(kind, document.project)
  return {
    label: wordsOf(kind).words,
    drawing: viewOf(kind).drawing,
    keys: commands.byId(`add-pattern-${kind}`)?.keys,
    disabled: lack !== undefined,
    ...(lack !== undefined && { note: lack }),
    command: () => (definitionOf({ kind }).isProposed ? mirrors.mirrorPicked() : edits.add(kind)),
  }
}
const goesWithAnother = (kind: LayoutKind): boolean => definitionOf({ kind }).needs === 'pattern'
const items = computed<ActionItem[]>(() => [
  ...layoutKinds.filter((kind) => !goesWithAnother(kind)).map(itemOf),
  RULE,
  ...layoutKinds.filter(goesWithAnother).map(itemOf),
  RULE,
  { label: 'Click spots on the stage', command: () => void spots.addSpots() },
  { label: 'Draw a line', command: () => void draw.drawLine() },
  { label: 'Draw a curve', command: () => void draw.drawCurve() },
  { label: 'Follow an edge of a copy', command: () => commands.byId('follow-edge')?.run() },
  { label: 'Draw an outline and fill it', command: () => void draw.drawOutline() },
  RULE,
  { label: 'Spots from a table…', command: () => table.value?.open() },
  { label: 'Spots from other things…', command: () => other.value?.open() },
  { label: 'By a recipe…', command: () => void (recipes.using = true) },
])
</script>

<template>
  <Menu ref="menu" :model="items" popup>
    <template #item="{ item, props: line }"><MenuLine :item="item" v-bind="line.action" /></template>
  </Menu>
  <TableDialog ref="table" />
  <SpotsFromDialog ref="other" />
</template>
