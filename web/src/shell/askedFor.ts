import { whenever } from '@vueuse/core'
import { type Component, defineAsyncComponent, shallowRef } from 'vue'
import { useMirrorOrTurn } from '../mirrors/mirrorOrTurn'
import { useRecipes } from '../recipes/recipes'
import { useSchedule } from '../schedule/schedule'
import { useArrivals } from '../stores/arrivals'
import { useSetUpAgain } from '../links/setUpAgain'

/** The dialogs that were asked for so far: each is fetched with its first question, and stays. */
export function askedFor() {
  const [arrivals, schedule, again, recipes, turning] = [
    useArrivals(),
    useSchedule(),
    useSetUpAgain(),
    useRecipes(),
    useMirrorOrTurn(),
  ]
  const dialogs = shallowRef<readonly Component[]>([])
  const rare = (isAsked: () => boolean, fetched: () => Promise<Component>): void =>
    void whenever(isAsked, () => (dialogs.value = [...dialogs.value, defineAsyncComponent(fetched)]), {
      once: true,
      immediate: true,
    })
  rare(
    () => !!arrivals.asking,
    () => import('../parts/ArrivalDialog.vue'),
  )
  rare(
    () => schedule.isOpen,
    () => import('../schedule/ScheduleDialog.vue'),
  )
  rare(
    () => again.of !== undefined,
    () => import('../links/SetUpAgainDialog.vue'),
  )
  rare(
    () => !!recipes.keeping,
    () => import('../recipes/KeepRecipe.vue'),
  )
  rare(
    () => recipes.using,
    () => import('../recipes/UseRecipe.vue'),
  )
  rare(
    () => turning.patternId !== undefined,
    () => import('../mirrors/MirrorOrTurn.vue'),
  )
  return dialogs
}
