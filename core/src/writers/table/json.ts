import { done } from '../../words'
import type { WriterDefinition } from '../definition'
import { cannotHold, tableChoices, usualTable } from './choices'
import { columnsOf, forecastTable, rowsOf, tableOptions } from './rows'

/** About so many characters a line takes. */
const LINE = 150

/** A table of all copies as JSON: the names of its columns once, then a list of values for each copy. */
export const json: WriterDefinition = {
  ending: 'json',
  mime: 'application/json',
  words: 'a table (JSON)',
  choices: tableChoices,
  usual: () => usualTable,
  forecast: (scene) => forecastTable(scene, LINE),
  cannotHold,
  async write(scene, options) {
    const counted = forecastTable(scene, LINE)
    if (!counted.ok) return counted
    const table = tableOptions(options, scene.project.unit)
    const lines = [...rowsOf(scene, table)].map((row) => JSON.stringify(row))
    const head = { project: scene.project.name, unit: table.unit, up: table.up, columns: columnsOf(table) }
    const text = `${JSON.stringify(head).slice(0, -1)},"copies":[\n${lines.join(',\n')}\n]}\n`
    const bytes = new TextEncoder().encode(text)
    return done({ bytes, report: { ...counted.value, bytes: bytes.length }, told: [] })
  },
}
