/** A fresh id for a part or a pattern. */
export const newId = (kind: string): string => `${kind}-${crypto.randomUUID().slice(0, 13)}`
