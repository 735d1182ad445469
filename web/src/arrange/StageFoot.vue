<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { mainViews, viewWords } from '../stage/views'
import { useMeasuring } from '../measuring/measuring'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'
import { hiddenValue } from './hiddenValue'
import StagePicker from './StagePicker.vue'
import ViewsChip from './ViewsChip.vue'

/** How the stage is looked at and picked from, along its lower edge. */
defineProps<{ gridStep: string }>()
const document = useDocument()
const view = useView()
const measuring = useMeasuring()
const hides = hiddenValue()
const viewOptions = mainViews.map((value) => ({ value, label: viewWords(value) }))
</script>

<template>
  <div class="foot">
    <SelectButton
      v-model="view.view"
      :options="viewOptions"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      aria-label="View"
    />
    <ViewsChip />
    <span v-if="hides" class="chip hides" role="status"
      >Hides {{ hides.axis
      }}<template v-if="hides.at"
        >: {{ hides.name }} at <span class="figure">{{ hides.at }}</span></template
      ></span
    >
    <button
      type="button"
      class="chip toggle"
      :aria-pressed="view.numbered"
      title="Show the order in which copies are numbered"
      @click="view.numbered = !view.numbered"
    >
      Numbers
    </button>
    <button
      type="button"
      class="chip toggle"
      :aria-pressed="view.night"
      title="Only the lights among the copies shine"
      @click="view.night = !view.night"
    >
      Night
    </button>
    <button
      v-if="document.project.grounds.length > 0"
      type="button"
      class="chip toggle"
      :aria-pressed="view.normals"
      title="Show how the ground looks under the copies of the picked pattern"
      @click="view.normals = !view.normals"
    >
      Normals
    </button>
    <button type="button" class="chip toggle" :aria-pressed="measuring.ends !== undefined" @click="measuring.begin()">
      Measure <kbd>M</kbd>
    </button>
    <StagePicker />
  </div>
  <p class="dots">
    Dots every <span class="figure">{{ gridStep }}</span>
  </p>
</template>

<style scoped>
.foot {
  position: absolute;
  left: 12px;
  right: 12px;
  /* Above the line of keys. */
  bottom: 28px;
  display: flex;
  flex-wrap: wrap-reverse;
  gap: 8px;
  pointer-events: none;
  align-items: center;
}
.foot > * {
  pointer-events: auto;
}
/* At the end of the line of keys. */
.dots {
  position: absolute;
  right: 12px;
  bottom: 4px;
  margin: 0;
  padding: 1px 8px;
  font-size: 11px;
  color: var(--soft);
  background: var(--stage);
  border-radius: 6px;
  pointer-events: none;
}
.toggle {
  cursor: pointer;
}
.toggle[aria-pressed='true'] {
  color: var(--madder);
  background: var(--madder-wash);
}
</style>
