import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { opened, quickDemo } from '../../test/opened'
import { useSelection } from '../stores/selection'
import TouchUpsSentence from './TouchUpsSentence.vue'

vi.mock('comlink', () => import('../../test/comlink'))

describe('what was touched up by hand', () => {
  let page: Awaited<ReturnType<typeof opened>>
  beforeEach(async () => {
    const demo = quickDemo()
    const [tins, ...others] = demo.patterns
    const touchUps = {
      '1': { held: true as const },
      '4': { move: [0.01, 0, 0] as [number, number, number], empty: true as const },
      // No copy has this slot at present.
      ff: { size: [2, 2, 2] as [number, number, number] },
    }
    page = await opened({ ...demo, patterns: [{ ...tins, touchUps }, ...others] })
  })

  it('is named for each copy, what is held too, and what waits is counted', async () => {
    const [pattern] = page.document.project.patterns
    useSelection().pickPattern(pattern.id)
    const sentence = mount(TouchUpsSentence, {
      props: { pattern, outcome: page.outcomes.byId.get(pattern.id), number: 4 },
    })
    await nextTick()
    const rows = sentence.findAll('li').map((li) => li.text())
    expect(rows).toEqual(['2 held', '5 left empty, moved', '– sized'])
    expect(sentence.text()).toContain('3 touched up by hand')
    expect(sentence.text()).toContain('1 waits for a copy that is not there now')
    await sentence.find('li button.off').trigger('click')
    expect(Object.keys(page.document.project.patterns[0].touchUps)).toEqual(['4', 'ff'])
  })

  it('of a crowd only the rows that are seen are there', async () => {
    const [tins] = page.document.project.patterns
    const touchUps = Object.fromEntries(
      Array.from({ length: 20_000 }, (_, k) => [k.toString(16), { held: true as const }]),
    )
    const sentence = mount(TouchUpsSentence, {
      props: { pattern: { ...tins, touchUps }, outcome: page.outcomes.byId.get(tins.id), number: 4 },
    })
    await nextTick()
    expect(sentence.text().replace(/[\u202f\u00a0]/g, ' ')).toContain('20 000 touched up by hand')
    const rows = sentence.findAll('li')
    expect(rows[0].text()).toBe('1 held')
    expect(rows.length).toBeLessThan(30)
  })
})
