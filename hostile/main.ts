import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { killed } from '../server/test/killed'
import { asTable, hostile } from './run'

/**
 * Tries hostile and broken files, 5 000 or as many as are said, kills the server 200 times or as often as is said, and prints what
 * came of it; exit code 1 where anything is at fault: npm run hostile -- [FILES [KILLS]].
 */
const [count = 5000, kills = 200] = process.argv.slice(2).map(Number)
/** The server as it was built starts sooner than from its sources. */
const built = fileURLToPath(new URL('../server/dist/main.js', import.meta.url))
const tallies = await hostile(count, (done) => {
  if (done % 100 === 0) process.stderr.write(`${done} of ${count}\n`)
})
const faults = [...tallies.values()].flatMap((tally) => tally.faults)
for (const fault of faults) console.log(fault)
console.log(asTable(tallies))
const told = kills > 0 ? await killed(kills, existsSync(built) ? [built] : undefined) : undefined
if (told) {
  const { rounds, saves, uploads, copies, lost } = told
  for (const one of lost) console.log(one)
  console.log(
    `\nkilled ${rounds} times: ${saves} saves, ${uploads} uploads and ${copies} copies confirmed, ${lost.length} lost`,
  )
}
process.exit(faults.length + (told?.lost.length ?? 0) > 0 ? 1 : 0)
