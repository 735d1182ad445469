<script setup lang="ts">
import { groundDefinitionOf } from '@hilera/core/grounds/index'
import { someLength } from '@hilera/core/grounds/checks'
import { placeWords } from '@hilera/core/grounds/placeSentence'
import { planSentence } from '@hilera/core/plans/sentence'
import { bind } from '@hilera/core/sentences/bind'
import { knowledge } from '@hilera/core/sentences/knowledge'
import type { Template } from '@hilera/core/sentences/nodes'
import Button from 'primevue/button'
import { computed, provide } from 'vue'
import { useRefusal } from '../shell/refusal'
import { useBrightness } from '../patterns/brightness'
import { ASK } from '../sentences/edits'
import PlainNumber from '../sentences/PlainNumber.vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { usePlans } from './plans'
import { type Under, isPlan, useUnderEdits } from './underEdits'

/** A ground or a plan, read and changed by its sentences. */
const props = defineProps<{ under: Under }>()
const document = useDocument()
const edits = useUnderEdits()
const plans = usePlans()
const refuse = useRefusal('Not scaled')
const { choose } = useBrightness()
const sentence = edits.sentence(() => props.under)
const around = computed(() => ({ knows: knowledge, project: document.project, unit: document.unit }))
const bound = (template: Template<never>, into: (under: Under) => unknown) =>
  bind(template as Template<unknown>, { root: props.under, into }, around.value)
const form = computed(() =>
  isPlan(props.under)
    ? bound(planSentence as unknown as Template<never>, (u) => u)
    : bound(groundDefinitionOf(props.under.shape).sentence as unknown as Template<never>, (u) =>
        isPlan(u) ? u : u.shape,
      ),
)
const place = computed(() =>
  isPlan(props.under) ? undefined : bound(placeWords<Under>('It lies') as unknown as Template<never>, (u) => u),
)
const settled = computed(() => edits.settledOn(props.under))
// A picture with other heights.
provide(ASK, () =>
  choose(
    (file, fileName) =>
      void sentence.change('picture', (u) => {
        if (!isPlan(u) && u.shape.kind === 'heights') Object.assign(u.shape, { file, fileName })
      }),
  ),
)
const measured = computed(() => plans.scaling?.id === props.under.id)
const distance = computed({
  get: () => plans.between,
  set: (to: number) => void plans.scale(to).then((problem) => refuse(problem?.says)),
})
</script>

<template>
  <section class="under-panel" :aria-label="under.name">
    <h2>
      <NameField :name="under.name" label="Name of what lies under it" @rename="(name) => edits.rename(under, name)" />
    </h2>
    <p v-if="under.locked" class="note read">It is locked: unlock it to change it.</p>
    <p v-else class="note read">
      {{ isPlan(under) ? 'A plan to click on; it is not exported.' : 'A ground to settle on.' }}
    </p>
    <Step :number="1" :name="`${under.id} form`"><SentenceItems :items="form" :edits="sentence" /></Step>
    <Step v-if="place" :number="2" :name="`${under.id} place`"><SentenceItems :items="place" :edits="sentence" /></Step>
    <div v-if="isPlan(under)" class="scale">
      <p v-if="measured" class="said">
        The two places are
        <PlainNumber
          v-model="distance"
          quantity="length"
          label="True distance"
          :check="someLength('The true distance')"
        />
        apart in truth.
      </p>
      <button type="button" class="aside" @click="isPlan(under) && plans.pickScale(under)">
        Scale it by two places
      </button>
    </div>
    <p v-else class="note">
      {{
        settled.length
          ? `${settled.join(', ')} ${settled.length === 1 ? 'settles' : 'settle'} on it and follow.`
          : 'Nothing settles on it yet: pick a pattern and add the step Settle.'
      }}
    </p>
    <div class="row">
      <Button
        :label="under.hidden ? 'Show' : 'Hide'"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.setHidden(under, !under.hidden)"
      />
      <Button
        :label="under.locked ? 'Unlock' : 'Lock'"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.setLocked(under, !under.locked)"
      />
      <Button
        label="Remove"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="edits.keptBy(under) !== undefined"
        :title="edits.keptBy(under)"
        @click="edits.remove(under)"
      />
    </div>
  </section>
</template>

<style scoped>
h2 {
  padding: 0 4px;
  margin: 0 -4px;
  overflow: hidden;
  font-size: 21px;
  line-height: 1.25;
}
.read {
  margin: 2px 0 8px;
}
.said {
  font: 17px/1.5 var(--serif);
}
.row {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
</style>
