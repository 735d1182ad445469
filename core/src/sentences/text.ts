import { exactText } from '../numbers/exactText'
import { formatQuantity, sentenceText } from '../numbers/format'
import { type BoundNumber, type Item, type Place, bind } from './bind'
import { inOneList, quoted } from './names'
import type { Surroundings, Template } from './nodes'

/**
 * A sentence as plain text: what is held as the shortest decimals that are read back as the same doubles, what was worked out in
 * brackets, neutral clauses not at all; what no words can say is named by the one that has it.
 *
 * @param owner the name of the pattern or the part whose sentence it is
 */
export function sentenceAsText<R, T>(
  template: Template<T>,
  place: Place<R, T>,
  around: Surroundings,
  owner: string,
): string {
  const told = { ...around, isText: true as const }
  return tidied(itemsAsText(bind(template, place, told), told, owner))
}

function itemsAsText<R>(items: readonly Item<R>[], around: Surroundings, owner: string): string {
  return items.map((item) => itemAsText(item, around, owner)).join('')
}

function itemAsText<R>(item: Item<R>, around: Surroundings, owner: string): string {
  switch (item.is) {
    case 'words':
      return item.words
    case 'clause':
      return item.neutral ? '' : itemsAsText(item.items, around, owner)
    case 'number':
      return numberAsText(item, around)
    case 'choice': {
      // Seeds are said as those of each thing; one for all is said by itself.
      if (item.isOfSeed) return ''
      const option = item.options.find(({ value }) => value === item.value)
      return option ? `${option.words}${option.name === undefined ? '' : quoted(option.name)}` : quoted(item.value)
    }
    case 'list': {
      const names = item.values.map((value) => {
        const option = item.options.find((o) => o.value === value)
        return `${option?.words ?? ''}${quoted(option?.name ?? value)}`
      })
      return inOneList(names)
    }
    case 'text':
      return quoted(item.value, true)
    case 'color':
      return item.value
    case 'reference':
      return `${sentenceText(item.says, around.unit).replaceAll('\u202f', '')} as in ${quoted(owner)}`
  }
}

/** What was worked out is a remark: it is not asked for. */
function numberAsText<R>({ state, value, quantity }: BoundNumber<R>, { unit }: Surroundings): string {
  if (state !== 'worked') return exactText(value, quantity, unit)
  return `(${Number.isFinite(value) ? formatQuantity(value, quantity, unit).replaceAll('\u202f', ' ') : 'worked out'})`
}

/** Single spaces, and none before a comma. */
const tidied = (text: string): string =>
  text
    .replace(/[ \n]+/g, ' ')
    .replace(/ ([,;.])/g, '$1')
    .trim()
