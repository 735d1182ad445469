<script setup lang="ts">
import { lengthUnits } from '@hilera/core/numbers/units'
import { SlidersHorizontal } from '@lucide/vue'
import Button from 'primevue/button'
import Popover from 'primevue/popover'
import Select from 'primevue/select'
import SelectButton from 'primevue/selectbutton'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, useTemplateRef } from 'vue'
import { NOT_THERE } from '../api/client'
import { useCommands } from '../commands/commands'
import { useDocument } from '../stores/document'
import type { SaveState } from '../saving/queue'
import { useSession } from '../stores/session'
import { useView } from '../stores/view'
import { useTheme } from '../theme/theme'
import Mark from './Mark.vue'
import NameField from './NameField.vue'

const document = useDocument()
const session = useSession()
const commands = useCommands()
const view = useView()
const { chosen } = useTheme()
const settings = useTemplateRef<InstanceType<typeof Popover>>('settings')

const states: Record<SaveState, string> = {
  saved: 'Saved',
  waiting: 'Saving…',
  sending: 'Saving…',
  away: 'Kept here, server away',
  conflict: 'Changed elsewhere',
  refused: 'Not saved',
}
/** Whoever answers and cannot take it just now is not away: the reason is told where it is pointed at. */
const isHeldBack = computed(() => session.state === 'away' && session.detail !== '' && session.detail !== NOT_THERE)
const words = computed(() => (isHeldBack.value ? 'Kept here, not taken yet' : states[session.state]))
/** What is to be done again by hand where it was asked for; changes are sent again by themselves. */
const reason = computed(() => {
  if (isHeldBack.value) return `${session.detail} Changes are kept in this browser and sent by themselves.`
  if (session.state !== 'away') return session.detail
  return 'The server cannot be reached. Changes are kept in this browser and sent when it is back.'
})
const unitOptions = lengthUnits.map((value) => ({ value, label: value === 'ftin' ? 'ft in' : value }))
const unit = computed({
  get: () => document.unit,
  set: (value) => void document.change('unit', (p) => void (p.unit = value)),
})
const undo = computed(() => commands.byId('undo'))
const redo = computed(() => commands.byId('redo'))
const rename = (name: string): void => void document.change('name of the project', (p) => void (p.name = name))
</script>

<template>
  <header>
    <Mark />
    <span class="slash" aria-hidden="true">/</span>
    <h1><NameField :name="document.project.name" label="Name of the project" @rename="rename" /></h1>
    <span class="state" :class="session.state" role="status" :title="reason">{{ words }}</span>
    <span class="rest" />
    <button type="button" class="find" aria-label="Find a command or a part" @click="commands.finding = true">
      <span>Find a command or a part</span><kbd>Ctrl K</kbd>
    </button>
    <Button
      label="Undo"
      severity="secondary"
      variant="outlined"
      :disabled="!!undo?.unavailable"
      :title="undo?.unavailable ?? undo?.words"
      @click="commands.run('undo')"
    />
    <Button
      label="Redo"
      severity="secondary"
      variant="outlined"
      :disabled="!!redo?.unavailable"
      :title="redo?.unavailable ?? redo?.words"
      @click="commands.run('redo')"
    />
    <Select
      v-model="unit"
      :options="unitOptions"
      option-label="label"
      option-value="value"
      aria-label="Unit"
      class="unit"
    />
    <Button severity="secondary" variant="text" aria-label="Settings" title="Settings" @click="settings?.toggle($event)"
      ><SlidersHorizontal :size="16"
    /></Button>
    <Popover ref="settings">
      <div class="settings">
        <span id="paper">Paper</span>
        <SelectButton
          v-model="chosen"
          :options="[
            { v: 'light', l: 'Light' },
            { v: 'lamp', l: 'Lamp' },
            { v: 'system', l: 'As the system' },
          ]"
          option-label="l"
          option-value="v"
          :allow-empty="false"
          aria-labelledby="paper"
        />
        <span id="drawing">Drawing</span>
        <SelectButton
          v-model="view.drawing"
          :options="[
            { v: 'fine', l: 'Fine' },
            { v: 'light', l: 'Fast' },
          ]"
          option-label="l"
          option-value="v"
          :allow-empty="false"
          aria-labelledby="drawing"
        />
        <span id="inking">Edges</span>
        <SelectButton
          v-model="view.inking"
          :options="[
            { v: 'inked', l: 'Inked' },
            { v: 'plain', l: 'Plain' },
            { v: 'ink', l: 'Ink only' },
          ]"
          option-label="l"
          option-value="v"
          :allow-empty="false"
          aria-labelledby="inking"
        />
        <span id="share">Copies drawn</span>
        <SelectButton
          v-model="view.share"
          :options="[1, 0.5, 0.25, 0.1].map((v) => ({ v, l: `${v * 100} %` }))"
          option-label="l"
          option-value="v"
          :allow-empty="false"
          aria-labelledby="share"
        />
        <label for="keys">Single keys</label>
        <ToggleSwitch v-model="view.singleKeys" input-id="keys" />
        <span />
        <Button label="All keys" severity="secondary" variant="text" size="small" @click="commands.keysShown = true" />
      </div>
    </Popover>
    <Button label="Export" @click="commands.run('export')" />
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 14px;
  background: var(--card);
  border-bottom: 1px solid var(--rule);
}
h1 {
  font: 600 13.5px var(--sans);
  letter-spacing: 0;
  min-width: 60px;
  padding: 0 4px;
  overflow: hidden;
  white-space: nowrap;
}
.slash {
  color: var(--faint);
}
.state {
  font-size: 12px;
  color: var(--verdigris);
  white-space: nowrap;
}
.state.waiting,
.state.sending {
  color: var(--soft);
}
.state.away {
  color: var(--ochre);
}
.state.conflict,
.state.refused {
  color: var(--vermilion);
}
.rest {
  flex: 1;
}
.find {
  display: flex;
  align-items: center;
  justify-content: space-between;
  width: 250px;
  min-width: 40px;
  height: 29px;
  padding: 0 10px;
  border: 1px solid var(--edge);
  border-radius: 7px;
  background: var(--paper);
  color: var(--faint);
  cursor: pointer;
  overflow: hidden;
  white-space: nowrap;
}
.unit {
  font-family: var(--mono);
}
.settings {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px 16px;
  align-items: center;
}
@media (max-width: 1100px) {
  .find {
    width: 150px;
  }
}
</style>
