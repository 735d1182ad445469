import type { Ground } from '@hilera/core/model/ground'
import { terrace } from '@hilera/demo/terrace'
import { beforeEach, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { opened } from '../../test/opened'
import { useUnderneathAtOnce } from './underneathAtOnce'

vi.mock('comlink', () => import('../../test/comlink'))

let page: Awaited<ReturnType<typeof opened>>
const shown: (readonly Ground[])[] = []
beforeEach(async () => {
  page = await opened((await terrace()).project)
  shown.length = 0
})

it('G6: a ground is shown as it is edited before the copies on it are worked out, and goes back with undo', async () => {
  let shadows = 0
  useUnderneathAtOnce(() => ({
    viewer: { shadowsChanged: () => void shadows++ },
    underneath: { show: ({ grounds }) => void shown.push(grounds), face: () => undefined },
  }))
  const [before] = page.document.project.grounds
  void page.document.change('ground', (p) => void (p.grounds[0].move[1] += 0.3))
  await nextTick()
  expect([page.outcomes.settled, shown.length, shadows]).toEqual([false, 1, 1])
  expect(shown[0][0].move[1] - before.move[1]).toBeCloseTo(0.3, 12)
  await page.settled()
  page.document.undo()
  await nextTick()
  expect(shown.at(-1)![0].move).toEqual(before.move)
  // What has nothing to do with it shows nothing anew.
  await page.settled()
  const so = shown.length
  void page.document.change('name', (p) => void (p.name = 'Another'))
  await page.settled()
  expect(shown).toHaveLength(so)
})
