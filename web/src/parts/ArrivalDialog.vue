<script setup lang="ts">
import { type FileUnit, fileUnits } from '@hilera/core/model/part'
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { metresPer } from '@hilera/core/readers/readMesh'
import type { Vec3 } from '@hilera/core/values/values'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import { useArrivals } from '../stores/arrivals'
import { useDocument } from '../stores/document'

/** A file of several things: how it comes in, and what its numbers stand for. */
const arrivals = useArrivals()
const document = useDocument()
const unit = ref<FileUnit>('m')
watch(
  () => arrivals.asking,
  (asking) => asking && (unit.value = asking.scene.unit),
  { immediate: true },
)

const told = computed(() => {
  const { scene } = arrivals.asking ?? {}
  if (!scene) return undefined
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  const take = (move: Readonly<Vec3>, reach: number): void =>
    move.forEach((n, i) => {
      low[i] = Math.min(low[i], n - reach)
      high[i] = Math.max(high[i], n + reach)
    })
  for (const { mesh, move, size } of scene.things) {
    const own = scene.meshes[mesh]?.read
    if (!own) continue
    take(move, Math.max(...own.low.map((n, i) => Math.max(Math.abs(n), Math.abs(own.high[i])))) * Math.max(...size))
  }
  for (const { move } of scene.marks) take(move, 0)
  const by = metresPer[unit.value] / metresPer[scene.unit]
  return {
    things: scene.things.length,
    meshes: scene.meshes.filter(Boolean).length,
    groups: scene.groups.length,
    marks: scene.marks.length,
    mirrored: scene.things.filter((t) => t.mirrored).length,
    leaning: scene.leaning,
    leftBehind: scene.leftBehind,
    size: formatLength(Math.max(...high.map((h, i) => h - low[i])) * by, document.unit),
  }
})
const figure = (n: number): string => formatNumber(n, 0)
const answer = (as: 'part' | 'scene'): void => arrivals.asking?.answer({ as, unit: unit.value })
</script>

<template>
  <Dialog
    :visible="!!arrivals.asking"
    modal
    :header="arrivals.asking?.name ?? ''"
    :style="{ width: '520px' }"
    @update:visible="(shown: boolean) => !shown && arrivals.asking?.answer(undefined)"
  >
    <template v-if="told">
      <p class="sentence">
        It holds <span class="figure">{{ figure(told.things) }}</span> {{ plural(told.things, 'thing', 'things') }} made
        from <span class="figure">{{ figure(told.meshes) }}</span> {{ plural(told.meshes, 'mesh', 'meshes')
        }}<template v-if="told.groups"
          >, in <span class="figure">{{ figure(told.groups) }}</span>
          {{ plural(told.groups, 'group', 'groups') }}</template
        >. About <span class="figure">{{ told.size }}</span> across, from its own origin.
      </p>
      <p class="unit">
        <span id="arrival-unit">Its numbers are</span>
        <SelectButton v-model="unit" :options="[...fileUnits]" :allow-empty="false" aria-labelledby="arrival-unit" />
      </p>
      <p v-if="told.marks" class="note">
        <span class="figure">{{ figure(told.marks) }}</span>
        {{ plural(told.marks, 'empty node comes in as a spot', 'empty nodes come in as spots') }} of a placeholder: deal
        other parts to them, or let others go with them.
      </p>
      <p v-if="told.mirrored" class="note">
        <span class="figure">{{ figure(told.mirrored) }}</span> stand with a negative size: they come in as copies of a
        twin, their faces outward.
      </p>
      <p v-if="told.leaning" class="note">
        <span class="figure">{{ figure(told.leaning) }}</span> lean: their placement is worked into meshes of their own.
      </p>
      <p v-if="told.leftBehind.length" class="note caution">Not read: {{ told.leftBehind.join(', ') }}.</p>
    </template>
    <template #footer>
      <Button v-if="told?.things" label="As one part" severity="secondary" variant="outlined" @click="answer('part')" />
      <Button label="As it stands, repeated meshes linked" @click="answer('scene')" />
    </template>
  </Dialog>
</template>

<style scoped>
.sentence {
  margin: 0 0 10px;
  font: 17px/1.6 var(--serif);
}
.unit {
  display: flex;
  align-items: center;
  gap: 12px;
}
.caution {
  color: var(--ochre);
}
</style>
