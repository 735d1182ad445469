import { whenever } from '@vueuse/core'
import { type Component, defineAsyncComponent, shallowRef } from 'vue'
import { useMirrorOrTurn } from '../mirrors/mirrorOrTurn'
import { useRecipes } from '../recipes/recipes'
import { useSchedule } from '../schedule/schedule'
import { useArrivals } from '../stores/arrivals'
import { useSetUpAgain } from '../links/setUpAgain'

/** After so long, in milliseconds, one that could not be fetched is tried again. */
const RETRY = 2000

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
  const rare = (isAsked: () => boolean, loader: () => Promise<Component>): void => {
    // What is asked stays asked: where the server is away, the dialog comes with it.
    const dialog = defineAsyncComponent({ loader, onError: (_, retry) => void setTimeout(retry, RETRY) })
    whenever(isAsked, () => (dialogs.value = [...dialogs.value, dialog]), { once: true, immediate: true })
  }
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
