import { emptyProject, type Project } from '@hilera/core/model/project'
import { effectScope, reactive } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useKeptWhileWorking } from './keepBefore'

const kept = vi.hoisted(() => vi.fn<(...given: unknown[]) => Promise<void>>(() => Promise.resolve()))
const document = reactive<{ id: string; project: Project }>({ id: 'one', project: emptyProject('One') })
vi.mock('../api/client', () => ({ api: { keepVersion: kept } }))
vi.mock('../stores/document', () => ({ useDocument: () => document }))

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('while somebody works a version is kept once in a while, where anything changed; not of a project just opened', () => {
  const scope = effectScope()
  scope.run(useKeptWhileWorking)
  const wait = () => vi.advanceTimersByTime(20 * 60_000)
  wait()
  wait()
  expect(kept).not.toHaveBeenCalled()
  document.project = { ...document.project, name: 'Changed' }
  wait()
  expect(kept).toHaveBeenCalledTimes(1)
  expect(kept.mock.calls[0]).toMatchObject([
    'one',
    { note: 'while working', byItself: true, document: { name: 'Changed' } },
  ])
  Object.assign(document, { id: 'two', project: emptyProject('Two') })
  wait()
  expect(kept).toHaveBeenCalledTimes(1)
  scope.stop()
  document.project = { ...document.project, name: 'Later' }
  wait()
  expect(kept).toHaveBeenCalledTimes(1)
})
