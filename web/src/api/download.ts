/** Hands bytes to the person as a file. */
export const download = (bytes: Uint8Array, name: string, type: string): void =>
  saveBlob(new Blob([bytes as Uint8Array<ArrayBuffer>], { type }), name)

export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  const link = Object.assign(document.createElement('a'), { href: url, download: name })
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}
