import { useEventListener, useThrottleFn } from '@vueuse/core'
import { useToast } from 'primevue/usetoast'

/** So often it is said again while something goes on being asked for, in milliseconds. */
const AGAIN = 30_000

/** Says why nothing opens: what was never opened before is fetched first, and the server may be away. */
export function useNotFetched(): void {
  const toast = useToast()
  const say = useThrottleFn(
    () =>
      toast.add({
        severity: 'warn',
        summary: 'Not here yet',
        detail:
          'This is opened for the first time, and the server does not answer. Nothing is lost; try again when it does.',
        life: 8000,
      }),
    AGAIN,
  )
  useEventListener(window, 'vite:preloadError', () => void say())
}
