<script setup lang="ts">
import type { MirrorPlane } from '@hilera/core/values/reflection'
import type { Axis } from '@hilera/core/values/values'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import NumberValue from '../sentences/NumberValue.vue'
import { usePicking } from '../stores/picking'
import type { ReflectionEdits } from './mirrorEdits'
import { usePlaneAxes } from './planeAxes'

/** One mirror plane in words: which way it faces, what it goes through, how far it is moved. */
const props = defineProps<{
  plane: MirrorPlane
  index: number
  edits: ReflectionEdits
  /** How what it goes through is called. */
  middle: string
  /** Whether planes through copies of other patterns can be asked for. */
  others: boolean
  patternId: string
}>()
const picking = usePicking()
const axes = usePlaneAxes(() => props.patternId)
const numbered = (label: string): string => (props.index === 0 ? label : `${label}, plane ${props.index + 1}`)
const recipe = (edit: (plane: MirrorPlane) => void) =>
  props.edits.recipe((r) => {
    if (r.planes[props.index]) edit(r.planes[props.index])
  })
const change = (edit: (plane: MirrorPlane) => void): void =>
  props.edits.change('plane', (r) => {
    if (r.planes[props.index]) edit(r.planes[props.index])
  })

const facingOptions = computed(() => [
  { value: 'across', words: 'across' },
  { value: 'deep', words: 'deep' },
  { value: 'up', words: 'up' },
  ...(props.plane.facing.kind === 'free' ? [{ value: 'free', words: 'as picked' }] : []),
])
const facing = computed(() => (props.plane.facing.kind === 'free' ? 'free' : props.plane.facing.axis))
function setFacing(value: string): void {
  if (value !== 'free') change((p) => void (p.facing = { kind: 'axis', axis: value as Axis, angle: 0 }))
}
const about = computed(() => (facing.value === 'up' ? 'deep' : 'up'))
const throughOptions = computed(() => [
  { value: 'origin' as const, words: 'its origin' },
  { value: 'centre' as const, words: props.middle },
  { value: 'copy' as const, words: 'a copy’s pivot', note: 'click it on the stage' },
  { value: 'point' as const, words: 'a place', note: 'click it on the stage, or type it' },
])
async function setThrough(kind: MirrorPlane['through']['kind']): Promise<void> {
  if (kind === 'origin' || kind === 'centre') return change((p) => void (p.through = { kind }))
  const picked = await picking.place(kind === 'copy' ? 'Click a copy' : 'Click a place, a corner or an edge')
  if (!picked) return
  const { copy } = picked
  if (kind === 'copy' && copy && (props.others || copy.patternId === props.patternId))
    return change((p) => void (p.through = { kind, pattern: copy.patternId, slot: copy.slot }))
  change((p) => void (p.through = { kind: 'point', at: axes.place(picked.point) }))
}
const point = (axis: number) => (value: number) =>
  recipe((p) => {
    if (p.through.kind === 'point') p.through.at[axis] = value
  })
</script>

<template>
  <template v-if="index > 0"> and </template>a plane that faces
  <ChoiceValue :label="numbered('Facing')" :value="facing" :options="facingOptions" @pick="setFacing" /><template
    v-if="plane.facing.kind === 'axis'"
    >, turned
    <NumberValue
      :value="plane.facing.angle"
      quantity="angle"
      state="free"
      :label="numbered('Angle of the plane')"
      :undo="edits.name('plane')"
      :edit="(n) => recipe((p) => void (p.facing.kind === 'axis' && (p.facing.angle = n)))"
    />
    about {{ about }}</template
  >, through
  <ChoiceValue
    :label="numbered('Through')"
    :value="plane.through.kind"
    :options="throughOptions"
    @pick="(t: MirrorPlane['through']['kind']) => void setThrough(t)"
  /><template v-if="plane.through.kind === 'point'"
    >{{ ' '
    }}<NumberValue
      v-for="(name, i) in ['across', 'up', 'deep']"
      :key="name"
      :value="plane.through.at[i]"
      quantity="length"
      state="free"
      :label="numbered(`Place ${name}`)"
      :undo="edits.name('plane')"
      :edit="point(i)" /></template
  >,
  <NumberValue
    :value="plane.offset"
    quantity="length"
    state="free"
    :label="numbered('Offset of the plane')"
    :undo="edits.name('plane')"
    :edit="(n) => recipe((p) => void (p.offset = n))"
  />
  <span>off it,</span>
</template>
