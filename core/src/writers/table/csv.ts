import Papa from 'papaparse'
import { done } from '../../words'
import type { WriterChoice, WriterDefinition } from '../definition'
import { columnsOf, forecastTable, rowsOf, tableOptions } from './rows'
import { cannotHold, tableChoices, usualTable } from './choices'

const decimals: WriterChoice = {
  key: 'decimal',
  before: 'decimals after a',
  label: 'Decimal sign',
  values: [
    { value: 'point', words: 'point', note: 'with commas between columns' },
    {
      value: 'comma',
      words: 'comma',
      note: 'with semicolons between columns, as spreadsheets of many countries read it',
    },
  ],
}

/** About so many characters a line takes. */
const LINE = 140

/**
 * A table of all copies as RFC 4180 has it: one line each, quoted where needed. Names that a spreadsheet would take for a formula begin
 * with an apostrophe.
 */
export const csv: WriterDefinition = {
  ending: 'csv',
  mime: 'text/csv',
  words: 'a table (CSV)',
  choices: [...tableChoices, decimals],
  usual: () => ({ ...usualTable, decimal: 'point' }),
  forecast: (scene) => forecastTable(scene, LINE),
  cannotHold,
  async write(scene, options, onProgress) {
    const counted = forecastTable(scene, LINE)
    if (!counted.ok) return counted
    const table = tableOptions(options, scene.project.unit)
    const byComma = options.decimal === 'comma'
    const number = (n: number): string => (byComma ? String(n).replace('.', ',') : String(n))
    const lines: string[][] = [columnsOf(table)]
    for (const row of rowsOf(scene, table)) {
      lines.push(row.map((cell) => (typeof cell === 'number' ? number(cell + 0) : guarded(cell))))
      if (lines.length % 20_000 === 0) onProgress?.(lines.length / Math.max(counted.value.copies, 1))
    }
    const text = Papa.unparse(lines, { delimiter: byComma ? ';' : ',', newline: '\r\n' })
    const bytes = new TextEncoder().encode(`${text}\r\n`)
    return done({ bytes, report: { ...counted.value, bytes: bytes.length }, told: [] })
  },
}

/** A text that a spreadsheet would work out begins with one of these. Numbers do as well, and are left alone. */
const guarded = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)
