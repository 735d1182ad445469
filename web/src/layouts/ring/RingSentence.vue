<script setup lang="ts">
import { type Ring, type RingHeld, type RingMeasure, ringTriple } from '@hilera/core/layouts/ring/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Axis } from '@hilera/core/values/values'
import type { Ends } from '@hilera/core/values/spacing'
import { computed } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import { endsOptions } from '../lineWords'
import NumberValue from '../../sentences/NumberValue.vue'
import { reading } from '../measuring'
import OutlinesChoice from '../OutlinesChoice.vue'
import Step from '../../sentences/Step.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const edits = useLayoutEdits('ring', () => props.pattern)
const ring = computed(() => props.pattern.layout as Ring)
const laid = computed(() => (props.outcome?.laid?.kind === 'ring' ? props.outcome.laid : undefined))
const worked = computed<RingHeld>(() => ringTriple.find((which) => !ring.value.hold.includes(which)) ?? 'spacing')
const stateOf = (which: RingHeld): 'held' | 'worked' => (worked.value === which ? 'worked' : 'held')
const valueOf = (which: RingHeld): number => {
  const out = laid.value?.[which]
  return worked.value === which && out !== undefined && !Number.isNaN(out) ? out : ring.value[which]
}
/** Taking hold of the third lets go of the one untouched longest. */
const hold = (which: RingHeld) => (value: number) =>
  edits.recipe((r) => {
    r[which] = value
    const other = r.hold[1] === which ? r.hold[0] : r.hold[1]
    r.hold = [other === which ? r.hold[0] : other, which]
  })
const set =
  <K extends 'start' | 'rise' | 'widen' | 'radialPitch' | 'rings'>(key: K) =>
  (value: number) =>
    edits.recipe((r) => void (r[key] = value))

const sweepOptions = [
  { value: 'full' as const, words: 'all the way round', note: 'the first copy is never doubled' },
  { value: 'arc' as const, words: 'through an angle', note: 'several turns too' },
]
const measureOptions = [
  { value: 'gap' as const, words: 'gap', note: 'the nearest distance between the outlines of neighbours' },
  { value: 'chord' as const, words: 'straight', note: 'from pivot to pivot' },
  { value: 'arc' as const, words: 'along the arc', note: 'from pivot to pivot' },
]
const facingOptions = computed(() => [
  { value: 'out' as const, words: 'facing out', note: ring.value.axis === 'up' ? 'their fronts' : 'their tops' },
  { value: 'in' as const, words: 'facing in' },
  { value: 'along' as const, words: 'facing along' },
  { value: 'turning' as const, words: 'turning with it', note: 'the first as it is' },
  { value: 'unchanged' as const, words: 'unturned' },
])
const axisOptions = [
  { value: 'up' as const, words: 'up', note: 'the ring lies' },
  { value: 'deep' as const, words: 'deep', note: 'the ring stands, seen from the front' },
  { value: 'across' as const, words: 'across', note: 'the ring stands, seen from the side' },
]
const senseOptions = [
  { value: '1', words: 'counter-clockwise' },
  { value: '-1', words: 'clockwise' },
]
const perOptions = [
  { value: 'step' as const, words: 'a step' },
  { value: 'turn' as const, words: 'a turn' },
  { value: 'total' as const, words: 'in all' },
]
const countsOptions = [
  { value: 'keepSpacing' as const, words: 'as many as keep the spacing' },
  { value: 'same' as const, words: 'the same count' },
]
const setSweep = (kind: Ring['sweep']['kind']): void =>
  void edits.change(
    'sweep',
    (r) => void (r.sweep = kind === 'full' ? { kind } : { kind, angle: Math.PI, ends: 'both' }),
  )
const arc = (value: number) =>
  edits.recipe((r) => {
    if (r.sweep.kind === 'arc') r.sweep.angle = value
  })
const setEnds = (ends: Ends): void =>
  void edits.change('ends', (r) => {
    if (r.sweep.kind === 'arc') r.sweep.ends = ends
  })
const setMeasure = (measure: RingMeasure): void =>
  void edits.change('spacing', reading(props.pattern.id, ring.value, measure, finite(laid.value?.[measure])))
const finite = (n: number | undefined): number | undefined => (Number.isFinite(n) ? n : undefined)
const rings = (value: number) =>
  Number.isInteger(value) && value >= 1 && value <= 1000 ? undefined : ['Type a whole number of rings from 1 to 1 000.']
/** Whether nothing is to be said of how it turns: about up, from straight across, level, in one ring. */
const turnsPlainly = computed(() => {
  const { axis, sense, start, rise, widen, rings: count } = ring.value
  return axis === 'up' && sense === 1 && start === 0 && rise === 0 && widen === 0 && count === 1
})
</script>

<template>
  <Step :number="number" :name="`${pattern.id} layout`">
    Place
    <NumberValue
      :value="valueOf('count')"
      quantity="count"
      label="Count"
      :undo="edits.name('count')"
      :state="stateOf('count')"
      :edit="hold('count')"
    />
    round a circle of radius
    <NumberValue
      :value="valueOf('radius')"
      quantity="length"
      label="Radius"
      :undo="edits.name('radius')"
      :state="stateOf('radius')"
      :edit="hold('radius')"
    />, <ChoiceValue label="Sweep" :value="ring.sweep.kind" :options="sweepOptions" @pick="setSweep" /><template
      v-if="ring.sweep.kind === 'arc'"
      >{{ ' ' }}of
      <NumberValue
        :value="ring.sweep.angle"
        quantity="angle"
        label="Angle"
        state="held"
        :undo="edits.name('angle')"
        :edit="arc" />,
      <ChoiceValue label="Ends" :value="ring.sweep.ends" :options="endsOptions" @pick="setEnds" /></template
    >,
    <NumberValue
      :value="valueOf('spacing')"
      quantity="length"
      label="Spacing"
      :undo="edits.name('spacing')"
      :state="stateOf('spacing')"
      :edit="hold('spacing')"
    />{{ ' ' }}
    <ChoiceValue label="Measure" :value="ring.measure" :options="measureOptions" @pick="setMeasure" /><OutlinesChoice
      :pattern="pattern"
    />,
    <ChoiceValue
      label="Facing"
      :value="ring.facing"
      :options="facingOptions"
      @pick="(f: Ring['facing']) => edits.change('facing', (r) => void (r.facing = f))"
    />.<Clause :neutral="turnsPlainly">
      It turns about
      <ChoiceValue
        label="Axis"
        :value="ring.axis"
        :options="axisOptions"
        @pick="(a: Axis) => edits.change('axis', (r) => void (r.axis = a))"
      /><Clause :neutral="ring.sense === 1"
        >,
        <ChoiceValue
          label="Sense"
          :value="String(ring.sense)"
          :options="senseOptions"
          @pick="(s: string) => edits.change('sense', (r) => void (r.sense = s === '1' ? 1 : -1))" /></Clause
      ><Clause :neutral="ring.start === 0"
        >, from
        <NumberValue
          :value="ring.start"
          quantity="angle"
          state="free"
          label="Start angle"
          :undo="edits.name('start')"
          :edit="set('start')" /></Clause
      ><Clause :neutral="ring.rise === 0"
        >, rising
        <NumberValue
          :value="ring.rise"
          quantity="length"
          state="free"
          label="Rise"
          :undo="edits.name('rise')"
          :edit="set('rise')" />{{ ' '
        }}<ChoiceValue
          v-if="ring.rise !== 0"
          label="Rise per"
          :value="ring.risePer"
          :options="perOptions"
          @pick="(p: Ring['risePer']) => edits.change('rise', (r) => void (r.risePer = p))" /></Clause
      ><Clause :neutral="ring.widen === 0"
        >, widening
        <NumberValue
          :value="ring.widen"
          quantity="length"
          state="free"
          label="Widening"
          :undo="edits.name('widening')"
          :edit="set('widen')" />{{ ' '
        }}<ChoiceValue
          v-if="ring.widen !== 0"
          label="Widening per"
          :value="ring.widenPer"
          :options="perOptions"
          @pick="(p: Ring['widenPer']) => edits.change('widening', (r) => void (r.widenPer = p))" /></Clause
      ><Clause :neutral="ring.rings === 1"
        >;
        <NumberValue
          :value="ring.rings"
          quantity="count"
          state="free"
          label="Rings"
          :undo="edits.name('rings')"
          :check="rings"
          :edit="set('rings')" />
        {{ ring.rings === 1 ? 'ring' : 'rings'
        }}<template v-if="ring.rings > 1"
          >{{ ' '
          }}<NumberValue
            :value="ring.radialPitch"
            quantity="length"
            state="free"
            label="Between rings"
            :undo="edits.name('rings')"
            :edit="set('radialPitch')" />
          apart, each with
          <ChoiceValue
            label="Counts of rings"
            :value="ring.ringCounts"
            :options="countsOptions"
            @pick="
              (c: Ring['ringCounts']) => edits.change('rings', (r) => void (r.ringCounts = c))
            " /></template></Clause
      >.</Clause
    >
    <template #facts><LayoutFacts :outcome="outcome" /></template>
  </Step>
</template>
