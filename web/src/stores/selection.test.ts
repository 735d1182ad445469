import { casaNispero } from '@hilera/demo/casaNispero'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'
import { useSelection } from './selection'

describe('what is picked', () => {
  beforeEach(() => {
    vi.stubGlobal(
      'Worker',
      class {
        postMessage(): void {}
        addEventListener(): void {}
        terminate(): void {}
      },
    )
    setActivePinia(createPinia())
    useOutcomes()
    useDocument().open('one', casaNispero())
  })

  it('is one copy, then several, and one again', () => {
    const selection = useSelection()
    selection.pickCopy('shelf-tins', '2')
    expect([selection.slot, selection.count]).toEqual(['2', 1])
    selection.toggleCopy('shelf-tins', '5')
    expect([selection.slot, selection.count]).toEqual([undefined, 2])
    selection.toggleCopy('shelf-tins', '2')
    expect([selection.slot, selection.count]).toEqual(['5', 1])
    selection.toggleCopy('shelf-tins', '5')
    expect(selection.count).toBe(0)
    expect(selection.patternId).toBe('shelf-tins')
  })

  it('may lie in several patterns; the sentences stay where something is picked', () => {
    const selection = useSelection()
    selection.pickPattern('lanterns')
    selection.pickCopies(
      new Map([
        ['shelf-tins', new Set(['0'])],
        ['lanterns', new Set(['1', '2'])],
      ]),
    )
    expect([selection.patternId, selection.count, selection.slot]).toEqual(['lanterns', 3, undefined])
    selection.pickCopies(
      new Map([
        ['shelf-tins', new Set(['0'])],
        ['lanterns', new Set<string>()],
      ]),
    )
    expect([selection.patternId, selection.slot]).toEqual(['shelf-tins', '0'])
    expect([...selection.picks.keys()]).toEqual(['shelf-tins'])
  })

  it('survives undo and redo', () => {
    const selection = useSelection()
    const document = useDocument()
    selection.pickCopies(new Map([['shelf-tins', new Set(['1', '3'])]]))
    document.change('name', (p) => void (p.name = 'Other'))
    document.undo()
    document.redo()
    expect(selection.count).toBe(2)
  })

  it('goes when a pattern is picked, and with the part', () => {
    const selection = useSelection()
    selection.pickCopy('shelf-tins', '1')
    selection.pickPart('cup')
    expect(selection.part?.name).toBe('Cup')
    selection.pickPattern('lanterns')
    expect([selection.count, selection.part]).toEqual([0, undefined])
  })
})
