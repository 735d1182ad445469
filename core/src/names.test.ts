import { describe, expect, it } from 'vitest'
import { freeName, namer } from './names'

describe('names', () => {
  it('that are taken get the next number, whatever their case', () => {
    expect(freeName('Box', [])).toBe('Box')
    expect(freeName('Box', ['box'])).toBe('Box 2')
    expect(freeName('Box 2', ['Box', 'Box 2', 'BOX 3'])).toBe('Box 4')
    expect(freeName('x'.repeat(80), ['x'.repeat(80)]).length).toBeLessThanOrEqual(80)
  })

  it('one after another are those that are free, thousands of one too', () => {
    const name = namer([{ name: 'tin' }, { name: 'Tin 3' }])
    expect(['Tin', 'tin', 'Tin 2', 'Cup', 'Tin'].map(name)).toEqual(['Tin 2', 'tin 4', 'Tin 5', 'Cup', 'Tin 6'])
    const many = namer([])
    const made = Array.from({ length: 20_000 }, () => many('Mesh'))
    expect(new Set(made.map((n) => n.toLowerCase())).size).toBe(20_000)
    expect(made.at(-1)).toBe('Mesh 20000')
  })
})
