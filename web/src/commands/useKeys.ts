import { useEventListener } from '@vueuse/core'
import { useDocument } from '../stores/document'
import { retype } from '../sentences/fields'
import { usePicking } from '../stores/picking'
import { useView } from '../stores/view'
import { useCarried } from '../texts/carried'
import { useCopyText } from '../texts/copyText'
import { useActs } from '../placing/acts'
import { useCommands } from './commands'

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** Whether no control is in focus that Enter would press. */
const isNowhere = (target: EventTarget | null): boolean =>
  target === window.document.body || (target instanceof HTMLElement && target.matches('[data-keys=stage]'))

/** A dialog or a list over the page, which the keys belong to. One that is closed only fades: nobody can answer it any more. */
const OVER_THE_PAGE = '[role=dialog][aria-modal=true]:not(.p-anchored-overlay-leave-active, .p-dialog-leave-active)'

const NAMES: Readonly<Record<string, string>> = {
  ArrowLeft: 'Left',
  ArrowRight: 'Right',
  ArrowUp: 'Up',
  ArrowDown: 'Down',
  PageUp: 'Page Up',
  PageDown: 'Page Down',
  Delete: 'Del',
}

/** A key as the commands name it, with Shift spelled out before a letter: elsewhere it is in the sign, or means ten steps. */
function keyName({ key, shiftKey }: KeyboardEvent): string {
  if (key.length > 1) return NAMES[key] ?? key
  const upper = key.toUpperCase()
  return shiftKey && upper !== key.toLowerCase() ? `Shift ${upper}` : upper
}

/** The keys of a project's screens. Single keys act only outside of fields and lists, and can be switched off. */
export function useKeys(): void {
  const commands = useCommands()
  const document = useDocument()
  const view = useView()
  const picking = usePicking()
  const texts = useCopyText()
  const acts = useActs()
  const carried = useCarried()

  /**
   * Text is pasted to be read, and copied as the sentences of what is picked, where no field takes it; from another project the patterns
   * themselves come.
   */
  useEventListener('paste', (event: ClipboardEvent) => {
    const { clipboardData } = event
    if (!clipboardData || typing(event.target) || commands.finding) return
    const brought = carried.read(clipboardData)
    const text = clipboardData.getData('text/plain').trim()
    if (!brought && !text) return
    event.preventDefault()
    if (brought) return void carried.bring(brought).then(commands.say)
    commands.pasted = text
    commands.finding = true
  })
  useEventListener('copy', (event: ClipboardEvent) => {
    const ids = texts.picked()
    if (typing(event.target) || ids.length === 0 || !window.getSelection()?.isCollapsed) return
    event.clipboardData?.setData('text/plain', texts.textOf(ids))
    if (event.clipboardData) carried.put(event.clipboardData, ids)
    event.preventDefault()
  })

  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented) return
    if (event.altKey) {
      const listed = commands.all.find((c) => c.keys === `Alt ${NAMES[event.key]}`)
      if (!listed || typing(event.target) || window.document.querySelector(OVER_THE_PAGE)) return
      commands.run(listed.id)
      return event.preventDefault()
    }
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    if (event.ctrlKey || event.metaKey) {
      if (key === 'k') commands.finding = true
      else if (key === 'z' && !typing(event.target)) commands.run(event.shiftKey ? 'redo' : 'undo')
      else if (key === 's') commands.run('keep-version')
      else if (key === 'a' && !typing(event.target)) commands.run('pick-all')
      else return
      return event.preventDefault()
    }
    if (picking.asking && (key === 'Escape' || key === 'Enter')) {
      picking.asking.answer(key === 'Enter' ? 'done' : undefined)
      return event.preventDefault()
    }
    if (picking.drawing && key === 'Escape') {
      picking.drawing.answer(undefined)
      return event.preventDefault()
    }
    if (acts.open && !typing(event.target) && (key === 'Escape' || (key === 'Enter' && isNowhere(event.target)))) {
      if (key === 'Enter') void acts.accept()
      else acts.leave()
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
    if (!view.singleKeys || typing(event.target) || window.document.querySelector(OVER_THE_PAGE)) return
    const onPage = event.target === window.document.body || (event.target as HTMLElement).closest?.('[data-keys=stage]')
    if (key === 'Enter' && onPage && retype()) return event.preventDefault()
    const name = keyName(event)
    // Arrows belong to whatever has the focus, unless that is the stage or nothing.
    if (event.key.startsWith('Arrow') && !onPage) return
    const command = commands.all.find((c) => c.keys === name)
    if (!command) return
    commands.run(command.id, event.shiftKey ? 10 : 1)
    event.preventDefault()
  })
}
