import { expect, test } from 'vitest'
import { rulerMarks } from '../../strip/stripLayout'
import { angleRuler } from './angleRuler'

test('the marks of a ring stand at round angles, as near as they may', () => {
  const ruler = angleRuler(1)
  const step = ruler.step(0.5)
  expect(step).toBeCloseTo(Math.PI / 6, 12)
  expect(ruler.text(step)).toBe('30°')
  const marks = rulerMarks(0, 2 * Math.PI, step)
  expect(marks.filter((m) => m.named)).toHaveLength(13)
})

// Marks went by the ring alone: a tenth of a millimetre round, under cups of eighty, they were a million, and the page stood still.
test('a ring far smaller than what stands on it has its beginning alone', () => {
  const step = angleRuler(1e-4).step(0.005)
  expect(rulerMarks(0, 2e-4 * Math.PI, step)).toEqual([{ at: 0, named: true }])
})
