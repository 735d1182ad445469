<script setup lang="ts">
import { computed, provide, shallowReactive } from 'vue'
import { QUIET, isOpened, setOpened } from './quiet'

/**
 * One numbered sentence of a pattern, with the facts that follow from it. Clauses that are neutral are not said; a small … at its
 * end opens it, and then everything that it can say is there to be set.
 */
const props = defineProps<{
  number?: number
  /** By what it is found open again; a sentence without one has no quiet clauses. */
  name?: string
  /** More than quiet clauses comes to light when it is opened. */
  hasMore?: boolean
}>()
const clauses = shallowReactive(new Set<() => boolean>())
const isOpen = computed(() => props.name !== undefined && isOpened(props.name))
provide(QUIET, {
  isOpen,
  add(isNeutral) {
    clauses.add(isNeutral)
    return () => clauses.delete(isNeutral)
  },
})
const hasQuiet = computed(
  () => props.name !== undefined && (props.hasMore || [...clauses].some((isNeutral) => isNeutral())),
)
const says = computed(() => (isOpen.value ? 'Say only what is not neutral' : 'Say everything that can be set'))
</script>

<template>
  <section class="step">
    <span class="number figure">{{ number ?? '' }}</span>
    <div>
      <p class="sentence">
        <slot /><button
          v-if="hasQuiet"
          type="button"
          class="more"
          data-quiet
          :aria-expanded="isOpen"
          :aria-label="says"
          :title="says"
          @click="setOpened(name!, !isOpen)"
        >
          …
        </button>
      </p>
      <p v-if="$slots.facts" class="facts note"><slot name="facts" /></p>
      <slot name="after" />
    </div>
  </section>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 18px 1fr;
  gap: 8px;
  padding: 11px 0 12px;
  border-top: 1px solid var(--rule);
}
.number {
  color: var(--faint);
  font-size: 11px;
  padding-top: 6px;
}
.sentence {
  margin: 0;
  font: 16.5px/1.75 var(--serif);
}
.more {
  min-width: 24px;
  min-height: 24px;
  margin-left: 2px;
  padding: 0 4px;
  border: none;
  border-radius: 5px;
  background: none;
  color: var(--soft);
  font: inherit;
  line-height: 1;
  cursor: pointer;
}
.more:hover,
.more[aria-expanded='true'] {
  background: var(--madder-wash);
  color: var(--ink);
}
.facts {
  margin: 3px 0 0;
  line-height: 1.6;
}
</style>
