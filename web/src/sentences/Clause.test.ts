import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import Clause from './Clause.vue'
import { setOpened } from './quiet'
import Step from './Step.vue'

const twist = ref(0)
const sentence = defineComponent({
  components: { Clause, Step },
  setup: () => () =>
    h(Step, { number: 1, name: 'box path' }, () => [
      'Place 8 along a line',
      h(Clause, { neutral: twist.value === 0 }, () => [', twisting ', h('input', { value: twist.value })]),
      '.',
    ]),
})
const said = (wrapper: ReturnType<typeof mount>): string =>
  wrapper.get('.sentence').text().replaceAll('…', '').replaceAll(/\s+/g, ' ').trim()

describe('clauses of a sentence', () => {
  beforeEach(() => {
    twist.value = 0
    setOpened('box path', false)
  })

  it('are not said while they are neutral; … opens the sentence, and it is found open again', async () => {
    const first = mount(sentence)
    await nextTick()
    expect(said(first)).toBe('Place 8 along a line.')
    await first.get('[data-quiet]').trigger('click')
    expect(said(first)).toBe('Place 8 along a line, twisting .')
    first.unmount()
    const again = mount(sentence)
    await nextTick()
    expect(said(again)).toBe('Place 8 along a line, twisting .')
    expect(again.get('[data-quiet]').attributes('aria-expanded')).toBe('true')
    await again.get('[data-quiet]').trigger('click')
    expect(said(again)).toBe('Place 8 along a line.')
  })

  it('are always said where they are not neutral, and then nothing is left to open', async () => {
    twist.value = 1
    const wrapper = mount(sentence)
    await nextTick()
    expect(said(wrapper)).toBe('Place 8 along a line, twisting .')
    expect(wrapper.find('[data-quiet]').exists()).toBe(false)
  })

  it('stay while they are edited, also when they have just become neutral', async () => {
    twist.value = 1
    const wrapper = mount(sentence, { attachTo: document.body })
    await nextTick()
    const field = wrapper.get('input')
    field.element.focus()
    await field.trigger('focusin')
    twist.value = 0
    await nextTick()
    expect(said(wrapper)).toContain('twisting')
    await field.trigger('focusout')
    expect(said(wrapper)).toBe('Place 8 along a line.')
    wrapper.unmount()
  })
})
