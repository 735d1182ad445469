<script setup lang="ts">
import Dialog from 'primevue/dialog'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import { useView } from '../stores/view'
import { useCommands } from './commands'

const commands = useCommands()
const view = useView()
const withKeys = computed(() => commands.all.filter((c) => c.keys))
const elsewhere = [
  ['Find a command or a part', 'Ctrl K'],
  ['Cancel wholly, leaving nothing behind', 'Esc'],
  ['Accept what is typed', 'Enter'],
  ['Type the value that was just dragged', 'Enter'],
  ['A value: one step up or down', 'Up Down'],
  ['A value or a nudge: ten steps', 'Shift'],
  ['A dragged value: a tenth of a step', 'Alt'],
  ['A dragged copy or pattern: up and down', 'Shift'],
  ['A dragged point: its neighbours too, softly', 'Ctrl'],
] as const
</script>

<template>
  <Dialog v-model:visible="commands.keysShown" modal dismissable-mask header="Keys" :style="{ width: '620px' }">
    <label class="switch"
      ><ToggleSwitch v-model="view.singleKeys" input-id="single-keys" />
      <span>Single keys act while no field is being typed in</span></label
    >
    <dl>
      <div v-for="c in withKeys" :key="c.id">
        <dt>{{ c.words }}</dt>
        <dd>
          <kbd>{{ c.keys }}</kbd>
        </dd>
      </div>
      <div v-for="[words, keys] in elsewhere" :key="words">
        <dt>{{ words }}</dt>
        <dd>
          <kbd>{{ keys }}</kbd>
        </dd>
      </div>
    </dl>
  </Dialog>
</template>

<style scoped>
.switch {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 10px;
}
dl {
  columns: 2;
  column-gap: 28px;
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
  break-inside: avoid;
}
dd {
  margin: 0;
  white-space: nowrap;
}
kbd {
  font-size: 11.5px;
  color: var(--ink);
}
</style>
