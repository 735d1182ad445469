<script setup lang="ts">
import { X } from '@lucide/vue'
import Popover from 'primevue/popover'
import { computed, useTemplateRef } from 'vue'
import NameField from '../shell/NameField.vue'
import { useStayOpen } from '../shell/stayOpen'
import { axes } from '@hilera/core/values/values'
import { useOwnAxes } from '../stage/ownAxes'
import { mainViews, viewWords, worldViews } from '../stage/views'
import { useViewpoints } from '../stage/viewpoints'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'

/** The other sides from which things are looked at, and the views that are kept by name. */
const document = useDocument()
const view = useView()
const points = useViewpoints()
const popover = useTemplateRef<InstanceType<typeof Popover>>('popover')
const { open, shown, hidden } = useStayOpen(popover)
const ownAxes = useOwnAxes()
const others = worldViews.filter((name) => !mainViews.includes(name))
const says = computed(() => {
  if (view.view === 'own') return `Along ${view.along?.words ?? 'it'}`
  return others.includes(view.view) ? viewWords(view.view) : undefined
})
</script>

<template>
  <button
    type="button"
    class="chip toggle"
    aria-haspopup="dialog"
    :aria-expanded="open"
    :class="{ on: says }"
    @click="popover?.toggle($event)"
  >
    {{ says ?? 'Views' }}
  </button>
  <Popover ref="popover" aria-label="Views" @show="shown" @hide="hidden">
    <div class="views">
      <button
        v-for="name in others"
        :key="name"
        type="button"
        class="line"
        :aria-pressed="view.view === name"
        @click="view.view = name"
      >
        {{ viewWords(name) }}
      </button>
      <button
        v-for="(axis, i) in axes"
        :key="axis"
        type="button"
        class="line"
        :disabled="!ownAxes.directions.value"
        :title="ownAxes.directions.value ? undefined : 'Pick something first'"
        @click="ownAxes.look(i)"
      >
        Along its {{ axis }}
      </button>
      <hr />
      <button type="button" class="line" :aria-pressed="view.four" @click="view.four = !view.four">Four at once</button>
      <hr />
      <p v-if="document.project.views.length === 0" class="note">No view is kept yet.</p>
      <div v-for="saved in document.project.views" :key="saved.id" class="saved">
        <NameField :name="saved.name" label="Name of the view" @rename="(name) => points.rename(saved, name)" />
        <button type="button" class="aside" :aria-label="`Look from ${saved.name}`" @click="points.go(saved)">
          Look
        </button>
        <button
          type="button"
          class="tool"
          :aria-label="`Remove ${saved.name}`"
          title="Remove"
          @click="points.drop(saved)"
        >
          <X :size="13" />
        </button>
      </div>
      <button type="button" class="aside" @click="points.save()">Keep this view</button>
    </div>
  </Popover>
</template>

<style scoped>
.toggle {
  cursor: pointer;
}
.on {
  color: var(--madder);
  background: var(--madder-wash);
}
.views {
  display: grid;
  gap: 2px;
  min-width: 180px;
}
.line {
  padding: 5px 8px;
  border: 0;
  border-radius: 6px;
  background: none;
  text-align: left;
  cursor: pointer;
}
.line:disabled {
  color: var(--faint);
  cursor: default;
}
.line:hover:enabled,
.line[aria-pressed='true'] {
  background: var(--madder-wash);
}
.saved {
  display: flex;
  align-items: center;
  gap: 8px;
}
.saved > :first-child {
  flex: 1;
}
hr {
  width: 100%;
  margin: 4px 0;
  border: 0;
  border-top: 1px solid var(--rule);
}
.note {
  margin: 2px 8px;
}
.aside {
  justify-self: start;
}
</style>
