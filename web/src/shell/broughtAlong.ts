/** Files that were dropped where no project is open: one is made for them, and its arrangement takes them in. */
let waiting: readonly File[] = []

export const bringAlong = (files: readonly File[]): void => void (waiting = files)

/** What was brought along; once. */
export function takeBrought(): File[] {
  const files = [...waiting]
  waiting = []
  return files
}
