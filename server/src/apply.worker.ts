import { parentPort } from 'node:worker_threads'
import type { Patch } from '@hilera/core/model/patches'
import { appliedPatches, readStart } from './applied'

/** Patches on a stored document, or without them what a new project is to start from. */
export interface Job {
  readonly text: string
  readonly patches?: readonly Patch[]
}

/** Reads and checks what is large, away from the thread that answers everybody. */
parentPort!.on('message', ({ text, patches }: Job) => {
  parentPort!.postMessage(patches ? appliedPatches(text, patches) : readStart(text))
})
