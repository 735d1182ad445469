import type { VersionBody } from '@hilera/server/api'
import { createEventHook } from '@vueuse/core'
import { api } from '../api/client'

const kept = createEventHook<string>()

/** Tells of which project a version has been kept by itself, once the server has it. */
export const onKeptByItself = kept.on

/** Keeps a state of a project as a version without being asked. Nobody waits for it: where the server cannot be reached it is not kept. */
export async function keepByItself(id: string, version: Omit<VersionBody, 'byItself'>): Promise<void> {
  try {
    await api.keepVersion(id, { ...version, byItself: true })
  } catch {
    return
  }
  await kept.trigger(id)
}
