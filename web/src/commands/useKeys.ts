import { useEventListener } from '@vueuse/core'
import { useDocument } from '../stores/document'
import { retype } from '../sentences/fields'
import { usePicking } from '../stores/picking'
import { useView } from '../stores/view'
import { useCommands } from './commands'

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** Whether no control is in focus that Enter would press. */
const isNowhere = (target: EventTarget | null): boolean =>
  target === window.document.body || (target instanceof HTMLElement && target.matches('[data-keys=stage]'))

/** Single keys by what the event names, with Shift spelled out. */
const singles: Record<string, string> = {
  a: 'add-step',
  p: 'add-line',
  PageUp: 'more',
  PageDown: 'fewer',
  '[': 'closer',
  ']': 'wider',
  '1': 'view-perspective',
  '2': 'view-top',
  '3': 'view-front',
  '4': 'view-side',
  w: 'frame',
  'Shift w': 'frame-all',
  n: 'next-seed',
  'Shift n': 'previous-seed',
  o: 'off',
  'Shift o': 'only',
  Delete: 'remove',
  '?': 'keys',
}
const nudges: Record<string, [number, number, number]> = {
  ArrowLeft: [-1, 0, 0],
  ArrowRight: [1, 0, 0],
  ArrowUp: [0, 0, -1],
  ArrowDown: [0, 0, 1],
}

/** The keys of a project's screens. Single keys act only outside of fields and lists, and can be switched off. */
export function useKeys(): void {
  const commands = useCommands()
  const document = useDocument()
  const view = useView()
  const picking = usePicking()

  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented || event.altKey) return
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    if (event.ctrlKey || event.metaKey) {
      if (key === 'k') commands.finding = true
      else if (key === 'z' && !typing(event.target)) commands.run(event.shiftKey ? 'redo' : 'undo')
      else return
      return event.preventDefault()
    }
    if (picking.asking && (key === 'Escape' || key === 'Enter')) {
      picking.asking.answer(key === 'Enter' ? 'done' : undefined)
      return event.preventDefault()
    }
    if (key === 'Escape' && document.gesture) {
      document.gesture.cancel()
      return event.preventDefault()
    }
    if (
      document.proposal &&
      !typing(event.target) &&
      (key === 'Escape' || (key === 'Enter' && isNowhere(event.target)))
    ) {
      if (key === 'Enter') document.accept()
      else document.leave()
      return event.preventDefault()
    }
    if (!view.singleKeys || typing(event.target) || window.document.querySelector('[role=dialog][aria-modal=true]'))
      return
    const onPage = event.target === window.document.body || (event.target as HTMLElement).closest?.('[data-keys=stage]')
    if (key === 'Enter' && onPage && retype()) return event.preventDefault()
    const nudge = nudges[event.key]
    const onStage = (event.target as HTMLElement).closest?.('[data-keys=stage]')
    if (nudge && (onStage || event.target === window.document.body)) {
      const by = event.shiftKey ? 10 : 1
      commands.nudge(nudge[0] * by, nudge[1] * by, nudge[2] * by)
      return event.preventDefault()
    }
    const command = singles[event.shiftKey && key.length === 1 && /[a-z]/.test(key) ? `Shift ${key}` : key]
    if (!command) return
    commands.run(command)
    event.preventDefault()
  })
}
