import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine'
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { type ObjectDirective, shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import { type Drop, dropAt } from './listDrop'
import { useListEdits } from './listEdits'

/**
 * Rows of the list that are dragged among each other, and into groups and out of them.
 *
 * @returns where what is dragged would go, and directives: `vListed` for a row, by the id of what it lists, and `vList` for all of them
 */
export function useListDrag() {
  const document = useDocument()
  const edits = useListEdits()
  const drop = shallowRef<Drop>()
  const dragged = shallowRef<string>()
  const stops = new WeakMap<HTMLElement, () => void>()

  const target = (element: HTMLElement, over: () => string | undefined) =>
    dropTargetForElements({
      element,
      getIsSticky: () => false,
      getData({ input, source }) {
        const { top, height } = element.getBoundingClientRect()
        const at = dropAt(document.project, String(source.data.listed), over(), (input.clientY - top) / height)
        return { drop: at }
      },
      canDrop: ({ source }) => typeof source.data.listed === 'string',
    })
  type Dropped = { current: { dropTargets: readonly { data: Record<string | symbol, unknown> }[] } }
  const dropOf = ({ current }: Dropped): Drop | undefined => current.dropTargets[0]?.data.drop as Drop | undefined

  const vListed: ObjectDirective<HTMLElement, string> = {
    mounted(element, { value: id }) {
      const row = draggable({
        element,
        getInitialData: () => ({ listed: id }),
        onDragStart: () => void (dragged.value = id),
        // Over a row that it has only just come to, nothing is dragged yet.
        onDropTargetChange: ({ location }) => void (drop.value = dropOf(location)),
        onDrag: ({ location }) => void (drop.value = dropOf(location)),
        onDrop({ location }) {
          const at = dropOf(location)
          drop.value = undefined
          dragged.value = undefined
          if (at) edits.place(id, at.place)
        },
      })
      stops.set(
        element,
        combine(
          row,
          target(element, () => id),
        ),
      )
    },
    unmounted: (element) => stops.get(element)?.(),
  }
  const vList: ObjectDirective<HTMLElement> = {
    mounted: (element) =>
      void stops.set(
        element,
        target(element, () => undefined),
      ),
    unmounted: (element) => stops.get(element)?.(),
  }
  return { drop, dragged, vListed, vList }
}
