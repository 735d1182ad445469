import { ask, wantedOf } from '@hilera/core/asking/ask'
import { Evaluator } from '@hilera/core/evaluate'
import { readSvg } from '@hilera/core/curves/svgFile'
import { plainPath } from '@hilera/core/layouts/path/schema'
import { plainRing } from '@hilera/core/layouts/ring/schema'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { emptyProject } from '@hilera/core/model/project'
import { formatQuantity } from '@hilera/core/numbers/format'
import { parseQuantity } from '@hilera/core/numbers/parse'
import { choice, count, length, read, Refused } from './arguments'

export const findUsage = `  hilera solve --find radius|gap|pitch|arc|count|angle|size --ring [--count N] [--radius L] [--angle A]
               [--gap L | --pitch L | --arc L] [--width W] [--json]
  hilera solve --find count|pitch|gap|size --path "M0 0 C…" [--count N] [--gap L | --pitch L] [--width W] [--json]
    One value of round things in a ring, all the way round or through an angle, or along a path as SVG writes it, in millimetres and
    by its true length. Of a ring, the pitch is straight from pivot to pivot.`

const text = { type: 'string' } as const

/** A round part: from whichever side, it is as wide. */
const ball = (width: number): Part => ({
  id: 'part',
  name: 'Part',
  shape: { kind: 'sphere', width },
  look: { color: '#7d8f84', roughness: 0.6, metal: 0 },
})

function angle(said: string | undefined): number | undefined {
  if (said === undefined) return undefined
  const found = parseQuantity(said, 'angle', 'mm')
  if (!found.ok) throw new Refused(['--angle: ', ...found.problem.says])
  return found.value
}

/** Works out one value of a ring or a path from the others. */
export function find(args: string[]): string {
  const { values } = read({
    args,
    options: {
      find: text,
      ring: { type: 'boolean' },
      path: text,
      count: text,
      radius: text,
      angle: text,
      gap: text,
      pitch: text,
      arc: text,
      width: text,
      json: { type: 'boolean' },
    },
  })
  const given = {
    count: count('count', values.count),
    radius: length('radius', values.radius),
    angle: angle(values.angle),
    gap: length('gap', values.gap),
    pitch: length('pitch', values.pitch),
    arc: length('arc', values.arc),
  }
  const width = length('width', values.width) ?? (values.find === 'size' ? 0.1 : 1e-9)
  if (!(width > 0)) throw new Refused('--width is a length above 0.')
  if ((values.ring ?? false) === (values.path !== undefined)) throw new Refused('Give --ring or --path.')
  const what = choice(
    'find',
    values.find,
    values.ring
      ? (['radius', 'gap', 'pitch', 'arc', 'count', 'angle', 'size'] as const)
      : (['count', 'pitch', 'gap', 'size'] as const),
    'gap',
  )
  const pattern = values.path === undefined ? ringOf(given, what) : pathOf(values.path, given, what)
  return told(pattern, width, what, given, values.path === undefined, values.json ?? false)
}

type Given = Readonly<Record<'count' | 'radius' | 'angle' | 'gap' | 'pitch' | 'arc', number | undefined>>

/** The spacing that is given, and how it is read. */
function spacingIn({ gap, pitch, arc }: Given): { key: 'gap' | 'pitch' | 'arc'; value: number } | undefined {
  const all = Object.entries({ gap, pitch, arc }).filter(([, value]) => value !== undefined)
  if (all.length > 1) throw new Refused('Give one of --gap, --pitch and --arc: the others follow from it.')
  const [found] = all
  return found && { key: found[0] as 'gap', value: found[1]! }
}

const patternOf = (layout: Pattern['layout']): Pattern => ({
  id: 'pattern',
  name: 'Pattern',
  place: { move: [0, 0, 0], turn: [0, 0, 0] },
  deal: { kind: 'inTurn', parts: ['part'] },
  layout,
  steps: [],
  touchUps: {},
  hidden: false,
})

function ringOf(given: Given, what: string): Pattern {
  const spacing = spacingIn(given)
  const measure =
    spacing?.key === 'pitch' ? 'chord' : (spacing?.key ?? (what === 'arc' ? 'arc' : what === 'pitch' ? 'chord' : 'gap'))
  const held = (['count', 'radius', 'spacing'] as const).filter((which) =>
    which === 'spacing' ? spacing !== undefined : given[which] !== undefined,
  )
  const solved = ['radius', 'count'].includes(what)
    ? held.filter((h) => h !== what)
    : held.filter((h) => h !== 'spacing')
  if (solved.length < 2) throw new Refused(`To find the ${what}, give the others: see "hilera help".`)
  if (['angle', 'size'].includes(what) && !spacing)
    throw new Refused(`To find the ${what}, give --gap, --pitch or --arc.`)
  return patternOf({
    ...plainRing,
    count: given.count ?? 1,
    radius: given.radius ?? 1,
    spacing: spacing?.value ?? 1,
    measure,
    hold: [solved[0], solved[1]],
    facing: 'unchanged',
    sweep:
      given.angle !== undefined || what === 'angle'
        ? { kind: 'arc', angle: given.angle ?? Math.PI, ends: 'both' }
        : { kind: 'full' },
  })
}

/** Along a path as SVG writes it, in millimetres and lying on the ground, by its true length. */
function pathOf(data: string, given: Given, what: string): Pattern {
  const runs = readSvg(
    `<svg width="1000mm" height="1000mm" viewBox="0 0 1000 1000"><path d="${data.replaceAll(/[<>"&]/g, '')}"/></svg>`,
    '--path',
  )
  if (!runs.ok) throw new Refused(runs.problem.says)
  const spacing = spacingIn(given)
  const byCount = what !== 'count'
  if (byCount && given.count === undefined) throw new Refused(`To find the ${what}, give --count.`)
  if ((!byCount || what === 'size') && !spacing) throw new Refused(`To find the ${what}, give --gap or --pitch.`)
  return patternOf({
    ...plainPath,
    curve: { kind: 'bezier', runs: runs.value, from: { kind: 'drawing', fileName: 'path.svg' } },
    contours: 'asOne',
    count: given.count ?? 1,
    spacing: spacing?.value ?? 1,
    measure: (spacing?.key ?? what) === 'gap' ? 'gap' : 'pitch',
    hold: byCount ? 'count' : 'spacing',
    facing: 'unchanged',
  })
}

/** What the layout comes to, or what pays for the spacing that is given. */
function told(pattern: Pattern, width: number, what: string, given: Given, isRing: boolean, asJson: boolean): string {
  const project = { ...emptyProject('Find'), parts: [ball(width)], patterns: [pattern] }
  const evaluator = new Evaluator()
  const spacing = spacingIn(given)
  const wants = { gap: 'gap', pitch: isRing ? 'chord' : 'pitch', arc: 'arc' } as const
  let solved = pattern
  let size = 1
  if (what === 'angle' || what === 'size') {
    const by = what === 'angle' ? 'Angle' : 'size'
    const asked = { want: wants[spacing!.key], to: spacing!.value, by }
    const answer = ask(pattern, asked, project, (p) => evaluator.evaluate(p, new Map()))
    if (!answer.ok) throw new Refused(answer.says)
    solved = answer.pattern
    size = answer.paid
  }
  const [outcome] = new Evaluator().evaluate({ ...project, patterns: [solved] }, new Map())
  if (outcome.problem) throw new Refused(outcome.problem.says)
  const wanted = new Map(wantedOf(solved, outcome).map((w) => [w.key, w]))
  const by: Record<string, number | undefined> = {
    ...Object.fromEntries([...wanted].map(([key, { now }]) => [key, now])),
    pitch: wanted.get(wants.pitch)?.now,
    angle: what === 'angle' ? size : undefined,
    size: what === 'size' ? size * width : undefined,
  }
  if (by[what] === undefined) throw new Refused(`The ${what} has no meaning here.`)
  if (asJson) return JSON.stringify({ [what]: by[what] })
  const quantity = what === 'count' ? 'count' : what === 'angle' ? 'angle' : 'length'
  return `${what} ${formatQuantity(by[what], quantity, 'mm').replaceAll('\u202f', ' ')}`
}
