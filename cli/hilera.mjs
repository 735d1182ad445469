#!/usr/bin/env node
import { existsSync } from 'node:fs'
import { isMainThread, Worker } from 'node:worker_threads'

const built = new URL('./dist/main.js', import.meta.url)
if (!existsSync(built)) {
  console.error('The command line is not built yet: run “npm run build” first.')
  process.exit(2)
}
const { main, limitIn } = await import(built.href)
const print = (line) => console.log(line)
const complain = (line) => console.error(line)

const { limit, rest, problem } = isMainThread ? limitIn(process.argv.slice(2)) : { rest: process.argv.slice(2) }
if (problem) {
  complain(problem)
  process.exitCode = 2
} else if (limit === undefined) process.exitCode = await main(rest, print, complain)
else {
  // In a thread of its own, which can be ended whatever it is doing.
  const work = new Worker(new URL(import.meta.url), { argv: rest })
  const timer = setTimeout(() => {
    work.removeAllListeners('exit')
    void work.terminate().then(() => {
      complain(
        `It was not done in ${limit} s and has been ended; nothing was written. Give a longer --limit, or less to do.`,
      )
      process.exitCode = 2
    })
  }, 1000 * limit)
  work.once('exit', (code) => {
    clearTimeout(timer)
    process.exitCode = code
  })
}
