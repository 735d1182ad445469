import svgpath from 'svgpath'
import { describe, expect, it } from 'vitest'
import { buildCurve } from '../../src/curves/build'
import { ArcLength } from '../../src/curves/arcLength'
import { readSvg } from '../../src/curves/svgFile'
import { runsOfPath } from '../../src/curves/svgPath'
import { readFont, textRuns } from '../../src/curves/text'
import type { BezierRun } from '../../src/values/curve'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { said } from '../placed'

const lengthOf = (runs: BezierRun[]): number => {
  if (runs.length === 0) return 0
  const made = buildCurve({ kind: 'bezier', runs, from: { kind: 'hand' } })
  return made.ok ? made.value.reduce((sum, contour) => sum + new ArcLength(contour).length, 0) : NaN
}
/** The length of path data in its own units. */
const length = (data: string): number => lengthOf(runsOfPath(data, [1, 0, 0, 1, 0, 0]))
const svg = (body: string, attributes = 'viewBox="0 0 200 100" width="200mm" height="100mm"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${body}</svg>`
const read = (text: string): BezierRun[] => {
  const made = readSvg(text, 'drawing.svg')
  if (!made.ok) throw new Error(said(made.problem.says))
  return made.value
}

describe('SVG path data', () => {
  it.each([
    // W3C SVG 1.1, 8.3.8 and appendix F.6 (values from memory); a quarter of the ellipse 100 by 50 and three of them.
    ['M150 200 a150,150 0 1,0 150,-150', 1.5 * Math.PI * 150],
    ['M275 25 a150,150 0 0,0 -150,150', (Math.PI * 150) / 2],
    ['M125,75 a100,50 0 0,0 100,50', 121.105603],
    ['M125,75 a100,50 0 0,1 100,50', 121.105603],
    ['M125,75 a100,50 0 1,0 100,50', 363.316808],
    ['M125,75 a100,50 0 1,1 100,50', 363.316808],
  ])('P13: %s is %f long', (data, wanted) => {
    expect(length(data)).toBeCloseTo(wanted, 5)
  })

  it('P14: radii that are too small are grown', () => {
    // F.6.6: Λ = 1.25 and 1.245793158 for the example's 25 and 100.
    expect(length('M0 0a25,25 -30 0,1 50,-25')).toBeCloseTo(25 * Math.sqrt(1.25) * Math.PI, 6)
    expect(length('M0 0a25,100 -30 0,1 50,-25')).toBeCloseTo(239.370358, 5)
    expect(length('M0 0A1 1 0 0 1 4 0')).toBeCloseTo(2 * Math.PI, 8)
  })

  it('P15: a radius of 0 is a straight line, equal ends are nothing', () => {
    expect(length('M0 0A0 5 0 0 1 4 3')).toBeCloseTo(5, 12)
    expect(length('M0 0L1 0A5 5 0 0 1 1 0')).toBeCloseTo(1, 12)
  })

  it.each([
    // SVG 2 § 9.3.9 and the W3C SVG 1.1 test suite.
    ['M10-20L30-40', 28.2842712],
    ['M.5.5L1.5.5', 1],
    ['m10,10 10,0 0,10z', 34.1421356],
    ['M0 0 1e1 0', 10],
    ['M0 0a1 1 0 1110 0', 15.7079633],
    ['M0,0L10,0M100,100l0,5', 15],
    ['M 20 50 T 50 50 80 50', 60],
    ['M425 25 T 425 75 T 425 125', 100],
    ['M120,120 h25 a25,25 0 10 -25,25z', 50 + 37.5 * Math.PI],
    // Drawn up to the fault (from memory of the rule).
    ['M0 0L10 0 #bad L20 0', 10],
  ])('P16, P17: %s is %f long', (data, wanted) => {
    expect(length(data)).toBeCloseTo(wanted, 6)
  })
})

describe('the W3C SVG 1.1 test suite, where Debian’s librsvg2-tests is installed', () => {
  const folder = '/usr/libexec/installed-tests/RSVG/fixtures/reftests/svg1.1'

  it.skipIf(!existsSync(folder))(
    'P16: every path of paths-data-* that reads whole is as long as the same path with the library’s own arcs',
    () => {
      const strings = readdirSync(folder)
        .filter((name) => /^paths-data-.*\.svg$/.test(name))
        .flatMap((name) =>
          [...readFileSync(`${folder}/${name}`, 'utf8').matchAll(/\sd="([^"]+)"/g)].map(([, data]) => data),
        )
      const whole = strings.filter((data) => !(svgpath(data) as unknown as { err: string }).err)
      expect(whole.length).toBeGreaterThan(90)
      for (const data of whole) {
        const theirs = length(svgpath(data).abs().unshort().unarc().toString())
        // A quarter circle as one cubic is 1.4e-4 too long; figures are written with few digits.
        expect(Math.abs(length(data) - theirs)).toBeLessThanOrEqual(4e-4 * theirs + 1e-6)
      }
    },
  )
})

describe('SVG drawings', () => {
  it('come in at their real size, upright', () => {
    const [run] = read(svg('<path d="M0 0H200V100"/>'))
    expect(lengthOf([run])).toBeCloseTo(0.3, 12)
    expect(run.pieces.at(-1)![2]).toEqual([expect.closeTo(0.2, 12), expect.closeTo(-0.1, 12), 0])
    // U4: without a viewBox a plain number is 1/96 inch.
    expect(lengthOf(read(svg('<line x1="0" y1="0" x2="96" y2="0"/>', '')))).toBeCloseTo(0.0254, 12)
    expect(lengthOf(read(svg('<line x2="10" />', 'viewBox="0 0 10 10" width="1in" height="2in"')))).toBeCloseTo(
      0.0254,
      12,
    )
  })

  it('take basic shapes and nested transforms', () => {
    expect(lengthOf(read(svg('<circle cx="50" cy="50" r="10"/>')))).toBeCloseTo(2 * Math.PI * 0.01, 10)
    expect(lengthOf(read(svg('<rect x="5" y="5" width="40" height="20"/>')))).toBeCloseTo(0.12, 12)
    expect(lengthOf(read(svg('<rect width="40" height="20" rx="5"/>')))).toBeCloseTo(
      (2 * 30 + 2 * 10 + 2 * Math.PI * 5) / 1000,
      9,
    )
    expect(lengthOf(read(svg('<polygon points="0,0 30,0 30,40"/>')))).toBeCloseTo(0.12, 12)
    const [run] = read(
      svg('<g transform="translate(10 20)"><g transform="rotate(90) scale(2)"><path d="M0 0L10 0"/></g></g>'),
    )
    expect(run.start).toEqual([expect.closeTo(0.01, 12), expect.closeTo(-0.02, 12), 0])
    expect(run.pieces[0][2]).toEqual([expect.closeTo(0.01, 12), expect.closeTo(-0.04, 12), 0])
    expect(read(svg('<defs><path d="M0 0L9 9"/></defs><path d="M0 0L1 0"/>'))).toHaveLength(1)
  })

  it.each([
    ['hello', 'is not an SVG drawing'],
    [svg('<text>tea</text>'), 'holds no outlines'],
    ['<svg><path', 'is '],
  ])('%s gets a sentence', (text, sentence) => {
    const made = readSvg(text, 'drawing.svg')
    expect(made.ok).toBe(false)
    expect(!made.ok && said(made.problem.says)).toContain(sentence)
  })
})

describe('text outlines', () => {
  const bytes = new Uint8Array(
    readFileSync(
      createRequire(import.meta.url).resolve('@fontsource/bebas-neue/files/bebas-neue-latin-400-normal.woff'),
    ),
  )
  const font = readFont(bytes, 'bebas.woff')

  it('E5: an E keeps its twelve corners', () => {
    if (!font.ok) throw new Error('no font')
    const runs = textRuns(font.value, 'E', 0.3)
    expect(runs.ok && runs.value).toHaveLength(1)
    const made = buildCurve({ kind: 'bezier', runs: runs.ok ? runs.value : [], from: { kind: 'hand' } })
    expect(made.ok && new ArcLength(made.value[0]).corners).toHaveLength(12)
  })

  it('has holes as contours of their own, and grows with its size', () => {
    if (!font.ok) throw new Error('no font')
    const at = (size: number): BezierRun[] => {
      const runs = textRuns(font.value, 'TEA', size)
      return runs.ok ? runs.value : []
    }
    expect(at(0.2)).toHaveLength(4)
    expect(lengthOf(at(0.4)) / lengthOf(at(0.2))).toBeCloseTo(2, 9)
    const empty = textRuns(font.value, '  ', 0.2)
    expect(!empty.ok && said(empty.problem.says)).toContain('has no outline')
  })

  it('refuses what is no font', () => {
    const woff2 = readFont(Uint8Array.of(0x77, 0x4f, 0x46, 0x32, 0, 0), 'x.woff2')
    expect(!woff2.ok && said(woff2.problem.says)).toContain('is WOFF2')
    const none = readFont(new TextEncoder().encode('hello there'), 'x.ttf')
    expect(!none.ok && said(none.problem.says)).toContain('is not a font that can be read')
  })
})
