<script setup lang="ts">
import { useDropZone } from '@vueuse/core'
import Splitter from 'primevue/splitter'
import SplitterPanel from 'primevue/splitterpanel'
import { computed, defineAsyncComponent, useTemplateRef, watch } from 'vue'
import { useRefusal } from '../shell/refusal'
import { api } from '../api/client'
import EmptyStage from '../arrange/EmptyStage.vue'
import PartsTray from '../arrange/PartsTray.vue'
import PatternList from '../arrange/PatternList.vue'
import SentencesPanel from '../arrange/SentencesPanel.vue'
import UnderList from '../under/UnderList.vue'
import { useDrawEdits } from '../patterns/drawEdits'
import { useImport } from '../parts/importFile'
import { useDocument } from '../stores/document'
import { drewPicture } from '../versions/lastPicture'
import { usePicking } from '../stores/picking'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { takeBrought } from '../shell/broughtAlong'
import DropNote from '../shell/DropNote.vue'
import SpacingStrip from '../strip/SpacingStrip.vue'

const StageView = defineAsyncComponent(() => import('../arrange/StageView.vue'))
const document = useDocument()
const selection = useSelection()
const outcomes = useOutcomes()
const picking = usePicking()
const { importFiles } = useImport()
const draw = useDrawEdits()
const refuse = useRefusal('Not read')
const screen = useTemplateRef<HTMLElement>('screen')
const { isOverDropZone } = useDropZone(screen, (files) => void (files && take(files)))
/** Meshes become parts, drawings become paths. */
async function take(files: File[]): Promise<void> {
  const drawings = files.filter((file) => /\.svg$/i.test(file.name))
  for (const file of drawings) {
    refuse((await draw.addDrawing(file))?.says)
  }
  await importFiles(files.filter((file) => !drawings.includes(file)))
}
void take(takeBrought())
/** The project's card follows what the stage shows; while the server is away the card keeps its last picture. */
function savePicture(picture: string): void {
  if (document.gesture) return
  drewPicture(outcomes.worked, picture, outcomes.copies)
  void api.saveCard(document.id, { copies: outcomes.copies, picture }).catch(() => undefined)
}
const empty = computed(() => document.project.patterns.length === 0)

// Something is always picked, so that the sentences and the strip have something to say.
watch(
  () => [document.id, document.project.patterns.length] as const,
  () => {
    if (!selection.pattern) selection.pickPattern(document.project.patterns[0]?.id)
  },
  { immediate: true },
)
</script>

<template>
  <div ref="screen" class="arrange">
    <Splitter state-key="hilera.arrange.across" state-storage="local" :gutter-size="1">
      <SplitterPanel :size="17.5" :min-size="12" class="side">
        <PatternList />
        <UnderList />
        <PartsTray />
      </SplitterPanel>
      <SplitterPanel :size="82.5" :min-size="50">
        <Splitter layout="vertical" state-key="hilera.arrange.down" state-storage="local" :gutter-size="1">
          <SplitterPanel :size="82.5" :min-size="40">
            <Splitter state-key="hilera.arrange.stage" state-storage="local" :gutter-size="1">
              <SplitterPanel :size="66.2" :min-size="35" class="stage">
                <StageView @picture="savePicture" />
                <EmptyStage v-if="empty && !picking.active" />
              </SplitterPanel>
              <SplitterPanel :size="33.8" :min-size="22" class="sentences"><SentencesPanel /></SplitterPanel>
            </Splitter>
          </SplitterPanel>
          <SplitterPanel :size="17.5" :min-size="10" class="strip"><SpacingStrip /></SplitterPanel>
        </Splitter>
      </SplitterPanel>
    </Splitter>
    <DropNote v-if="isOverDropZone" words="Drop to bring a mesh in as a part, a drawing as a path" />
  </div>
</template>

<style scoped src="../shell/splitters.css"></style>
<style scoped>
.arrange {
  /* The gutters can be taken hold of beyond their line, and beyond the page. */
  overflow: clip;
}
.arrange,
.arrange > * {
  height: 100%;
  position: relative;
}
.side {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.stage {
  position: relative;
  background: var(--stage);
}
.sentences {
  background: var(--card);
}
.strip {
  background: var(--card);
}
</style>
