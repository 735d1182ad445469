import { readSvg } from '@hilera/core/curves/svgFile'
import { readFont, textRuns } from '@hilera/core/curves/text'
import { readProjectFile } from '@hilera/core/projectFile/hilera'
import { readTable } from '@hilera/core/readers/spotTable'
import type { BezierRun } from '@hilera/core/values/curve'
import { type Result, done } from '@hilera/core/words'
import * as Comlink from 'comlink'
import { deepBrightness } from './deepPng'

/** Files that come in are read here, whoever made them: the page answers all the while, and one that never ends is ended. */
const reading = {
  svg: readSvg,
  table: readTable,
  project: readProjectFile,
  deep: deepBrightness,
  /** Whether a font can be read. */
  font(bytes: Uint8Array, name: string): Result<string> {
    const font = readFont(bytes, name)
    return font.ok ? done(name) : font
  },
  /** The outlines of a text in a font. */
  letters(bytes: Uint8Array, name: string, text: string, size: number): Result<BezierRun[]> {
    const font = readFont(bytes, name)
    return font.ok ? textRuns(font.value, text, size) : font
  },
}

export type Reading = typeof reading

Comlink.expose(reading)
