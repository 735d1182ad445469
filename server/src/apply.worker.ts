import { parentPort } from 'node:worker_threads'
import type { Patch } from '@hilera/core/model/patches'
import { appliedPatches } from './applied'

/** Applies patches to a large document, away from the thread that answers everybody. */
parentPort!.on('message', ({ text, patches }: { text: string; patches: readonly Patch[] }) => {
  parentPort!.postMessage(appliedPatches(text, patches))
})
