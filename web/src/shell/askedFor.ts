import { whenever } from '@vueuse/core'
import { type Component, defineAsyncComponent, shallowRef } from 'vue'
import { useSetUpAgain } from '../links/setUpAgain'
import { useMirrorOrTurn } from '../mirrors/mirrorOrTurn'
import { useRecipes } from '../recipes/recipes'
import { useSchedule } from '../schedule/schedule'
import { useArrivals } from '../stores/arrivals'

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
  const rare: [isAsked: () => boolean, loader: () => Promise<Component>][] = [
    [() => !!arrivals.asking, () => import('../parts/ArrivalDialog.vue')],
    [() => schedule.isOpen, () => import('../schedule/ScheduleDialog.vue')],
    [() => again.of !== undefined, () => import('../links/SetUpAgainDialog.vue')],
    [() => !!recipes.keeping, () => import('../recipes/KeepRecipe.vue')],
    [() => recipes.using, () => import('../recipes/UseRecipe.vue')],
    [() => turning.patternId !== undefined, () => import('../mirrors/MirrorOrTurn.vue')],
  ]
  for (const [isAsked, loader] of rare) {
    // What is asked stays asked: where the server is away, the dialog comes with it.
    const dialog = defineAsyncComponent({ loader, onError: (_, retry) => void setTimeout(retry, RETRY) })
    whenever(isAsked, () => (dialogs.value = [...dialogs.value, dialog]), { once: true, immediate: true })
  }
  return dialogs
}
