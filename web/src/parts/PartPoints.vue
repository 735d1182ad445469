<script setup lang="ts">
import type { NamedPoint, Part } from '@hilera/core/model/part'
import { freeName } from '@hilera/core/names'
import { boundsOfPart } from '@hilera/core/parts/support'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import NumberValue from '../sentences/NumberValue.vue'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { usePartEdits } from './partEdits'

/** Points on a part with names, that companions can be tied to. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const edits = usePartEdits()
const points = computed(() => props.part.points ?? [])
const change = (edit: (points: NamedPoint[]) => void): void =>
  void edits.change(props.part, 'points', (p) => edit((p.points ??= [])))
const add = (): void =>
  change((list) => {
    const { high } = boundsOfPart(props.part, document.source)
    const name = freeName(
      'Hook',
      list.map((p) => p.name),
    )
    list.push({ name, at: [0, high[1], 0] })
  })
</script>

<template>
  <details class="more" :open="points.length > 0">
    <summary>Named points, {{ points.length }}</summary>
    <div v-for="(p, i) in points" :key="i" class="named">
      <NameField
        :name="p.name"
        :label="`Name of point ${i + 1}`"
        @rename="(name) => change((list) => void (list[i].name = name))"
      />
      <NumberValue
        v-for="(axis, a) in ['across', 'up', 'deep']"
        :key="axis"
        :value="p.at[a]"
        quantity="length"
        state="free"
        :label="`${p.name} ${axis}`"
        :undo="`points of ${part.name}`"
        :edit="(v) => edits.recipe(part.id, (x) => void (x.points![i].at[a] = v))"
      />
      <button
        type="button"
        class="tool"
        :aria-label="`Delete the point ${p.name}`"
        title="Delete"
        @click="change((list) => void list.splice(i, 1))"
      >
        <X :size="14" />
      </button>
    </div>
    <button type="button" class="aside" @click="add">Add a point</button>
  </details>
</template>

<style scoped>
.named {
  display: flex;
  align-items: center;
  gap: 6px;
  flex-wrap: wrap;
}
</style>
