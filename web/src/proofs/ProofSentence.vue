<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import type { Channel } from './channels'
import PlainNumber from '../sentences/PlainNumber.vue'
import { sheets, useProofs } from './proofs'

/** What the sheet shows: how many variants of which pattern, and what changes from one to the next. */
const props = defineProps<{ pattern: Pattern; channel: Channel }>()
const proofs = useProofs()
const countOptions = sheets.map((n) => ({ value: String(n), words: String(n) }))
const patternOptions = computed(() => proofs.patterns.map((p) => ({ value: p.id, words: p.name })))
const channelOptions = computed(() => proofs.channels.map((c) => ({ value: c.key, words: c.words })))
const secondOptions = computed(() => [
  { value: '', words: 'nothing else' },
  ...channelOptions.value.filter(({ value }) => value !== props.channel.key),
])
const orderOptions = [
  { value: 'overlaps' as const, words: 'fewest overlaps first' },
  { value: 'given' as const, words: 'in order' },
]
const isWhole = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 0 && n <= 0xffffffff ? undefined : ['Type a whole number from 0.']
const isStep = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 1 && n <= 1_000_000 ? undefined : ['Type a whole number from 1.']
const check = computed(() => (props.channel.seed ? isWhole : props.channel.check))

function setPattern(id: Pattern['id']): void {
  proofs.patternId = id
  proofs.first.key = ''
  proofs.setSecond(undefined)
}
</script>

<template>
  <p class="sentence">
    Show
    <ChoiceValue
      label="How many"
      :value="String(proofs.count)"
      :options="countOptions"
      @pick="(n: string) => (proofs.count = Number(n))"
    />
    of
    <ChoiceValue label="Pattern" :value="pattern.id" :options="patternOptions" @pick="setPattern" />, changing
    <ChoiceValue
      label="What changes"
      :value="channel.key"
      :options="channelOptions"
      @pick="(key: string) => (proofs.first.key = key)"
    />
    from
    <PlainNumber v-model="proofs.first.from" label="From" :quantity="channel.quantity" :check="check" /><template
      v-if="channel.seed"
      >{{ ' by ' }}<PlainNumber v-model="proofs.first.by" label="By" quantity="count" :check="isStep" /></template
    ><template v-else
      >{{ ' to '
      }}<PlainNumber v-model="proofs.first.to" label="To" :quantity="channel.quantity" :check="check" /></template
    >, and
    <ChoiceValue
      label="What else changes"
      :value="proofs.across?.key ?? ''"
      :options="secondOptions"
      @pick="(key: string) => proofs.setSecond(key || undefined)"
    /><template v-if="proofs.across && proofs.second">
      from row to row, from
      <PlainNumber
        v-model="proofs.second.from"
        label="From, in rows"
        :quantity="proofs.across.quantity"
        :check="proofs.across.check" /><template v-if="proofs.across.seed"
        >{{ ' by '
        }}<PlainNumber v-model="proofs.second.by" label="By, in rows" quantity="count" :check="isStep" /></template
      ><template v-else
        >{{ ' to '
        }}<PlainNumber
          v-model="proofs.second.to"
          label="To, in rows"
          :quantity="proofs.across.quantity"
          :check="proofs.across.check" /></template></template
    ><template v-if="!proofs.across"
      >,
      <ChoiceValue
        label="Order"
        :value="proofs.order"
        :options="orderOptions"
        @pick="(o: 'overlaps' | 'given') => (proofs.order = o)" /></template
    >.
  </p>
</template>

<style scoped>
.sentence {
  margin: 0;
  font: 19px/1.7 var(--serif);
}
</style>
