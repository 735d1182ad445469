<script setup lang="ts">
import { anchorsOf } from '@hilera/core/curves/anchors'
import type { Path, PathFacing, PathWay } from '@hilera/core/layouts/path/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Measure } from '@hilera/core/values/spacing'
import type { Ends, Leftover } from '@hilera/core/values/spacing'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import CurvePoints from '../../curves/CurvePoints.vue'
import CurveValues from '../../curves/CurveValues.vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import { endsOptions, leftoverOptions, measureOptions } from '../lineWords'
import NumberValue from '../../sentences/NumberValue.vue'
import { reading } from '../measuring'
import OutlinesChoice from '../OutlinesChoice.vue'
import PutOnPath from './PutOnPath.vue'
import Step from '../../sentences/Step.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const edits = useLayoutEdits('path', () => props.pattern)
const path = computed(() => props.pattern.layout as Path)
const laid = computed(() => (props.outcome?.laid?.kind === 'path' ? props.outcome.laid : undefined))

const stateOf = (which: 'count' | 'spacing'): 'held' | 'worked' => (path.value.hold === which ? 'held' : 'worked')
const valueOf = (which: 'count' | 'spacing'): number => {
  const out = laid.value?.[which]
  return path.value.hold !== which && out !== undefined && !Number.isNaN(out) ? out : path.value[which]
}
const hold = (which: 'count' | 'spacing') => (value: number) =>
  edits.recipe((p) => {
    p[which] = value
    p.hold = which
  })
const set = (key: 'insetStart' | 'insetEnd' | 'slide' | 'twist' | 'aside' | 'lift') => (value: number) =>
  edits.recipe((p) => void (p[key] = value))
const setMeasure = (measure: Measure): void =>
  void edits.change('measure', reading(props.pattern.id, path.value, measure, laid.value?.readAs?.[measure]))
/** Straight distances and bays are from pivot to pivot: a gap is read as the pitch that it comes to. */
function setWay(way: PathWay): void {
  const pitch = path.value.measure === 'pitch' ? undefined : laid.value?.readAs?.pitch
  const read =
    way !== 'length' && pitch !== undefined ? reading(props.pattern.id, path.value, 'pitch', pitch) : undefined
  void edits.change('way', (p) => {
    p.way = way
    read?.(p)
  })
}
const notNegative = (value: number): Sentence | undefined => (value >= 0 ? undefined : ['An inset is 0 or more.'])

const wayOptions = [
  { value: 'length' as const, words: 'evenly by length', note: 'true length along the curve' },
  { value: 'straight' as const, words: 'by straight distance', note: 'from one to the next, as rigid links' },
  { value: 'corners' as const, words: 'on every corner', note: 'with even bays between' },
]
const facingOptions = [
  { value: 'upright' as const, words: 'along, staying upright' },
  { value: 'along' as const, words: 'along' },
  { value: 'leastTwist' as const, words: 'along, with the least twist' },
  { value: 'unchanged' as const, words: 'not turned' },
]
const contourOptions = [
  { value: 'each' as const, words: 'on each contour for itself' },
  { value: 'asOne' as const, words: 'shared among the contours by their lengths' },
]
const senseOptions = [
  { value: 'no', words: 'from its start' },
  { value: 'yes', words: 'from its end' },
]
const joinOptions = [
  { value: 'no' as const, words: 'in their own size' },
  { value: 'stretch' as const, words: 'stretched to reach the next', note: 'strips that join end to end' },
  {
    value: 'choose' as const,
    words: 'chosen by length to reach the next',
    note: 'the dealt part of the nearest length, stretched by what is missing',
  },
]
const shownOptions = [
  { value: 'yes', words: 'shown' },
  { value: 'no', words: 'hidden' },
]
/** What can be typed point by point: the points, or the anchors of a curve drawn with handles. */
const points = computed(() => {
  const { curve } = path.value
  return curve.kind === 'points'
    ? curve.points
    : curve.kind === 'bezier' && curve.from.kind === 'hand'
      ? anchorsOf(curve.runs[0])
      : undefined
})
const closed = computed(() => laid.value?.contours[0]?.closed ?? false)
/** Whether nothing is to be said of how it runs. */
const runsPlainly = computed(() => {
  const { reverse, insetStart, insetEnd, slide } = path.value
  return !reverse && insetStart === 0 && insetEnd === 0 && slide === 0
})
const worked = computed(() =>
  path.value.way === 'corners' ? 'first bay' : path.value.way === 'straight' ? 'apart' : '',
)
</script>

<template>
  <Step :number="number" :name="`${pattern.id} layout`">
    {{ path.join === 'no' ? 'Place' : 'Join strips between' }}
    <NumberValue
      :value="valueOf('count')"
      quantity="count"
      label="Count"
      :undo="edits.name('count')"
      :state="stateOf('count')"
      :edit="hold('count')"
    />{{ ' ' }}
    <template v-if="path.join !== 'no'">places</template>
    along <CurveValues :curve="path.curve" :edits="edits" />,
    <Clause :neutral="path.way === 'length'"
      ><ChoiceValue label="Way" :value="path.way" :options="wayOptions" @pick="setWay" />, </Clause
    ><NumberValue
      :value="valueOf('spacing')"
      quantity="length"
      label="Spacing"
      :undo="edits.name('spacing')"
      :state="stateOf('spacing')"
      :edit="hold('spacing')"
    />{{ ' ' }} <template v-if="path.way !== 'length'">{{ worked }}</template><ChoiceValue
      v-else
      label="Measure"
      :value="path.measure"
      :options="measureOptions"
      @pick="setMeasure"
    /><OutlinesChoice v-if="path.way === 'length'" :pattern="pattern" /><template
      v-if="path.way === 'length' && !closed"
      >,
      <ChoiceValue
        label="Ends"
        :value="path.ends"
        :options="endsOptions"
        @pick="(e: Ends) => edits.change('ends', (p) => void (p.ends = e))" /></template
    ><Clause v-if="path.hold === 'spacing' && path.way === 'length'" :neutral="path.leftover === 'end'"
      >, left over
      <ChoiceValue
        label="Leftover"
        :value="path.leftover"
        :options="leftoverOptions"
        @pick="(l: Leftover) => edits.change('leftover', (p) => void (p.leftover = l))" /></Clause
    ><Clause v-if="(laid?.contours.length ?? 1) > 1" :neutral="path.contours === 'each'"
      >,
      <ChoiceValue
        label="Contours"
        :value="path.contours"
        :options="contourOptions"
        @pick="(c: Path['contours']) => edits.change('contours', (p) => void (p.contours = c))" /></Clause
    >; <template v-if="path.facing !== 'unchanged'">turned </template>
    <ChoiceValue
      label="Facing"
      :value="path.facing"
      :options="facingOptions"
      @pick="(f: PathFacing) => edits.change('facing', (p) => void (p.facing = f))"
    /><Clause :neutral="path.twist === 0"
      >, twisting
      <NumberValue
        :value="path.twist"
        quantity="angle"
        state="free"
        label="Twist"
        :undo="edits.name('twist')"
        :edit="set('twist')"
      />
      in all</Clause
    ><Clause :neutral="path.join === 'no'"
      >,
      <ChoiceValue
        label="Size along"
        :value="path.join"
        :options="joinOptions"
        @pick="(j: Path['join']) => edits.change('size along', (p) => void (p.join = j))" /></Clause
    >.<Clause :neutral="runsPlainly">
      It runs
      <ChoiceValue
        label="Sense"
        :value="path.reverse ? 'yes' : 'no'"
        :options="senseOptions"
        @pick="(r: string) => edits.change('sense', (p) => void (p.reverse = r === 'yes'))"
      /><Clause :neutral="path.insetStart === 0"
        >,
        <NumberValue
          :value="path.insetStart"
          quantity="length"
          state="free"
          label="Inset at the start"
          :undo="edits.name('inset')"
          :check="notNegative"
          :edit="set('insetStart')"
        />
        in from the start</Clause
      ><Clause :neutral="path.insetEnd === 0"
        >,
        <NumberValue
          :value="path.insetEnd"
          quantity="length"
          state="free"
          label="Inset at the end"
          :undo="edits.name('inset')"
          :check="notNegative"
          :edit="set('insetEnd')"
        />
        in from the end</Clause
      ><Clause :neutral="path.slide === 0"
        >, slid by
        <NumberValue
          :value="path.slide"
          quantity="length"
          state="free"
          label="Slide"
          :undo="edits.name('slide')"
          :edit="set('slide')" /></Clause
      >.</Clause
    ><Clause :neutral="path.aside === 0 && path.lift === 0">
      They stand
      <NumberValue
        :value="path.aside"
        quantity="length"
        state="free"
        label="Aside"
        :undo="edits.name('offset')"
        :edit="set('aside')"
      />
      aside and
      <NumberValue
        :value="path.lift"
        quantity="length"
        state="free"
        label="Lift"
        :undo="edits.name('offset')"
        :edit="set('lift')"
      />
      up from it.</Clause
    ><Clause :neutral="path.shown">
      The curve is
      <ChoiceValue
        label="Guide"
        :value="path.shown ? 'yes' : 'no'"
        :options="shownOptions"
        @pick="(s: string) => edits.change('guide', (p) => void (p.shown = s === 'yes'))"
      />.</Clause
    >
    <template #facts><LayoutFacts :outcome="outcome" /></template>
    <template #after>
      <CurvePoints v-if="points" :pattern="pattern" :points="points" />
      <PutOnPath :pattern="pattern" />
    </template>
  </Step>
</template>
