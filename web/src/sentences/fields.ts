/** Values on the screen by their names, so that one that was dragged elsewhere can be typed without looking for it. */
const fields = new Map<string, () => void>()
let last: string | undefined

export function register(label: string, open: () => void): () => void {
  fields.set(label, open)
  return () => {
    if (fields.get(label) === open) fields.delete(label)
  }
}

/** Remembers which value a drag has changed; none where what was dragged has no value of its own. */
export const dragged = (label: string | undefined): void => void (last = label)

/** Opens the value that was dragged last; false when there is none on the screen. */
export function retype(): boolean {
  const open = last === undefined ? undefined : fields.get(last)
  open?.()
  return open !== undefined
}
