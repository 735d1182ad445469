<script setup lang="ts">
import type { Fill } from '@hilera/core/layouts/fill/schema'
import type { OutlineShape } from '@hilera/core/values/outline'
import type { Pattern } from '@hilera/core/model/pattern'
import { areaOf } from '@hilera/core/scatter/area'
import { formatNumber } from '@hilera/core/numbers/format'
import type { Sentence } from '@hilera/core/words'
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import SeedValue from '../../sentences/SeedValue.vue'
import Step from '../../sentences/Step.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const edits = useLayoutEdits('fill', () => props.pattern)
const fill = computed(() => props.pattern.layout as Fill)

type Shape = OutlineShape['kind']
const shapeOptions = [
  { value: 'rectangle' as const, words: 'a rectangle' },
  { value: 'ellipse' as const, words: 'an ellipse' },
  { value: 'polygon' as const, words: 'an outline', note: 'its points are dragged on the stage or typed below' },
]
const howOptions = [
  { value: 'random' as const, words: 'at random' },
  { value: 'even' as const, words: 'evenly spread', note: 'at random, with a least distance between pivots' },
  { value: 'sunflower' as const, words: 'as a sunflower', note: 'each with the same area to itself' },
]
const edgeOptions = [
  { value: 'copies' as const, words: 'whole copies' },
  { value: 'pivots' as const, words: 'by their pivots', note: 'copies may stand out by half their width' },
]
const byOptions = [
  { value: 'count' as const, words: 'copies' },
  { value: 'density' as const, words: 'copies to the area' },
]

function setShape(kind: Shape): void {
  edits.change('outline', (f) => {
    const { low, high } = areaOf(f.outline)
    const [width, depth] = [high[0] - low[0], high[1] - low[1]]
    if (kind === 'polygon') f.outline = { kind, points: cornersOf(f.outline) }
    else f.outline = { kind, width, depth }
  })
}
/** An outline as points to move: a rectangle by its corners, an ellipse by twelve. */
function cornersOf(outline: OutlineShape): [number, number][] {
  if (outline.kind === 'polygon') return outline.points.map(([x, z]) => [x, z])
  const { width: w, depth: d } = outline
  if (outline.kind === 'rectangle')
    return [
      [-w / 2, -d / 2],
      [w / 2, -d / 2],
      [w / 2, d / 2],
      [-w / 2, d / 2],
    ]
  return Array.from({ length: 12 }, (_, i) => [
    (w / 2) * Math.cos((i * Math.PI) / 6),
    (d / 2) * Math.sin((i * Math.PI) / 6),
  ])
}
const side = (key: 'width' | 'depth') => (value: number) =>
  edits.recipe((f) => {
    if (f.outline.kind !== 'polygon') f.outline[key] = value
  })
const positive = (value: number): Sentence | undefined =>
  value > 0 ? undefined : ['A side is longer than 0. Type a length such as ', { length: 0.3 }, '.']
const notNegative = (value: number): Sentence | undefined => (value >= 0 ? undefined : ['A margin is 0 or more.'])
const set = (key: 'count' | 'density' | 'margin' | 'least' | 'seed') => (value: number) =>
  edits.recipe((f) => void (f[key] = value))
function setBy(by: Fill['by']): void {
  const laid = props.outcome?.laid
  edits.change('amount', (f) => {
    if (laid?.kind === 'fill' && by === 'density') f.density = laid.wanted / laid.area
    if (laid?.kind === 'fill' && by === 'count') f.count = laid.wanted
    f.by = by
  })
}
const setEdge = (kept: 'copies' | 'pivots') =>
  edits.change('edge', (f) => {
    if (kept === 'pivots') f.edge = kept
    else delete f.edge
  })
const points = computed(() => (fill.value.outline.kind === 'polygon' ? fill.value.outline.points : []))
const point = (i: number, axis: 0 | 1) => (value: number) =>
  edits.recipe((f) => {
    if (f.outline.kind === 'polygon') f.outline.points[i][axis] = value
  })
const addPoint = (i: number): void =>
  void edits.change('outline', (f) => {
    if (f.outline.kind !== 'polygon') return
    const [a, b] = [f.outline.points[i], f.outline.points[(i + 1) % f.outline.points.length]]
    f.outline.points.splice(i + 1, 0, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])
  })
const dropPoint = (i: number): void =>
  void edits.change('outline', (f) => {
    if (f.outline.kind === 'polygon' && f.outline.points.length > 3) f.outline.points.splice(i, 1)
  })
</script>

<template>
  <Step :number="number" :name="`${pattern.id} layout`">
    Fill <ChoiceValue label="Outline" :value="fill.outline.kind" :options="shapeOptions" @pick="setShape" /><template
      v-if="fill.outline.kind !== 'polygon'"
      >{{ ' '
      }}<NumberValue
        :value="fill.outline.width"
        quantity="length"
        label="Width of the outline"
        :undo="edits.name('outline')"
        :check="positive"
        :edit="side('width')"
      />
      wide,
      <NumberValue
        :value="fill.outline.depth"
        quantity="length"
        label="Depth of the outline"
        :undo="edits.name('outline')"
        :check="positive"
        :edit="side('depth')"
      />
      deep</template
    ><template v-else>
      of <span class="figure">{{ points.length }}</span> points</template
    >, with
    <NumberValue
      v-if="fill.by === 'count'"
      :value="fill.count"
      quantity="count"
      label="Count"
      :undo="edits.name('count')"
      :edit="set('count')"
    />
    <NumberValue
      v-else
      :value="fill.density"
      quantity="density"
      label="Density"
      :undo="edits.name('density')"
      :edit="set('density')"
    />{{ ' ' }} <ChoiceValue label="Amount" :value="fill.by" :options="byOptions" @pick="setBy" />,
    <ChoiceValue
      label="Spread"
      :value="fill.how"
      :options="howOptions"
      @pick="(how: Fill['how']) => edits.change('spread', (f) => void (f.how = how))"
    /><template v-if="fill.how === 'even'"
      >{{ ' ' }}at least
      <NumberValue
        :value="fill.least"
        quantity="length"
        label="Least distance"
        :undo="edits.name('least distance')"
        :edit="set('least')"
      />
      apart</template
    ><template v-if="fill.how !== 'sunflower'"
      >,
      <SeedValue
        :seed="fill.seed"
        label="Seed"
        :undo="edits.name('seed')"
        :pattern="pattern"
        :edit="set('seed')" /></template
    ><Clause :neutral="fill.margin === 0 && fill.edge === undefined"
      >,
      <NumberValue
        :value="fill.margin"
        quantity="length"
        state="free"
        label="Margin"
        :undo="edits.name('margin')"
        :check="notNegative"
        :edit="set('margin')" />
      in from the edge,
      <ChoiceValue label="Kept inside" :value="fill.edge ?? 'copies'" :options="edgeOptions" @pick="setEdge" /></Clause
    >.
    <template #facts><LayoutFacts :outcome="outcome" /></template>
    <template v-if="points.length" #after>
      <details>
        <summary>Points, across and deep</summary>
        <div v-for="([x, z], i) in points" :key="i" class="point">
          <span class="figure n">{{ formatNumber(i + 1, 0) }}</span>
          <NumberValue
            :value="x"
            quantity="length"
            state="free"
            :label="`Point ${i + 1} across`"
            :undo="edits.name('outline')"
            :edit="point(i, 0)"
          />
          <NumberValue
            :value="z"
            quantity="length"
            state="free"
            :label="`Point ${i + 1} deep`"
            :undo="edits.name('outline')"
            :edit="point(i, 1)"
          />
          <button
            type="button"
            class="tool"
            :aria-label="`Add a point after ${i + 1}`"
            title="Add a point after it"
            @click="addPoint(i)"
          >
            <Plus :size="14" />
          </button>
          <button
            type="button"
            class="tool"
            :disabled="points.length <= 3"
            :aria-label="`Delete point ${i + 1}`"
            title="Delete it"
            @click="dropPoint(i)"
          >
            <X :size="14" />
          </button>
        </div>
      </details>
    </template>
  </Step>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-size: 12px;
  color: var(--soft);
  min-height: 24px;
  margin-top: 4px;
}
.point {
  display: flex;
  align-items: center;
  gap: 6px;
}
.n {
  min-width: 20px;
  color: var(--faint);
}
</style>
