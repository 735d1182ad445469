import { expect, it } from 'vitest'
import { NOT_FETCHED, saidBy } from './faults'

it('a fault says its own sentence; code that could not be fetched is told in ours, whichever browser it is', () => {
  expect(saidBy(new Error('The file is empty. Choose another one.'))).toBe('The file is empty. Choose another one.')
  expect(saidBy('stopped')).toBe('stopped')
  for (const says of [
    'Failed to fetch dynamically imported module: http://127.0.0.1:4000/assets/obj-1.js',
    'error loading dynamically imported module: http://127.0.0.1:4000/assets/obj-1.js',
    'Importing a module script failed.',
  ])
    expect(saidBy(new TypeError(says))).toBe(NOT_FETCHED)
})
