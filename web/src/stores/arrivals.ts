import type { Scene } from '@hilera/core/readers/scene'
import type { FileUnit } from '@hilera/core/model/part'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** A file of several things that waits to be told how it comes in. */
export interface Arrival {
  readonly name: string
  readonly scene: Scene
}
export interface ArrivalAnswer {
  readonly as: 'part' | 'scene'
  readonly unit: FileUnit
}

/** Asks how a file of several things comes in; giving it up leaves nothing behind. */
export const useArrivals = defineStore('arrivals', () => {
  const asking = shallowRef<Arrival & { answer(answer: ArrivalAnswer | undefined): void }>()

  function ask(arrival: Arrival): Promise<ArrivalAnswer | undefined> {
    asking.value?.answer(undefined)
    return new Promise((resolve) => {
      asking.value = {
        ...arrival,
        answer(answer) {
          asking.value = undefined
          resolve(answer)
        },
      }
    })
  }

  return { asking, ask }
})
