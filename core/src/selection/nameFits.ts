/** A part of a name, whatever its case; with * for anything and ? for one character it is the whole name, or a word of it. */
export function nameFits(wanted: string): (name: string) => boolean {
  const text = wanted.trim().toLowerCase()
  if (text === '') return () => false
  if (!/[*?]/.test(text)) return (name) => name.toLowerCase().includes(text)
  const escaped = text.replace(/[.+^${}()|[\]\\]/g, '\\$&')
  const pattern = new RegExp(`(^|\\s)${escaped.replaceAll('*', '.*').replaceAll('?', '.')}($|\\s)`)
  return (name) => pattern.test(name.toLowerCase())
}
