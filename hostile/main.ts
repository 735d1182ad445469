import buildServer from '../server/test/build'
import { killed } from '../server/test/killed'
import { asTable, hostile } from './run'

/**
 * Tries hostile and broken files, 5 000 or as many as are said, kills the server 200 times or as often as is said, and prints what
 * came of it; exit code 1 where anything is at fault: npm run hostile -- [FILES [KILLS]].
 */
const [count = 5000, kills = 200] = process.argv.slice(2).map(Number)
const tallies = await hostile(count, (done) => {
  if (done % 100 === 0) process.stderr.write(`${done} of ${count}\n`)
})
const faults = [...tallies.values()].flatMap((tally) => tally.faults)
for (const fault of faults) console.log(fault)
console.log(asTable(tallies))
let lostOnes = 0
if (kills > 0) {
  const remove = await buildServer()
  const { rounds, saves, versions, uploads, copies, lost } = await killed(kills)
  remove()
  lostOnes = lost.length
  for (const one of lost) console.log(one)
  console.log(
    `\nkilled ${rounds} times: ${saves} saves, ${versions} versions, ${uploads} uploads and ${copies} copies confirmed, ${lost.length} lost`,
  )
}
process.exit(faults.length + lostOnes > 0 ? 1 : 0)
