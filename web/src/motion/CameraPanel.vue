<script setup lang="ts">
import AddButton from '../shell/AddButton.vue'
import type { CameraKey } from '@hilera/core/motion/camera/schema'
import { cameraSentence } from '@hilera/core/motion/camera/sentence'
import type { Project } from '@hilera/core/model/project'
import { bind } from '@hilera/core/sentences/bind'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { computed } from 'vue'
import { newId } from '../names'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import StepTools from '../sentences/StepTools.vue'
import type { SentenceEdits } from '../sentences/edits'
import { useViewpoints } from '../stage/viewpoints'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { usePlayback } from '../stores/playback'

/** From where the motion is seen: a sentence for each view that the camera goes to. */
const document = useDocument()
const playback = usePlayback()
const viewpoints = useViewpoints()
const camera = computed(() => document.project.camera.toSorted((a, b) => a.at - b.at))

const itemsOf = (key: CameraKey) =>
  bind(
    cameraSentence,
    {
      root: document.project,
      into: (p: Project) => (p === document.project ? key : p.camera.find((k) => k.id === key.id)!),
    },
    { knows: knowledge, project: document.project, unit: document.unit },
  )
const editsOf = (key: CameraKey): SentenceEdits<Project> => {
  const recipe =
    (edit: (project: Project) => void): Recipe =>
    (project) => {
      if (project.camera.some((k) => k.id === key.id)) edit(project)
    }
  const name = (undo: string | undefined): string => undo ?? 'camera'
  return { recipe, name, change: (undo, edit) => document.change(name(undo), recipe(edit)) }
}

/** The view that the stage shows now is kept, and the camera is there by the moment that is looked at. */
function add(): void {
  const view = viewpoints.made()
  if (!view) return
  const at = playback.moment
  void document.change('camera', (project) => {
    project.views.push(view)
    const made: CameraKey = { id: newId('camera'), at, view: view.id, easing: 'slowBoth', turns: 0 }
    project.camera = [...project.camera.filter((k) => k.at !== at), made]
  })
}
const remove = (key: CameraKey): void =>
  void document.change('remove a view of the camera', (project) => {
    project.camera = project.camera.filter((k) => k.id !== key.id)
  })
</script>

<template>
  <section class="camera" aria-labelledby="camera-head">
    <h2 id="camera-head">Camera</h2>
    <p v-if="camera.length === 0" class="note">
      It stays where it is. Turn the stage as it is to be seen, and let the camera be there at this moment.
    </p>
    <StepTools
      v-for="(key, i) in camera"
      :key="key.id"
      :of="key.id"
      name="camera"
      :remove="`Remove: view ${i + 1} of the camera`"
      first
      last
      @remove="remove(key)"
    >
      <Step :number="i + 1" :name="`camera ${key.id}`">
        <SentenceItems :items="itemsOf(key)" :edits="editsOf(key)" />
      </Step>
    </StepTools>
    <AddButton words="Let the camera be here at this moment" @click="add" />
  </section>
</template>

<style scoped>
.camera {
  margin-top: 22px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
h2 {
  margin: 0;
  font-size: 21px;
  line-height: 1.25;
}
.note {
  margin: 2px 0 8px;
}
</style>
