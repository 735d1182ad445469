import type { VersionCard } from '@hilera/server/api'
import { beforeEach, expect, it, vi } from 'vitest'
import { opened, quickDemo } from '../../test/opened'
import { api } from '../api/client'
import { useDocument } from '../stores/document'
import { keepByItself } from './keepByItself'
import { useVersions } from './versions'

vi.mock('comlink', () => import('../../test/comlink'))

/** Lists that are asked of the server, in their order: each is answered when it is told to be. */
let answers: ((cards: VersionCard[]) => void)[]
let versions: ReturnType<typeof useVersions>
const card = (number: number) => ({ id: `v${number}`, number }) as VersionCard
const numbers = () => versions.list.map(({ number }) => number)

beforeEach(async () => {
  await opened(quickDemo())
  answers = []
  vi.spyOn(api, 'listVersions').mockImplementation(() => new Promise((resolve) => void answers.push(resolve)))
  vi.spyOn(api, 'keepVersion').mockResolvedValue(card(1))
  versions = useVersions()
})

it('what is kept by itself while the list is being read is in it, whichever answer comes last', async () => {
  void versions.open()
  await keepByItselfHere()
  expect(answers).toHaveLength(2)
  answers[1]([card(1)])
  answers[0]([])
  await vi.waitFor(() => expect(numbers()).toEqual([1]))
})

it('what is kept of another project, or could not be kept, is not looked for', async () => {
  await keepByItself('another', { note: '', document: quickDemo() })
  vi.mocked(api.keepVersion).mockRejectedValueOnce(new Error('The server is busy. Try again in a moment.'))
  await keepByItselfHere()
  expect(answers).toHaveLength(0)
})

/** Does not wait for the list, which the test answers. */
async function keepByItselfHere(): Promise<void> {
  void keepByItself(useDocument().id, { note: '2 steps that were undone', document: quickDemo() })
  await vi.waitFor(() => expect(api.keepVersion).toHaveBeenCalled())
  await Promise.resolve()
}
