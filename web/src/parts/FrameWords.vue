<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { type Side, sides, sideVectors, type Vec3 } from '@hilera/core/values/values'
import { boundsOfPart } from '@hilera/core/parts/support'
import { computed } from 'vue'
import { useRefusal } from '../shell/refusal'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import NumberValue from '../sentences/NumberValue.vue'
import { useDocument } from '../stores/document'
import { usePartEdits } from './partEdits'
import { copiesStay, usePivotEdits } from './pivotEdits'

/** How a shape stands in its part: its pivot, and which of its sides are top and front. */
const props = defineProps<{ part: Part }>()
const emit = defineEmits<{ pick: [] }>()
const document = useDocument()
const edits = usePartEdits()
const refuse = useRefusal('Not moved')
const pivot = usePivotEdits(
  () => props.part,
  ({ says }) => refuse(says),
)
const tell = async (came: ReturnType<typeof document.change>): Promise<void> => refuse((await came)?.says)

const plain = { pivot: [0, 0, 0] as Vec3, up: 'top' as Side, front: 'front' as Side }
const frame = computed(() => props.part.frame ?? plain)
/** The box about the shape in its own axes. */
const box = computed(() => boundsOfPart({ ...props.part, frame: undefined }, document.source))
const undo = (what: string): string => `${what} of ${props.part.name}`

const places = computed<Readonly<Record<string, Vec3>>>(() => {
  const { low, high } = box.value
  const middle = low.map((n, i) => (n + high[i]) / 2) as Vec3
  return { made: [0, 0, 0], base: [middle[0], low[1], middle[2]], centre: middle, corner: low }
})
const near = (a: Readonly<Vec3>, b: Readonly<Vec3>): boolean => a.every((n, i) => Math.abs(n - b[i]) < 1e-7)
const place = computed(
  () => Object.keys(places.value).find((key) => near(places.value[key], frame.value.pivot)) ?? 'typed',
)
const placeOptions = [
  { value: 'made', words: 'where it was made' },
  { value: 'base', words: 'the middle of its base' },
  { value: 'centre', words: 'its centre' },
  { value: 'corner', words: 'its left back corner' },
  { value: 'pick', words: 'a point picked on it' },
  { value: 'typed', words: 'a typed point' },
]
const stayOptions = [
  { value: 'stay', words: 'stay where they are', note: 'their places go as far as the pivot' },
  { value: 'follow', words: 'follow it', note: 'their places stay, what is seen moves' },
]
const sideOptions = sides.map((value) => ({ value, words: value }))

const write = (edit: (frame: { pivot: Vec3; up: Side; front: Side }) => void) =>
  edits.recipe(props.part.id, (p) => {
    const next = { ...plain, ...p.frame, pivot: [...(p.frame?.pivot ?? plain.pivot)] as Vec3 }
    edit(next)
    if (near(next.pivot, [0, 0, 0]) && next.up === 'top' && next.front === 'front') delete p.frame
    else p.frame = next
  })
function setPlace(key: string): void {
  if (key === 'pick') return emit('pick')
  const at = places.value[key]
  if (at)
    void tell(
      pivot.changing.change(
        undo('pivot'),
        write((f) => void (f.pivot = [...at])),
      ),
    )
}
/** As it was made. Where it is turned too, its copies turn with it. */
function putBack(): void {
  const recipe = edits.recipe(props.part.id, (p) => void delete p.frame)
  const isTurned = frame.value.up !== 'top' || frame.value.front !== 'front'
  void tell((isTurned ? document : pivot.changing).change(undo('pivot and axes'), recipe))
}
/** Two sides on one axis cannot be top and front: the other one then gives way. */
function setSide(which: 'up' | 'front', side: Side): void {
  const other = which === 'up' ? 'front' : 'up'
  const along = (a: Side, b: Side): boolean => sideVectors[a].some((n, i) => n * sideVectors[b][i] !== 0)
  void tell(
    document.change(
      undo(which),
      write((f) => {
        const before = f[which]
        f[which] = side
        if (along(side, f[other])) f[other] = before
      }),
    ),
  )
}
</script>

<template>
  <p class="part-sentence">
    It is placed by <ChoiceValue label="Pivot" :value="place" :options="placeOptions" @pick="setPlace" />, at
    <template v-for="(axis, i) in ['across', 'up', 'deep']" :key="axis"
      ><NumberValue
        :value="frame.pivot[i]"
        quantity="length"
        state="free"
        :label="`Pivot ${axis}`"
        :undo="undo('pivot')"
        :changing="pivot.changing"
        :edit="(n) => write((f) => void (f.pivot[i] = n))"
      />{{ i < 2 ? ', ' : ' ' }}</template
    >of the shape, and its copies
    <ChoiceValue
      label="Copies"
      :value="copiesStay ? 'stay' : 'follow'"
      :options="stayOptions"
      @pick="(s: string) => (copiesStay = s === 'stay')"
    />; its
    <ChoiceValue label="Up axis" :value="frame.up" :options="sideOptions" @pick="(s: Side) => setSide('up', s)" /> is
    up, its
    <ChoiceValue
      label="Front axis"
      :value="frame.front"
      :options="sideOptions"
      @pick="(s: Side) => setSide('front', s)"
    />
    in front.
    <button v-if="part.frame" type="button" class="aside" @click="putBack">Put back</button>
  </p>
</template>
