import { useLocalStorage } from '@vueuse/core'

/** A file that was written from a project in this browser. */
export interface PastExport {
  readonly project: string
  readonly file: string
  readonly bytes: number
  readonly copies: number
  readonly errors: number
  readonly warnings: number
  readonly at: string
}

/** So many are remembered. */
const KEPT = 40

/** What has been written in this browser, the newest first. */
export function usePastExports() {
  const past = useLocalStorage<PastExport[]>('hilera.exports', [])
  const add = (written: PastExport): void => void (past.value = [written, ...past.value].slice(0, KEPT))
  return { past, add }
}
