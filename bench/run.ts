import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { format, resolveConfig } from 'prettier'
import { between } from './between'
import { clear } from './clear'
import { fold } from './fold'
import { grid } from './grid'
import { line } from './line'
import { motion } from './motion'
import { measure } from './measure'
import { order } from './order'
import { page } from './page'
import { path } from './path'
import { placing } from './placing'
import { asMarkdown } from './rounds'
import { settling } from './settle'
import { spread } from './spread'
import { vary } from './vary'
import { versions } from './versions'

/**
 * Figures as ratios against a peer or a bound in the same run. Run it on a quiet machine; it asserts nothing. With `--markdown` they
 * are kept in docs/figures.md.
 */
await line()
await grid()
await path()
measure()
placing()
settling()
spread()
order()
await fold()
vary()
motion()
await clear()
await between()
await versions()
await page()
if (process.argv.includes('--markdown')) {
  const file = fileURLToPath(new URL('../docs/figures.md', import.meta.url))
  writeFileSync(file, await format(asMarkdown(), { ...(await resolveConfig(file)), parser: 'markdown' }))
}
