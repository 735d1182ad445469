import { expect, it } from 'vitest'
import { MAX_DEEP, tooDeep } from './chains'

const chain = (count: number): Map<string, string[]> =>
  new Map(Array.from({ length: count }, (_, i) => [String(i), i > 0 ? [String(i - 1)] : []]))

it('finds what rests too deeply on others, however they are listed, and nothing else', () => {
  expect(tooDeep(chain(MAX_DEEP))).toBeUndefined()
  expect(tooDeep(chain(MAX_DEEP + 1))).toBe(String(MAX_DEEP))
  expect(tooDeep(new Map([...chain(20_000)].reverse()))).toBe(String(MAX_DEEP))
  // Thousands on one thing are wide, not deep.
  expect(
    tooDeep(
      new Map([['a', []], ...Array.from({ length: 5000 }, (_, i): [string, string[]] => [`b${i}`, ['a', 'gone']])]),
    ),
  ).toBeUndefined()
})

it('does not follow a way round and round', () => {
  expect(
    tooDeep(
      new Map([
        ['a', ['b']],
        ['b', ['c', 'a']],
        ['c', ['a']],
      ]),
    ),
  ).toBeUndefined()
})
