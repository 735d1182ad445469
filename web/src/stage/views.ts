/**
 * How the stage is looked at: in perspective, or flat from one side or along an axis of what is picked. The first four have keys
 * and buttons of their own.
 */
export const views = ['perspective', 'top', 'front', 'side', 'bottom', 'back', 'left', 'own'] as const
export type View = (typeof views)[number]
export const mainViews: readonly View[] = views.slice(0, 4)

/** The axis along which a flat view looks, and which it therefore hides: 0 across, 1 up, 2 deep. */
export const hiddenAxis: Readonly<Record<View, 0 | 1 | 2 | undefined>> = {
  perspective: undefined,
  top: 1,
  bottom: 1,
  front: 2,
  back: 2,
  side: 0,
  left: 0,
  own: undefined,
}

/** The sides that are looked from whatever is picked. */
export const worldViews = views.filter((name) => name !== 'own')

export const viewWords = (name: View): string => name[0].toUpperCase() + name.slice(1)
