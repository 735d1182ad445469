#!/usr/bin/env node
import { existsSync } from 'node:fs'

const built = new URL('./dist/main.js', import.meta.url)
if (!existsSync(built)) {
  console.error('The command line is not built yet: run “npm run build” first.')
  process.exit(2)
}
const { main } = await import(built.href)
process.exitCode = await main(
  process.argv.slice(2),
  (line) => console.log(line),
  (line) => console.error(line),
)
