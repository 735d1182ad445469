import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import type { Project } from '../model/project'
import { sentenceText } from '../numbers/format'
import { readText } from './read'

const shop = (): Project => ({
  ...aProject(
    [box('cup', 0.08), box('sencha', 0.1), box('mugi', 0.1)],
    aPattern(aLine(), ['cup'], { name: 'Row, left' }),
  ),
  parts: [
    { ...box('cup', 0.08), name: 'Cup' },
    { ...box('sencha', 0.1), name: 'Sencha tin' },
    { ...box('mugi', 0.1), name: 'Mugi tin' },
  ],
})
function read(text: string, project = shop()) {
  let n = 0
  return readText(text, { project, newId: (kind) => `${kind}-new-${++n}` })
}
const marks = (text: string): [string, string][] =>
  read(text).marks.map((m) => [text.slice(m.at, m.end), sentenceText(m.says, 'mm').replaceAll('\u202f', ' ')])

describe('sentences that are typed', () => {
  it.each([
    'Place 9 cups in a line along across, 12 mm gap, in 1180 mm outside to outside.',
    'place 9 CUPS in line across, 12mm gap',
    'place 9 cup in a line, across, 12 mm gaps',
    'Place (9) cups in a line along across, 1.2 cm gap, in 1180 mm',
    'place 9 of a cup in a line, in 1180 mm, 12 mm gap',
    'place 9 cups in a line at 6 + 6 mm gap',
  ])('forgives order, small words, capitals, units and sums: %s', (text) => {
    const { patterns, marks: wrong } = read(text)
    expect(wrong).toEqual([])
    expect(patterns).toMatchObject([
      {
        deal: { parts: ['cup'] },
        layout: { kind: 'line', spacing: 0.012, measure: 'gap', direction: { axis: 'across' } },
      },
    ])
  })

  it('what is left out is neutral, and which two are held is what was said', () => {
    const [line] = read('place cups in a line, 12 mm gap, in 2 m; left over to both ends').patterns
    expect(line.layout).toMatchObject({ hold: ['spacing', 'room'], room: 2, leftover: 'both', ends: 'both' })
    const [ring] = read('place 18 cups round a circle, 12 mm gap').patterns
    expect(ring.layout).toMatchObject({ hold: ['count', 'spacing'], count: 18, rings: 1, facing: 'out' })
    const [all] = read('place as many as fit cups in a line, 12 mm gap, in 2 m').patterns
    expect(all.layout).toMatchObject({ hold: ['spacing', 'room'] })
  })

  it.each([
    ['place cups in a line, 7 copies, 31 mm gap', { kind: 'line', hold: ['count', 'spacing'], spacing: 0.031 }],
    ['place cups in a line, 31 mm gap, 7 copies', { kind: 'line', hold: ['spacing', 'count'], spacing: 0.031 }],
    ['place cups round a circle of radius 300 mm, 7 copies', { kind: 'ring', hold: ['radius', 'count'] }],
    ['place cups round a circle, 7 copies, 12 mm gap', { kind: 'ring', hold: ['count', 'spacing'] }],
  ])('a count may come after what it counts: %s', (text, layout) => {
    const { patterns, marks: wrong } = read(text)
    expect(wrong).toEqual([])
    expect(patterns).toMatchObject([{ deal: { parts: ['cup'] }, layout: { ...layout, count: 7 } }])
  })

  it('several sentences are one pattern, with its steps; a second layout or a heading is another', () => {
    const { patterns, marks: wrong } = read(
      'Front:\nPlace 9 cups in a line, 12 mm gap. Vary their size between 80 % and 120 %, seed 4. Keep one in every 2.\n' +
        'It starts at 1 m across.\n\nBack:\nPlace 5 across at 90 mm pitch; 4 deep at 90 mm pitch.\nDeal Cup.\nPlace one with every copy of Front, at its top.',
    )
    expect(wrong).toEqual([])
    expect(patterns.map((p) => [p.name, p.layout.kind, p.steps.map((s) => s.kind)])).toEqual([
      ['Front', 'line', ['vary', 'thin']],
      ['Back', 'grid', []],
      ['Cup companion', 'companion', []],
    ])
    expect(patterns[0].place.move).toEqual([1, 0, 0])
    expect(patterns[2].layout).toMatchObject({ host: patterns[0].id })
  })

  it('parts are described, defined, or meant by what they are', () => {
    const { parts, patterns } = read('place 5 boxes 100 mm wide, 40 mm tall, 60 mm deep in a line, 5 mm gap')
    expect(parts).toMatchObject([{ name: 'Box', shape: { kind: 'box', width: 0.1, height: 0.04, depth: 0.06 } }])
    expect(patterns[0].deal.parts).toEqual([parts[0].id])
    const made = read(
      'Genmai is a cylinder 119 mm wide, 150 mm tall. Its colour is #3a6b5f. Place 9 Genmai in a line, 5 mm gap.',
    )
    expect(made.parts).toMatchObject([
      { name: 'Genmai', shape: { kind: 'cylinder', width: 0.119 }, look: { color: '#3a6b5f' } },
    ])
    expect(made.patterns[0].deal.parts).toEqual([made.parts[0].id])
    expect(read('place 9 tins in a line, 5 mm gap').patterns[0].deal).toEqual({
      kind: 'inTurn',
      parts: ['sencha', 'mugi'],
    })
  })

  it('a name with signs stands in quotation marks', () => {
    expect(read('Place one cup with every 2nd copy of “Row, left”, at its base.').patterns[0].layout).toMatchObject({
      kind: 'companion',
      every: 2,
      at: 'base',
    })
  })
})

describe('what is not understood', () => {
  it.each([
    ['place 9 cups in a line, 12 mm gapp', 'gapp', '“gapp” is not understood here. Is “gap” meant?'],
    ['place 9 cups in a lien, 12 mm gap', 'lien', '“lien” is not understood here. Is “line” meant?'],
    ['place 9 pots in a line', 'pots', /^“pots” is not understood here. It could be: the name of a part/],
    ['place 9 cups in a line, 12° gap', /12° gap$/, /^“12°” is an angle, but a length is needed here/],
    ['place 9 cups in a line, 9 kg gap', 'kg', /^“kg” is not understood here/],
    ['nine cups please', 'nine', /^“nine” is not understood here. It could be: place, fill, spread, mirror/],
    ['Place 8 along points, smoothly, 4 of them as in Nowhere.', /as in Nowhere/, /^Nothing here has that name/],
    ['Deal Cup.', 'Deal Cup.', /^Say how its copies are placed/],
    ['Place 8 cups along a drawing “leaf.svg”, 9 mm pitch.', /^Place 8/, /^Its curve is drawn: say from which pattern/],
    ['Place one cup with every copy of , at its base.', /./, /./],
  ])('%s', (text, where, says) => {
    const [[piece, sentence]] = marks(text)
    if (typeof where === 'string') expect(piece).toBe(where)
    else expect(piece).toMatch(where)
    if (typeof says === 'string') expect(sentence).toBe(says)
    else expect(sentence).toMatch(says)
    expect(read(text)).toMatchObject({ parts: [], patterns: [] })
  })

  it('every piece of it is marked, and numbers that a field refuses are told', () => {
    expect(marks('place 9 cups in a line, 12 mm gapp, in 2 m outsid to outside').map(([piece]) => piece)).toEqual([
      'gapp',
      'outsid',
    ])
    expect(marks('place 9 cups in a line, 12 mm gap. Keep one in every 0.')[0][1]).toBe('Type a whole number from 1.')
  })

  it('an empty text, a long one and one of nonsense come back at once', () => {
    expect(marks('   ')[0][1]).toMatch(/^Say what is placed and how/)
    expect(marks('x'.repeat(300_000))[0][1]).toMatch(/too long/)
    expect(marks('tins cups '.repeat(5000))).toHaveLength(1)
    expect(marks('place 9 pots in a line, '.repeat(800)).length).toBeGreaterThan(700)
  })
})
