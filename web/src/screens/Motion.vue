<script setup lang="ts">
import Splitter from 'primevue/splitter'
import SplitterPanel from 'primevue/splitterpanel'
import { defineAsyncComponent, onBeforeUnmount, onMounted } from 'vue'
import MotionList from '../motion/MotionList.vue'
import MotionPanel from '../motion/MotionPanel.vue'
import PlayTools from '../motion/PlayTools.vue'
import TimeStrip from '../motion/TimeStrip.vue'
import { useDocument } from '../stores/document'
import { usePlayback } from '../stores/playback'
import { useSelection } from '../stores/selection'

/** What moves and when: the stage at a moment, the sentences of motion, and the time strip. */
const StageView = defineAsyncComponent(() => import('../arrange/StageView.vue'))
const document = useDocument()
const playback = usePlayback()
const selection = useSelection()
if (!selection.pattern) selection.pickPattern(document.project.patterns[0]?.id)
onMounted(() => (playback.isWatched = true))
onBeforeUnmount(() => {
  playback.isWatched = false
  playback.stop()
})
</script>

<template>
  <div class="motion">
    <Splitter state-key="hilera.motion.across" state-storage="local" :gutter-size="1">
      <SplitterPanel :size="17.5" :min-size="12"><MotionList /></SplitterPanel>
      <SplitterPanel :size="82.5" :min-size="50">
        <Splitter layout="vertical" state-key="hilera.motion.down" state-storage="local" :gutter-size="1">
          <SplitterPanel :size="77" :min-size="40">
            <Splitter state-key="hilera.motion.stage" state-storage="local" :gutter-size="1">
              <SplitterPanel :size="66.2" :min-size="35" class="stage">
                <StageView bare :moment="playback.moment" />
                <PlayTools />
              </SplitterPanel>
              <SplitterPanel :size="33.8" :min-size="22" class="sentences"><MotionPanel /></SplitterPanel>
            </Splitter>
          </SplitterPanel>
          <SplitterPanel :size="23" :min-size="12"><TimeStrip /></SplitterPanel>
        </Splitter>
      </SplitterPanel>
    </Splitter>
  </div>
</template>

<style scoped src="../shell/splitters.css"></style>
<style scoped>
.motion,
.motion > * {
  height: 100%;
  position: relative;
}
.motion {
  overflow: clip;
}
.stage {
  position: relative;
  background: var(--stage);
}
.sentences {
  background: var(--card);
}
</style>
