/** Names that can stand among words without being taken for some of them. */
const PLAIN = /^\p{L}[\p{L}\p{M}]*( (?!and\b|as\b|in\b|of\b|with\b|at\b|by\b)[\p{L}\p{M}\d]+)*$/iu

/** A name as it stands in a text: in quotation marks where its own signs or words could be taken for those of the sentence. */
export const quoted = (name: string, always = false): string =>
  PLAIN.test(name) && !always ? name : `“${name.replaceAll('”', '””')}”`

/** What stands in quotation marks. */
export const unquoted = (text: string): string => text.slice(1, -1).replaceAll('””', '”')

/** "One, two and three". */
export const inOneList = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names.join('')
