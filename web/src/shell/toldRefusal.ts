import { useToast } from 'primevue/usetoast'

/** So long it can be read, in milliseconds. */
const LIFE = 12_000

/**
 * Says at the edge of the screen what could not be done, in words that are there already; nothing where there is no reason. The first
 * screen has no document whose unit it could ask, and does not fetch what a document takes.
 */
export function useToldRefusal(summary = 'Not done'): (detail: string | undefined) => void {
  const toast = useToast()
  return (detail) => {
    if (detail !== undefined) toast.add({ severity: 'error', summary, detail, life: LIFE })
  }
}
