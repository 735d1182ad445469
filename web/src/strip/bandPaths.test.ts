import type { Strip } from '@hilera/core/spacing/strip'
import { expect, test } from 'vitest'
import { blocks, squeezedFace } from './bandPaths'

test('a face keeps its width along the ruler and is pressed upwards onto the floor', () => {
  const points: [number, number][] = [
    [-0.1, 0.5],
    [0.1, 0.5],
    [0.1, 0.9],
  ]
  const d = squeezedFace({ points }, { at: 100, across: 200, up: 50, base: 0.5, floor: 60 })
  expect(d).toBe('M80.00 60.00L120.00 60.00L120.00 40.00Z')
})

test('blocks that fall on one pixel are drawn once', () => {
  const low = Float64Array.from({ length: 1000 }, (_, i) => i / 1000)
  const high = low.map((n) => n + 0.0005)
  const strip = { count: 1000, low, high } as unknown as Strip
  const drawn = (perMetre: number) => blocks(strip, (m) => m * perMetre, 60, 40).split('Z').length - 1
  expect(drawn(100_000)).toBe(1000)
  expect(drawn(100)).toBeGreaterThan(100)
  expect(drawn(100)).toBeLessThan(200)
})
