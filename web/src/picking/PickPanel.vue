<script setup lang="ts">
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { X } from '@lucide/vue'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, ref, useTemplateRef } from 'vue'
import { acts as actKinds } from '@hilera/core/placing/registry'
import ActPanel from '../placing/ActPanel.vue'
import { useActs } from '../placing/acts'
import { useBaseline } from '../placing/baseline'
import { usePicked } from '../placing/picked'
import { useCopiesEdits } from './copiesEdits'
import { useCommands } from '../commands/commands'
import { useGroupEdits } from '../groups/groupEdits'
import { useAssembleEdits } from '../links/assembleEdits'
import { useLinkEdits } from '../links/linkEdits'
import RelinkChoice from '../links/RelinkChoice.vue'
import { useSwapDialog } from '../links/swapDialog'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { usePickEdits } from './pickEdits'
import PickSentence from './PickSentence.vue'

/** Picking copies by words, what is picked, what can be done with it, and the selections that were saved. */
const document = useDocument()
const selection = useSelection()
const picks = usePickEdits()
const links = useLinkEdits()
const assembling = useAssembleEdits()
const copies = useCopiesEdits()
const swap = useSwapDialog()
const acts = useActs()
const commands = useCommands()
const baseline = useBaseline()
const picked = usePicked()
const open = ref(false)
const groups = useGroupEdits()
/** The group that is picked alone. */
const group = computed(() =>
  selection.wholes.length === 1 ? document.project.groups.find((g) => g.id === selection.wholes[0]) : undefined,
)
const neutral = useTemplateRef<InstanceType<typeof Menu>>('neutral')
const neutralItems = (['move', 'turn', 'size', 'all'] as const).map((what) => ({
  label: { move: 'Where they are', turn: 'Their turn', size: 'Their size', all: 'All of it' }[what],
  command: () => commands.run(`neutral-${what}`),
}))
const several = computed(() => selection.count > 1)
const sets = computed(() => document.project.sets)
const shown = computed(() => open.value || several.value || sets.value.length > 0)
const countOf = (copiesOf: Record<string, string[]>): number =>
  Object.values(copiesOf).reduce((n, keys) => n + keys.length, 0)
const patternCount = computed(() => selection.picks.size)
const names = computed(() =>
  links
    .partsOfPicks()
    .map((id) => links.things().find((t) => t.id === id)?.name)
    .join(', '),
)
</script>

<template>
  <section v-if="document.project.patterns.length > 0" class="picks" aria-label="Picked copies">
    <header>
      <p v-if="selection.count > 0" class="told" role="status">
        <span class="figure">{{ formatNumber(selection.count, 0) }}</span>
        {{ plural(selection.count, 'copy', 'copies') }} picked<template v-if="patternCount > 1"
          >, in <span class="figure">{{ patternCount }}</span> patterns</template
        ><small v-if="several"> {{ names }}</small>
      </p>
      <p v-else-if="picked.things.length > 1" class="told" role="status">
        <span class="figure">{{ picked.things.length }}</span> picked<small>{{
          picked.things.map(picked.nameOf).join(', ')
        }}</small>
      </p>
      <p v-else-if="group" class="told">
        <NameField :name="group.name" label="Name of the group" @rename="(name) => groups.rename(group!, name)" />
      </p>
      <p v-else-if="selection.asWhole" class="told" role="status">
        {{ selection.pattern?.name }}<small>held whole</small>
      </p>
      <p v-else class="note told">No copy is picked.</p>
      <button type="button" class="aside" :aria-expanded="open" @click="open = !open">Pick by words</button>
      <button
        v-if="several"
        type="button"
        class="tool"
        aria-label="Let go of all copies"
        title="Let go of all"
        @click="picks.none()"
      >
        <X :size="15" />
      </button>
    </header>
    <PickSentence v-if="open" />
    <div v-if="picked.isHeld || group || acts.open" class="row">
      <Button
        v-for="(act, kind) in actKinds"
        :key="kind"
        :label="act.words"
        severity="secondary"
        variant="outlined"
        size="small"
        class="act"
        :aria-pressed="acts.open === kind"
        @click="acts.open === kind ? acts.leave() : acts.begin(kind)"
      />
      <Button
        v-if="group"
        label="Take it apart"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="groups.ungroup(group.id)"
      />
      <Button
        v-else
        label="Group"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="commands.run('group')"
      />
      <Button
        v-if="!assembling.cannotAssemble.value"
        label="Make a part"
        severity="secondary"
        variant="outlined"
        size="small"
        title="Makes one part of them, placed where they stand; nothing moves"
        @click="commands.run('assemble')"
      />
      <Button
        v-if="!assembling.cannotTakeApart.value"
        label="Take apart"
        severity="secondary"
        variant="outlined"
        size="small"
        title="Gives what is inside a place of its own; nothing moves"
        @click="commands.run('take-apart')"
      />
      <Button
        label="Neutral…"
        severity="secondary"
        variant="outlined"
        size="small"
        aria-haspopup="menu"
        title="Takes back what was moved, turned or sized by hand"
        @click="neutral?.toggle($event)"
      />
      <Menu ref="neutral" :model="neutralItems" popup />
      <template v-if="selection.count > 0">
        <Button label="Swap…" severity="secondary" variant="outlined" size="small" @click="swap.open('copies')" />
        <Button
          label="Unlink"
          severity="secondary"
          variant="outlined"
          size="small"
          title="Gives them a part of their own; nothing moves"
          @click="links.unlinkPicks()"
        />
        <RelinkChoice />
        <Button
          v-if="several"
          label="Leave the places empty"
          severity="secondary"
          variant="text"
          size="small"
          @click="copies.setEmpty(true)"
        />
        <Button label="Save the selection" severity="secondary" variant="text" size="small" @click="picks.save()" />
      </template>
    </div>
    <ActPanel v-if="acts.shown" :key="acts.shown" :kind="acts.shown" />
    <p v-if="picked.things.length > 0 && (picked.isHeld || group)" class="asides">
      <button type="button" class="aside" @click="commands.run('baseline-take')">Take their places as baseline</button>
      <template v-if="baseline.off">
        <button v-if="baseline.off.changed > 0" type="button" class="aside" @click="commands.run('baseline-back')">
          Back to the baseline</button
        ><span class="note">
          {{ baseline.off.changed > 0 ? 'off by up to' : 'as in the baseline, off by' }}
          <span class="figure">{{ formatLength(baseline.off.farthest, document.unit) }}</span></span
        >
      </template>
    </p>
    <ul v-if="shown && sets.length" class="sets" aria-label="Saved selections">
      <li v-for="set in sets" :key="set.id">
        <NameField :name="set.name" label="Name of the selection" @rename="(name) => picks.rename(set, name)" />
        <span class="figure">{{ formatNumber(countOf(set.copies), 0) }}</span>
        <button type="button" class="aside" @click="picks.recall(set)">Recall</button>
        <button type="button" class="aside" :disabled="selection.count === 0" @click="picks.renew(set)">
          Take these
        </button>
        <button
          type="button"
          class="tool"
          :aria-label="`Remove the selection ${set.name}`"
          title="Remove"
          @click="picks.drop(set)"
        >
          <X :size="14" />
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.picks {
  margin: 0 0 10px;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
}
header {
  display: flex;
  align-items: center;
  gap: 8px;
}
.told {
  flex: 1;
  margin: 0;
  min-width: 0;
}
.told small {
  display: block;
  color: var(--soft);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 6px;
}
.act[aria-pressed='true'] {
  border-color: var(--madder);
  background: var(--madder-wash);
  color: var(--madder);
}
.asides {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  margin: 6px 0 0;
}
.sets {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.sets li {
  display: flex;
  align-items: center;
  gap: 10px;
}
.sets li > :first-child {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.aside:disabled {
  opacity: 0.5;
}
</style>
