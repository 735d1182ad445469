import { unquoted } from './names'

/** Lines in brackets: what is said of a part that numbers do not tell. */
export const remarksIn = (text: string): { at: number; end: number }[] =>
  [...text.matchAll(/^[ \t]*\(.*\)[ \t]*$/gmu)].map((match) => ({
    at: match.index,
    end: match.index + match[0].length,
  }))

/** Lines that name what follows: a name and a colon. */
export function headingsIn(text: string): { name: string; at: number; end: number }[] {
  return [...text.matchAll(/^[ \t]*(.{1,90}?)[ \t]*:[ \t]*$/gmu)].map((match) => {
    const name = /^“.*”$/su.test(match[1]) ? unquoted(match[1]) : match[1]
    return { name: name.slice(0, 80), at: match.index, end: match.index + match[0].length }
  })
}
