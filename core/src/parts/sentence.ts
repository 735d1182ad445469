import { curveSentence } from '../curves/sentence'
import { type Part, type Shape, fileUnits, isSolid, lightKinds } from '../model/part'
import { type Node, type Template, sentenceOf } from '../sentences/nodes'
import { wholeFrom } from '../sentences/checks'
import type { Form, Solid, SolidKind } from '../solids/schema'
import { type Sentence, plural } from '../words'

const say = sentenceOf<Part>()
type Of<K extends Shape['kind']> = Extract<Shape, { kind: K }>
const shapeIs =
  (...kinds: Shape['kind'][]) =>
  ({ shape }: Part): boolean =>
    kinds.includes(shape.kind)

const isPositive = (value: number, zero = false): Sentence | undefined =>
  value > 0 || (zero && value === 0)
    ? undefined
    : ['A part’s sizes are more than 0. Type a length such as ', { length: 0.05 }, '.']

/** A length of a shape that stands in it under a key, or is read and written otherwise. */
function size(
  label: string,
  key: string | { read(shape: never): number; write(shape: never, to: number): void },
  zero = false,
): Node<Part> {
  const own =
    typeof key === 'string'
      ? {
          read: (shape: Shape) => (shape as unknown as Record<string, number>)[key] ?? 0,
          write: (shape: Shape, to: number) => void Object.assign(shape, { [key]: to }),
        }
      : (key as { read(shape: Shape): number; write(shape: Shape, to: number): void })
  return say.number(({ shape }) => own.read(shape), {
    label,
    undo: label.toLowerCase(),
    quantity: 'length',
    check: (to) => isPositive(to, zero),
    write: ({ shape }, to) => own.write(shape, to),
  })
}

type Lathe = Of<'lathe'>
const widest = ({ profile }: Lathe): number => 2 * Math.max(...profile.map((p) => p.radius))
const low = ({ profile }: Lathe): number => Math.min(...profile.map((p) => p.height))
const tall = (lathe: Lathe): number => Math.max(...lathe.profile.map((p) => p.height)) - low(lathe)
const latheWidth = {
  read: widest,
  write: (lathe: Lathe, to: number): void => {
    const by = to / widest(lathe)
    for (const p of lathe.profile) p.radius *= by
  },
}
const latheHeight = {
  read: tall,
  write: (lathe: Lathe, to: number): void => {
    const [by, base] = [to / tall(lathe), low(lathe)]
    for (const p of lathe.profile) p.height = base + (p.height - base) * by
  },
}

const width = [size('Width', 'width'), ' wide']
const height = [size('Height', 'height'), ' tall']
const depth = [size('Depth', 'depth'), ' deep']
const curve = say.when(shapeIs('tube', 'extrusion'), [say.within(({ shape }) => shape as Of<'tube'>, curveSentence)])

/** How a solid is told: its words, and its numbers in order. */
const solids: { readonly [K in SolidKind]: { readonly words: string; readonly numbers: Template<Part> } } = {
  box: { words: 'A box ', numbers: [...width, ', ', ...height, ', ', ...depth] },
  roundedBox: {
    words: 'A rounded box ',
    numbers: [...width, ', ', ...height, ', ', ...depth, ', ', size('Edge radius', 'radius'), ' round at its edges'],
  },
  cylinder: { words: 'A cylinder ', numbers: [...width, ', ', ...height] },
  cone: {
    words: 'A cone ',
    numbers: [
      size('Width', 'width'),
      ' wide at its base, ',
      size('Top width', 'top', true),
      ' at its top, ',
      ...height,
    ],
  },
  sphere: { words: 'A sphere ', numbers: [size('Width', 'width'), ' across'] },
  capsule: { words: 'A capsule ', numbers: [...width, ', ', ...height] },
  plane: { words: 'A plane ', numbers: [...width, ', ', ...depth] },
  tube: { words: 'A tube ', numbers: [size('Thickness', 'thickness'), ' thick, along ', curve] },
  extrusion: { words: 'An extruded outline ', numbers: [...depth, ', from ', curve] },
  torus: { words: 'A torus ', numbers: [...width, ', ', size('Thickness', 'thickness'), ' thick'] },
  lathe: {
    words: 'A turned profile ',
    numbers: [size('Width', latheWidth), ' wide, ', size('Height', latheHeight), ' tall'],
  },
}
export const solidKinds = Object.keys(solids) as SolidKind[]
/** The words with which a solid begins, as "A box". */
export const solidWords = (kind: SolidKind): string => solids[kind].words.trim()

/** Segments round, as a solid is made; others have none. */
const segments: Partial<Record<Shape['kind'], number>> = {
  cylinder: 48,
  cone: 48,
  sphere: 48,
  capsule: 48,
  torus: 48,
  lathe: 48,
  tube: 16,
}

/** Bent, twisted, tapered or with other sides; what is as it was made is not kept. */
function form(
  key: keyof Form,
  plain: (part: Part) => number,
  spec: { label: string; quantity: 'count' | 'share' | 'angle'; check(to: number): Sentence | undefined },
): Node<Part> {
  return say.number((part) => part.form?.[key] ?? plain(part), {
    ...spec,
    undo: spec.label.toLowerCase(),
    state: 'free',
    write: (part, to) => {
      const next = { ...part.form, [key]: to }
      if (to === plain(part)) delete next[key]
      if (Object.keys(next).length > 0) part.form = next
      else delete part.form
    },
  })
}
const roundOf = ({ shape }: Part): number => segments[shape.kind] ?? 0

const formWords: Template<Part> = [
  say.clause(
    ({ form: f }) => f === undefined,
    [
      ' It has ',
      say.when(
        (part) => roundOf(part) > 0,
        [
          form('segments', roundOf, { label: 'Segments', quantity: 'count', check: wholeFrom(3, 256) }),
          ' segments round, ',
        ],
      ),
      'a top of ',
      form('taper', () => 1, {
        label: 'Taper',
        quantity: 'share',
        check: (n) => (n > 0 ? undefined : ['The top keeps some size: type more than 0 %.']),
      }),
      ' of its base, a twist of ',
      form('twist', () => 0, {
        label: 'Twist',
        quantity: 'angle',
        check: (n) =>
          Math.abs(n) <= 20 * Math.PI ? undefined : ['Type a twist of up to ten turns, ', { angle: 20 * Math.PI }, '.'],
      }),
      ', a bend of ',
      form('bend', () => 0, {
        label: 'Bend',
        quantity: 'angle',
        check: (n) =>
          Math.abs(n) <= 4 * Math.PI ? undefined : ['Type a bend of up to two turns, ', { angle: 4 * Math.PI }, '.'],
      }),
      '.',
    ],
  ),
]

/** A solid, told by its numbers: "A cylinder 119 mm wide, 150 mm tall, standing on its base." */
export const solidSentence = (kind: SolidKind): Template<Part> => [
  solids[kind].words,
  ...solids[kind].numbers,
  kind === 'tube' ? '.' : ', standing on its base.',
  ...formWords,
]

const unitWords = { mm: 'millimetres', cm: 'centimetres', m: 'metres', in: 'inches', ft: 'feet' } as const
const lightWords = {
  point: 'shines all round',
  spot: 'shines down in a cone',
  sun: 'is a sun that shines down',
} as const
const meshOf = ({ shape }: Part): Of<'mesh'> => shape as Of<'mesh'>
const lightOf = ({ shape }: Part): Of<'light'> => shape as Of<'light'>

const meshSentence: Template<Part> = [
  'A ',
  say.when((part) => meshOf(part).cuts !== undefined, ['piece of the ']),
  'mesh from ',
  say.text({ label: 'File', read: (part) => meshOf(part).fileName }),
  say.when(
    (part) => meshOf(part).mesh !== undefined,
    [', ', say.said((part) => `number ${(meshOf(part).mesh ?? 0) + 1}`)],
  ),
  ', ',
  say.reference({
    label: 'Triangles',
    says: (part) => [{ count: meshOf(part).triangles }, ' triangles'],
    take: (part, from) => void (part.shape = from.shape),
  }),
  '; its numbers are read as ',
  say.choice((part) => meshOf(part).unit, {
    label: 'Unit of the file',
    undo: 'unit',
    options: fileUnits.map((value) => ({ value, words: unitWords[value], asks: 'file unit' })),
    write: () => undefined,
  }),
  ', its look is ',
  say.choice((part) => meshOf(part).looks ?? 'file', {
    label: 'Looks of the file',
    undo: 'look',
    options: [
      { value: 'file', words: 'the file’s own' },
      { value: 'part', words: 'that of the part' },
    ],
    write: (part, to) => void (meshOf(part).looks = to as 'file' | 'part'),
  }),
  '.',
]

const lightSentence: Template<Part> = [
  'A light that ',
  say.choice((part) => lightOf(part).light, {
    label: 'Light',
    undo: 'light',
    options: lightKinds.map((value) => ({ value, words: lightWords[value] })),
    write: (part, to) => void (lightOf(part).light = to as 'sun'),
  }),
  ', with ',
  say.number((part) => lightOf(part).brightness, {
    label: 'Brightness',
    undo: 'brightness',
    quantity: 'factor',
    check: (n) => (n > 0 ? undefined : ['A light has some brightness: type more than 0.']),
    write: (part, to) => void (lightOf(part).brightness = to),
  }),
  say.said((part) => (lightOf(part).light === 'sun' ? ' lux' : ' candela'), 'lux', 'candela'),
  say.when(
    (part) => lightOf(part).light === 'spot',
    [
      ', open by ',
      say.number((part) => lightOf(part).angle, {
        label: 'Cone',
        undo: 'cone',
        quantity: 'angle',
        check: (n) => (n > 0 && n <= Math.PI ? undefined : ['A cone opens by up to 180°: type an angle such as 60°.']),
        write: (part, to) => void (lightOf(part).angle = to),
      }),
    ],
  ),
  '.',
]

const placeholderSentence: Template<Part> = [
  'A placeholder ',
  ...width,
  ', ',
  ...height,
  ', ',
  ...depth,
  '; it keeps a place and is never exported.',
]

/** What a part is, by its shape; a twin and an assembly are told by what they are made from. */
export function partSentence({ shape }: Part): Template<Part> {
  if (isSolid(shape)) return solidSentence((shape as Solid).kind)
  switch (shape.kind) {
    case 'mesh':
      return meshSentence
    case 'light':
      return lightSentence
    case 'placeholder':
      return placeholderSentence
    case 'assembly': {
      const n = shape.members.length
      return [`An assembly of ${n} ${plural(n, 'part', 'parts')}.`]
    }
    default:
      return ['The mirror image of another part.']
  }
}

export const colorField = say.color({
  label: 'Colour',
  undo: 'colour',
  read: ({ look }) => look.color,
  write: ({ look }, to) => void (look.color = to),
})

/** What colour a part has; said where it is told as text. */
export const colorSentence: Template<Part> = [' Its colour is ', colorField, '.']
