import { expect, it } from 'vitest'
import { limitIn } from './limit'

it('takes the limit out of any command, wherever it stands', () => {
  expect(limitIn(['fold', 'a.glb', '--limit', '30', 'b.glb'])).toEqual({ limit: 30, rest: ['fold', 'a.glb', 'b.glb'] })
  expect(limitIn(['fold', '--limit=0.5s'])).toEqual({ limit: 0.5, rest: ['fold'] })
  expect(limitIn(['solve', '--count', '3'])).toEqual({ rest: ['solve', '--count', '3'] })
})

it.each(['', '0', '-3', 'soon', '1e9', '30min'])('says that “%s” is none', (said) => {
  expect(limitIn(['fold', '--limit', said]).problem).toContain('--limit is a number of seconds')
})
