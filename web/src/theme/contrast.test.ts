// @vitest-environment node
import { readFileSync } from 'node:fs'
import { wcagContrast } from 'culori'
import { describe, expect, it } from 'vitest'

const css = readFileSync(new URL('./tokens.css', import.meta.url), 'utf8')
/** The colours of one theme by their names. */
function colorsOf(selector: string): Readonly<Record<string, string>> {
  const start = css.indexOf(`${selector} {`)
  const block = css.slice(start, css.indexOf('}', start))
  return Object.fromEntries([...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6})/g)].map((m) => [m[1], m[2]]))
}

describe('A1: the contrast formula (WCAG 2.2, SC 1.4.3 and 1.4.11; recomputed by culori and wcag-contrast)', () => {
  it.each([
    ['#000000', '#ffffff', 21],
    ['#777777', '#ffffff', 4.4781],
    ['#767676', '#ffffff', 4.5422],
    ['#949494', '#ffffff', 3.0335],
    ['#959595', '#ffffff', 2.9953],
    ['#595959', '#ffffff', 7.0047],
    ['#ff0000', '#ffffff', 3.9985],
    ['#0000ff', '#ffffff', 8.5925],
  ])('%s on %s is %f', (a, b, contrast) => {
    expect(Math.abs(wcagContrast(a, b) - contrast)).toBeLessThan(5e-4)
  })
})

describe.each([
  ['light', ':root'],
  ['lamp', ":root[data-theme='lamp']"],
])('the colours of the %s theme', (_, selector) => {
  const colors = colorsOf(selector)
  const contrast = (text: string, ground: string): number => wcagContrast(colors[text], colors[ground])

  it('has all of them', () => {
    expect(Object.keys(colors).length).toBeGreaterThanOrEqual(16)
  })

  it.each(['ink', 'soft', 'faint', 'madder', 'verdigris', 'ochre', 'vermilion'])(
    '%s reads on paper and cards',
    (text) => {
      for (const ground of ['paper', 'card']) expect(contrast(text, ground)).toBeGreaterThanOrEqual(4.5)
    },
  )

  it.each(['ink', 'soft', 'madder'])('%s reads on the stage', (text) => {
    expect(contrast(text, 'stage')).toBeGreaterThanOrEqual(4.5)
  })

  it.each(['madder', 'verdigris', 'ochre', 'vermilion'])('%s reads on its own wash', (text) => {
    expect(contrast(text, `${text}-wash`)).toBeGreaterThanOrEqual(4.5)
  })

  it('outlines of controls stand out from what they lie on', () => {
    for (const ground of ['paper', 'card', 'stage']) expect(contrast('edge', ground)).toBeGreaterThanOrEqual(3)
  })
})
