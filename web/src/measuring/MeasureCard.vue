<script setup lang="ts">
import { factsText } from '@hilera/core/numbers/format'
import { measureWords, type Measured } from '@hilera/core/placing/measure'
import { fact } from '@hilera/core/words'
import { Pin, X } from '@lucide/vue'
import Checkbox from 'primevue/checkbox'
import { ref } from 'vue'
import { useDocument } from '../stores/document'
import { useMeasuring } from './measuring'

/** Everything that was measured between two clicks, each figure copied with a click. */
const document = useDocument()
const measuring = useMeasuring()
const copied = ref<string>()
const figure = ({ kind, says }: Measured): string => factsText([fact(kind, says)], document.unit)
async function copy(text: string, what: string): Promise<void> {
  await navigator.clipboard.writeText(text)
  copied.value = what
}
</script>

<template>
  <section v-if="measuring.ends" class="card" aria-label="Measured">
    <header>
      <h3>{{ measuring.title }}</h3>
      <button type="button" class="tool" aria-label="Close" title="Close" @click="measuring.close()">
        <X :size="15" />
      </button>
    </header>
    <p v-if="measuring.found.length === 0" class="note">One of them is not there now.</p>
    <dl>
      <div v-for="(m, i) in measuring.found" :key="m.kind">
        <dt>{{ measureWords[m.kind] }}</dt>
        <dd>
          <button
            type="button"
            class="figure"
            :class="{ first: i === 0 }"
            :title="copied === m.kind ? 'Copied' : 'Click to copy'"
            :aria-label="`${measureWords[m.kind]}: ${figure(m)}. Copy`"
            @click="copy(figure(m), m.kind)"
          >
            {{ figure(m) }}
          </button>
          <button
            v-if="measuring.canKeep(m.kind)"
            type="button"
            class="tool"
            :aria-label="`Keep on the stage: ${measureWords[m.kind]}`"
            title="Keep it on the stage"
            @click="measuring.canKeep(m.kind) && measuring.keep(m.kind)"
          >
            <Pin :size="13" />
          </button>
          <span v-else class="room" />
        </dd>
      </div>
    </dl>
    <label class="note"
      ><Checkbox v-model="measuring.byMesh" binary size="small" input-id="by-mesh" /> by exact meshes</label
    >
    <p class="actions">
      <button type="button" class="aside" @click="copy(measuring.text, 'all')">
        {{ copied === 'all' ? 'Copied' : 'Copy the figures' }}
      </button>
      <button type="button" class="aside" @click="measuring.begin()">Measure again</button>
    </p>
    <ul v-if="measuring.kept.length" aria-label="Kept on the stage">
      <li v-for="k in measuring.kept" :key="k.id">
        <span>{{ k.words }}</span>
        <button
          type="button"
          class="tool"
          :aria-label="`Let go of ${k.words}`"
          title="Let go"
          @click="measuring.drop(k.id)"
        >
          <X :size="13" />
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.card {
  position: absolute;
  top: 88px;
  right: 12px;
  width: 286px;
  max-height: calc(100% - 150px);
  overflow: auto;
  padding: 10px 12px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--card);
  box-shadow: var(--float);
}
header {
  display: flex;
  align-items: start;
  gap: 6px;
}
h3 {
  flex: 1;
  font-size: 15px;
  line-height: 1.3;
}
dl {
  margin: 4px 0;
}
dl div {
  display: flex;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--rule);
}
dt {
  color: var(--soft);
  font-size: 12px;
}
dd {
  display: flex;
  align-items: center;
  margin: 0;
}
dd .figure {
  border: 0;
  background: none;
  font: 600 12.5px var(--mono);
  padding: 3px 4px;
  min-height: 24px;
  cursor: copy;
}
dd .first {
  color: var(--verdigris);
}
.room {
  width: 26px;
}
label {
  display: flex;
  align-items: center;
  gap: 6px;
}
.actions {
  display: flex;
  gap: 14px;
  margin: 8px 0 0;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 6px 0 0;
  border-top: 1px solid var(--rule);
}
li {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 11.5px;
  color: var(--soft);
}
li span {
  flex: 1;
}
</style>
