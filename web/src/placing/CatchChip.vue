<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import Popover from 'primevue/popover'
import { computed, useTemplateRef } from 'vue'
import { catchables, catchWords } from '../arrange/catching'
import { useStayOpen } from '../shell/stayOpen'
import { useTools } from './tools'

/** What is caught while something is dragged or clicked; a click on its key puts it off and on. */
const tools = useTools()
const popover = useTemplateRef<InstanceType<typeof Popover>>('popover')
const { open, shown, hidden } = useStayOpen(popover)
const says = computed(() => {
  if (!tools.isCatching) return 'nothing'
  const caught = catchables.filter((what) => tools.catches.includes(what))
  if (caught.length === catchables.length) return 'everything'
  return caught.length > 0 ? caught.map((what) => catchWords[what].all).join(', ') : 'nothing'
})
</script>

<template>
  <span class="chip" :class="{ on: tools.isCatching }">
    Catches
    <button type="button" class="says" aria-haspopup="dialog" :aria-expanded="open" @click="popover?.toggle($event)">
      {{ says }}
    </button>
    <button
      type="button"
      class="key"
      :aria-pressed="tools.isCatching"
      :aria-label="tools.isCatching ? 'Catch nothing (X)' : 'Catch again (X)'"
      :title="tools.isCatching ? 'Catch nothing' : 'Catch again'"
      @click="tools.isCatching = !tools.isCatching"
    >
      <kbd>X</kbd>
    </button>
    <Popover ref="popover" aria-label="What is caught" @show="shown" @hide="hidden">
      <ul>
        <li v-for="what in catchables" :key="what">
          <label
            ><Checkbox v-model="tools.catches" :value="what" size="small" :input-id="`catch-${what}`" />
            {{ catchWords[what].all }}</label
          >
        </li>
      </ul>
    </Popover>
  </span>
</template>

<style scoped>
.on {
  color: var(--madder);
}
.says {
  padding: 2px 3px;
  border: 0;
  border-bottom: 1.5px dotted var(--edge);
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.key {
  min-width: 24px;
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
ul {
  list-style: none;
  margin: 0;
  padding: 2px;
}
label {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 4px 6px;
  cursor: pointer;
}
</style>
