import type { Line } from '@hilera/core/layouts/line/schema'
import { casaNispero } from '@hilera/demo/casaNispero'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'
import { useDocument } from '../stores/document'
import { retype, dragged } from './fields'
import NumberValue from './NumberValue.vue'

/** The gap of the demo's tins as a value, fed from the document as a sentence does. */
function gapValue(state: 'held' | 'worked' = 'held') {
  const document = useDocument()
  const line = (): Line => document.project.patterns[0].layout as Line
  const Host = defineComponent(
    () => () =>
      h(NumberValue, {
        value: line().spacing,
        quantity: 'length',
        label: 'Spacing',
        undo: 'gap of Shelf tins',
        state,
        edit: (value: number) => (project) => void ((project.patterns[0].layout as Line).spacing = value),
      }),
  )
  const wrapper = mount(Host, { attachTo: window.document.body })
  const value = () => wrapper.find('[role=spinbutton]')
  /** Opens the field, types and presses a key. */
  const type = async (text: string, key: string): Promise<void> => {
    await value().trigger('keydown', { key: 'Enter' })
    await nextTick()
    const input = wrapper.find('input')
    await input.setValue(text)
    await input.trigger('keydown', { key })
  }
  return { document, line, wrapper, value, type }
}

describe('a value in a sentence', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    useDocument().open('one', casaNispero())
    window.document.body.innerHTML = ''
  })

  it('shows its figure with its unit and says that it is held', () => {
    const { value } = gapValue()
    expect(value().text()).toBe('12\u202fmm')
    expect(value().attributes('aria-valuetext')).toBe('12\u202fmm, held')
  })

  it('reads sums in mixed units, as one step of undo', async () => {
    const { document, line, type } = gapValue()
    await type('1/2 in + 1', 'Enter')
    expect(line().spacing).toBe(0.0137)
    expect(document.undoLabel).toBe('gap of Shelf tins')
    document.undo()
    expect(line().spacing).toBe(0.012)
  })

  it('says in a sentence what it cannot read, keeps what was typed, and Esc leaves the value alone', async () => {
    const { document, line, wrapper, type } = gapValue()
    await type('wide', 'Enter')
    expect(wrapper.find('[role=alert]').text()).toContain('“wide” is not a unit')
    expect(wrapper.find('input').element.value).toBe('wide')
    await wrapper.find('input').trigger('keydown', { key: 'Escape' })
    expect(wrapper.find('input').exists()).toBe(false)
    expect(line().spacing).toBe(0.012)
    expect(document.undoLabel).toBeUndefined()
  })

  it('accepts unchanged text without changing a digit', async () => {
    const { document, line, wrapper, value } = gapValue()
    document.change('gap', (project) => void ((project.patterns[0].layout as Line).spacing = 1 / 83))
    await nextTick()
    await value().trigger('keydown', { key: 'Enter' })
    await nextTick()
    await wrapper.find('input').trigger('keydown', { key: 'Enter' })
    expect(line().spacing).toBe(1 / 83)
  })

  it('is nudged by keys, ten steps with Shift, and opened by a digit', async () => {
    const { line, wrapper, value } = gapValue()
    await value().trigger('keydown', { key: 'ArrowUp' })
    expect(line().spacing).toBe(0.013)
    await value().trigger('keydown', { key: 'ArrowDown', shiftKey: true })
    expect(line().spacing).toBe(0.003)
    await value().trigger('keydown', { key: '7' })
    await nextTick()
    expect(wrapper.find('input').element.value).toBe('7')
  })

  it('B14: is opened as the one that was dragged last', async () => {
    const { wrapper } = gapValue()
    expect(retype()).toBe(false)
    dragged('Spacing')
    expect(retype()).toBe(true)
    await nextTick()
    expect(wrapper.find('input').exists()).toBe(true)
    wrapper.unmount()
    expect(retype()).toBe(false)
  })
})
