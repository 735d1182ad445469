<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { patternsAsText } from '@hilera/core/sentences/projectText'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import Slider from 'primevue/slider'
import { computed, onMounted, ref } from 'vue'
import SideBySide, { type Compared, type ComparedSide } from '../stage/SideBySide.vue'
import { useDocument } from '../stores/document'
import ComparedCopies from '../versions/ComparedCopies.vue'
import HistoryList from '../versions/HistoryList.vue'
import VersionLine from '../versions/VersionLine.vue'
import { useVersions } from '../versions/versions'

/** The states that were kept, the newest first; one of them beside what is there now, in pictures, words and figures. */
const document = useDocument()
const versions = useVersions()
const note = ref('')
const ways = [
  { value: 'beside', words: 'Side by side' },
  { value: 'wiped', words: 'Wiped' },
  { value: 'over', words: 'Laid over' },
  { value: 'alone', words: 'It alone' },
]
const way = ref<Compared | 'alone'>('beside')
const isAlone = computed(() => way.value === 'alone')
const sides = computed(() => versions.compared?.sides.slice(0, isAlone.value ? 1 : undefined) ?? [])
/** The sentences of the version as they were. */
const itsText = computed(() => {
  const [then] = versions.compared?.sides ?? []
  return (
    then &&
    patternsAsText(
      then.project,
      then.project.patterns.map((p) => p.id),
      then.updates,
    )
  )
})
/** How far one is wiped over the other, or how much of it is seen, in parts of a hundred. */
const share = ref(50)
onMounted(() => versions.open())

async function keep(): Promise<void> {
  if (await versions.keep(note.value)) note.value = ''
}
const copiesIn = ({ updates, project }: ComparedSide): number => {
  const hidden = new Set(project.patterns.flatMap((p) => (p.hidden ? [p.id] : [])))
  return updates.reduce((n, u) => n + (hidden.has(u.id) ? 0 : u.present), 0)
}
const nameOf = (id: string): string =>
  (document.project.patterns.find((p) => p.id === id) ?? versions.compared?.project.patterns.find((p) => p.id === id))
    ?.name ?? ''
</script>

<template>
  <div class="screen">
    <aside>
      <h1>Versions</h1>
      <form class="keep" @submit.prevent="keep">
        <InputText v-model="note" size="small" placeholder="What this one is" maxlength="200" aria-label="Note" />
        <Button type="submit" label="Keep this one" size="small" :loading="versions.busy" />
      </form>
      <p v-if="versions.problem" class="problem" role="alert">{{ versions.problem }}</p>
      <ol v-if="versions.list.length > 0" class="versions">
        <VersionLine
          v-for="version in versions.list"
          :key="version.id"
          :version="version"
          :picked="versions.picked === version.id"
        />
      </ol>
      <p v-if="versions.list.some(({ byItself }) => byItself)" class="note">
        Those kept by themselves are thinned out: after a day one of each day stays, after a month one of each week.
      </p>
      <p v-else-if="versions.list.length === 0 && !versions.busy" class="note">
        Nothing is kept yet. A version keeps the arrangement as it stands: try anything, and bring it back.
      </p>
      <Button
        v-if="versions.list.length > 0"
        class="along"
        label="Download with its versions (.hilera)"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="versions.busy"
        @click="versions.takeAlong()"
      />
      <HistoryList />
    </aside>
    <section v-if="versions.compared" class="beside" aria-label="Compared">
      <header>
        <p class="sentence">
          Version <span class="figure">{{ versions.compared.version.number }}</span>
          {{ isAlone ? 'as it was kept, to look at only.' : 'beside what is there now.' }}
        </p>
        <SelectButton
          v-model="way"
          class="way"
          :options="ways"
          option-label="words"
          option-value="value"
          :allow-empty="false"
          size="small"
          aria-label="How they are compared"
        />
        <Button
          :label="`Bring version ${versions.compared.version.number} back`"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="versions.bringBack()"
        />
      </header>
      <div v-if="way !== 'beside' && way !== 'alone'" class="share">
        <span class="note">{{ way === 'wiped' ? 'Wiped by' : 'What is there now at' }}</span>
        <Slider
          v-model="share"
          :min="0"
          :max="100"
          :aria-label="way === 'wiped' ? 'How far it is wiped' : 'How much of what is there now is seen'"
        />
        <span class="figure">{{ share }} %</span>
      </div>
      <SideBySide :sides="sides" :way="way === 'alone' ? 'beside' : way" :share="share / 100">
        <template v-for="side in sides" :key="side.key" #[side.key]>
          <span
            ><b>{{ side.label }}</b
            >{{ ' ' }}<span class="figure">{{ formatNumber(copiesIn(side), 0) }}</span>
            {{ plural(copiesIn(side), 'copy', 'copies') }}</span
          >
        </template>
      </SideBySide>
      <div v-if="isAlone" class="alone">
        <h2>What its sentences say</h2>
        <p class="said">{{ itsText }}</p>
      </div>
      <div v-else class="told">
        <div>
          <h2>What the sentences say now</h2>
          <p v-for="text in versions.compared.texts" :key="text.pattern" class="said">
            <b>{{ text.name }}:</b>{{ ' '
            }}<template v-for="(piece, i) in text.pieces" :key="i"
              ><del v-if="piece.in === 'first'">{{ piece.text }}</del
              ><ins v-else-if="piece.in === 'second'">{{ piece.text }}</ins
              ><template v-else>{{ piece.text }}</template></template
            >
          </p>
          <p v-if="versions.compared.texts.length === 0" class="note">They say what they said.</p>
        </div>
        <div>
          <h2>What that did to the copies</h2>
          <ComparedCopies :compared="versions.compared.copies" :name-of="nameOf" />
        </div>
      </div>
    </section>
    <p v-else class="instead note">
      {{ versions.picked ? 'Working it out…' : 'Press the number of a version to see it beside what is there now.' }}
    </p>
  </div>
</template>

<style scoped>
.screen {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  height: 100%;
}
aside {
  overflow: auto;
  padding: 16px;
  border-right: 1px solid var(--rule);
}
h1 {
  margin: 0 0 10px;
  font: 400 24px/1.2 var(--serif);
}
h2 {
  margin: 0 0 6px;
  font: 600 16px/1.3 var(--serif);
}
.share {
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 0 0 10px;
}
.share .p-slider {
  flex: 1;
}
.keep {
  display: flex;
  gap: 8px;
  margin-bottom: 12px;
}
.keep > :first-child {
  min-width: 0;
  flex: 1;
}
.problem {
  color: var(--vermilion);
}
ol {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.beside {
  overflow: auto;
  padding: 12px 18px 18px;
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.sentence {
  margin: 0 0 8px;
  font: 18px/1.5 var(--serif);
}
.beside :deep(.frame) {
  height: min(300px, 38vh);
}
.told {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  margin-top: 16px;
}
.along,
.alone {
  margin-top: 12px;
}
.said {
  font: 15.5px/1.7 var(--serif);
  white-space: pre-line;
}
del {
  color: var(--vermilion);
}
del + ins {
  margin-left: 4px;
}
ins {
  color: var(--verdigris);
  font-weight: 600;
  text-decoration: none;
}
.instead {
  align-self: center;
  justify-self: center;
}
</style>
