<script setup lang="ts">
import { type FileUnit, fileUnits, meshKey, type NamedPoint, type Part, type Solid } from '@hilera/core/model/part'
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { boundsOf } from '@hilera/core/solids/outline'
import { plural, type Sentence } from '@hilera/core/words'
import { X } from '@lucide/vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useImport } from '../parts/importFile'
import { freeName } from '@hilera/core/names'
import { patternsUsing, usePartEdits } from '../parts/partEdits'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import ChoiceValue from './ChoiceValue.vue'
import NumberValue from './NumberValue.vue'
import { type SolidNumber, solidWords } from './solidWords'

/** A part told as a sentence, its numbers edited in place; every copy follows at once. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const selection = useSelection()
const edits = usePartEdits()

const solid = computed<Solid | undefined>(() => (props.part.shape.kind === 'mesh' ? undefined : props.part.shape))
const told = computed(() => solid.value && solidWords[solid.value.kind])
const copies = computed(() => edits.copiesOf(props.part.id))
const users = computed(() => patternsUsing(document.project, props.part.id))
const keptBy = computed(() => edits.keptBy(props.part.id))
const size = computed(() => {
  const { shape } = props.part
  const { low, high } = boundsOf(shape, shape.kind === 'mesh' ? document.meshes.get(meshKey(shape)) : undefined)
  return low.map((n, i) => formatLength(high[i] - n, document.unit)).join(' × ')
})
const points = computed(() => props.part.points ?? [])
const topOf = (): number => boundsOf(props.part.shape).high[1]
function changePoints(edit: (points: NamedPoint[]) => void): void {
  document.change(
    undo('points'),
    edits.recipe(props.part.id, (p) => edit((p.points ??= []))),
  )
}
const undo = (what: string): string => `${what.toLowerCase()} of ${props.part.name}`
const atLeast =
  (number: { zero?: boolean }) =>
  (value: number): Sentence | undefined =>
    value > 0 || (number.zero && value === 0)
      ? undefined
      : ['A part’s sizes are more than 0. Type a length such as ', { length: 0.05 }, '.']
const set = (number: SolidNumber) => (value: number) => edits.solidRecipe(props.part.id, (s) => number.write(s, value))
const look = (key: 'roughness' | 'metal') => (value: number) =>
  edits.recipe(props.part.id, (p) => void (p.look[key] = value))
const share = (value: number): Sentence | undefined =>
  value >= 0 && value <= 1 ? undefined : ['Type a share from 0 to 100 %.']
const point = (i: number, key: 'radius' | 'height') => (value: number) =>
  edits.solidRecipe(props.part.id, (s) => {
    if (s.kind === 'lathe') s.profile[i][key] = value
  })
const unitWords: Record<FileUnit, string> = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
  ft: 'feet',
}
const unitOptions = fileUnits.map((value) => ({ value, words: unitWords[value] }))
const { setUnit } = useImport()
const setColor = (event: Event): void =>
  void document.change(
    undo('colour'),
    edits.recipe(props.part.id, (p) => void (p.look.color = (event.target as HTMLInputElement).value)),
  )
const rename = (name: string): void =>
  void document.change(
    `name of ${props.part.name}`,
    edits.recipe(props.part.id, (p) => void (p.name = name)),
  )
</script>

<template>
  <section class="part" :aria-label="`Part ${part.name}`">
    <header>
      <h2><NameField :name="part.name" label="Name of the part" @rename="rename" /></h2>
      <button
        type="button"
        class="tool"
        aria-label="Close the part"
        title="Close"
        @click="selection.pickPart(undefined)"
      >
        <X :size="15" />
      </button>
    </header>
    <p class="sentence">
      <template v-if="solid && told">
        {{ told.words }}
        <template v-for="(n, i) in told.numbers" :key="n.label"
          ><NumberValue
            :value="n.read(solid)"
            quantity="length"
            :label="n.label"
            :undo="undo(n.label)"
            :check="atLeast(n)"
            :edit="set(n)"
          />
          {{ n.after }}{{ i < told.numbers.length - 1 ? ', ' : '' }}</template
        >, standing on its base.
      </template>
      <template v-else-if="part.shape.kind === 'mesh'">
        A mesh from <span class="file">{{ part.shape.fileName }}</span>, <span class="figure">{{ size }}</span>,
        <span class="figure">{{ formatNumber(part.shape.triangles, 0) }}</span> triangles; its numbers are read as
        <ChoiceValue
          label="Unit of the file"
          :value="part.shape.unit"
          :options="unitOptions"
          @pick="(unit: FileUnit) => setUnit(part, unit)"
        />.
      </template>
    </p>
    <details v-if="solid?.kind === 'lathe'">
      <summary>Profile, {{ solid.profile.length }} points</summary>
      <div class="profile">
        <span class="note">radius</span><span class="note">height</span>
        <template v-for="(p, i) in solid.profile" :key="i">
          <NumberValue
            :value="p.radius"
            quantity="length"
            state="free"
            :label="`Radius of point ${i + 1}`"
            :undo="undo('profile')"
            :check="atLeast({ zero: true })"
            :edit="point(i, 'radius')"
          />
          <NumberValue
            :value="p.height"
            quantity="length"
            state="free"
            :label="`Height of point ${i + 1}`"
            :undo="undo('profile')"
            :edit="point(i, 'height')"
          />
        </template>
      </div>
    </details>
    <p class="sentence look">
      Its colour is
      <label class="swatch" :style="{ background: part.look.color }"
        ><span class="unseen">Colour</span><input type="color" :value="part.look.color" @change="setColor" /></label
      >,
      <NumberValue
        :value="part.look.roughness"
        quantity="share"
        state="free"
        label="Roughness"
        :undo="undo('roughness')"
        :check="share"
        :edit="look('roughness')"
      />
      rough,
      <NumberValue
        :value="part.look.metal"
        quantity="share"
        state="free"
        label="Metal"
        :undo="undo('metal')"
        :check="share"
        :edit="look('metal')"
      />
      metal.
    </p>
    <details :open="points.length > 0">
      <summary>Named points, {{ points.length }}</summary>
      <div v-for="(p, i) in points" :key="i" class="named">
        <NameField
          :name="p.name"
          :label="`Name of point ${i + 1}`"
          @rename="(name) => changePoints((list) => void (list[i].name = name))"
        />
        <NumberValue
          v-for="(axis, a) in ['across', 'up', 'deep']"
          :key="axis"
          :value="p.at[a]"
          quantity="length"
          state="free"
          :label="`${p.name} ${axis}`"
          :undo="undo('points')"
          :edit="(v) => edits.recipe(part.id, (x) => void (x.points![i].at[a] = v))"
        />
        <button
          type="button"
          :aria-label="`Delete the point ${p.name}`"
          title="Delete"
          @click="changePoints((list) => void list.splice(i, 1))"
        >
          <X :size="14" />
        </button>
      </div>
      <button
        type="button"
        class="add-point"
        @click="
          changePoints(
            (list) =>
              void list.push({
                name: freeName(
                  'Hook',
                  list.map((p) => p.name),
                ),
                at: [0, topOf(), 0],
              }),
          )
        "
      >
        Add a point
      </button>
    </details>
    <p class="note">
      <span class="figure">{{ size }}</span> · used by <span class="figure">{{ copies }}</span>
      {{ plural(copies, 'copy', 'copies') }} in <span class="figure">{{ users.length }}</span>
      {{ plural(users.length, 'pattern', 'patterns') }}; all of them follow.
    </p>
    <div class="row">
      <Button
        v-if="
          selection.pattern &&
          !(selection.pattern.deal.parts.length === 1 && selection.pattern.deal.parts[0] === part.id)
        "
        :label="`Use in ${selection.pattern.name}`"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.useIn(selection.pattern.id, part)"
      />
      <Button
        label="Remove the part"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="!!keptBy"
        :title="keptBy"
        @click="edits.remove(part)"
      />
    </div>
  </section>
</template>

<style scoped>
.part {
  margin: 0 -6px 14px;
  padding: 8px 10px 10px;
  border: 1px solid var(--edge);
  border-radius: 8px;
  background: var(--paper);
}
header {
  display: flex;
  justify-content: space-between;
}
h2 {
  font-size: 18px;
  min-width: 0;
  overflow: hidden;
  padding: 0 4px;
}
.sentence {
  margin: 2px 0 4px;
  font: 15.5px/1.8 var(--serif);
}
.file {
  font: 500 13px var(--sans);
}
.swatch {
  display: inline-block;
  position: relative;
  width: 34px;
  height: 20px;
  vertical-align: -4px;
  border: 1px solid var(--edge);
  border-radius: 5px;
  cursor: pointer;
}
.swatch:focus-within {
  outline: 2px solid var(--madder);
  outline-offset: 2px;
}
.swatch input {
  position: absolute;
  inset: 0;
  opacity: 0;
  width: 100%;
  height: 100%;
  cursor: pointer;
}
summary {
  cursor: pointer;
  font-size: 12px;
  color: var(--soft);
  min-height: 24px;
}
.profile {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 12px;
  max-height: 180px;
  overflow: auto;
  margin-bottom: 6px;
}
.named {
  display: flex;
  align-items: center;
  gap: 6px;
  flex-wrap: wrap;
}
.named > button:last-child,
.add-point {
  border: 0;
  background: none;
  min-height: 24px;
  min-width: 24px;
  color: var(--soft);
  cursor: pointer;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 6px;
}
</style>
