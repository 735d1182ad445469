import { type Node, type Surroundings, along, sentenceOf } from '../sentences/nodes'
import { type MirrorPlane, type Reflection, plainPlane } from '../values/reflection'
import { type Axis, wayOf } from '../values/values'
import { plural } from '../words'

const say = sentenceOf<Reflection>()
const own = sentenceOf<MirrorPlane>()
const isByAxis = ({ facing }: MirrorPlane): boolean => facing.kind === 'axis'
const facingOf = ({ facing }: MirrorPlane): string => (facing.kind === 'free' ? 'free' : facing.axis)

/** What a plane goes through; a copy is named by its slot and its pattern. */
const throughOptions = (plane: MirrorPlane, middle: string, { project }: Surroundings) => [
  { value: 'origin', words: 'its origin' },
  { value: 'centre', words: middle },
  { value: 'copy', words: 'a copy’s pivot', note: 'click it on the stage', asks: 'plane through copy' },
  { value: 'point', words: 'a place', note: 'click it on the stage, or type it', asks: 'plane through point' },
  ...project.patterns.map(({ id, name }) =>
    plane.through.kind === 'copy' && plane.through.pattern === id
      ? { value: throughOf(plane), words: `copy “${plane.through.slot}” of `, name }
      : { value: `copy ${id}`, words: 'copy ', name, hasSlot: true as const, isRead: true as const },
  ),
]
const throughOf = ({ through }: MirrorPlane): string =>
  through.kind === 'copy' ? `copy ${through.pattern} ${through.slot}` : through.kind

function setThrough(plane: MirrorPlane, to: string): void {
  const [kind, pattern, slot, third] = to.split(' ')
  if (kind === 'origin' || kind === 'centre') plane.through = { kind }
  else if (kind === 'copy' && slot !== undefined) plane.through = { kind, pattern, slot }
  else if (kind === 'point' && third !== undefined)
    plane.through = { kind, at: [Number(pattern), Number(slot), Number(third)] }
  else if (kind === 'point' && plane.through.kind !== 'point') plane.through = { kind, at: [0, 0, 0] }
}

function planeWords(index: number, middle: string): Node<MirrorPlane>[] {
  const numbered = (label: string): string => (index === 0 ? label : `${label}, plane ${index + 1}`)
  return [
    `${index === 0 ? '' : ' and '}a plane that faces `,
    own.choice(facingOf, {
      label: numbered('Facing'),
      undo: 'plane',
      options: (plane) => [
        ...(['across', 'deep', 'up'] as const).map((axis) => ({ value: axis, words: axis, toward: wayOf[axis] })),
        { value: 'free', words: 'as picked', ...(isByAxis(plane) && { isRead: true as const }) },
      ],
      write: (plane, to) => {
        if (to !== 'free') plane.facing = { kind: 'axis', axis: to as Axis, angle: 0 }
        else if (isByAxis(plane)) plane.facing = { kind: 'free', normal: [1, 0, 0] }
      },
    }),
    own.when(
      (plane) => !isByAxis(plane),
      [
        ' along ',
        ...along<MirrorPlane>(['across', 'up', 'deep'], ({ facing }) => (facing.kind === 'free' ? facing.normal : []), {
          label: (axis) => numbered(`Normal ${axis}`),
          undo: 'plane',
          quantity: 'factor',
        }),
      ],
    ),
    own.when(isByAxis, [
      own.clause(
        ({ facing }) => facing.kind === 'axis' && facing.angle === 0,
        [
          ', turned ',
          own.number(({ facing }) => (facing.kind === 'axis' ? facing.angle : 0), {
            label: numbered('Angle of the plane'),
            undo: 'plane',
            quantity: 'angle',
            state: 'free',
            write: ({ facing }, to) => {
              if (facing.kind === 'axis') facing.angle = to
            },
          }),
          ' about ',
          own.said((plane) => (facingOf(plane) === 'up' ? 'deep' : 'up'), 'deep', 'up'),
        ],
      ),
    ]),
    ', through ',
    own.choice(throughOf, {
      label: numbered('Through'),
      undo: 'plane',
      options: (plane, around) => throughOptions(plane, middle, around),
      write: setThrough,
    }),
    own.when(
      ({ through }) => through.kind === 'point',
      [
        ' at ',
        ...along<MirrorPlane>(['across', 'up', 'deep'], ({ through }) => (through.kind === 'point' ? through.at : []), {
          label: (axis) => numbered(`Place ${axis}`),
          undo: 'plane',
          quantity: 'length',
        }),
      ],
    ),
    own.clause(
      ({ offset }) => offset === 0,
      [
        ', ',
        own.number('offset', {
          label: numbered('Offset of the plane'),
          undo: 'plane',
          quantity: 'length',
          state: 'free',
        }),
        ' off it',
      ],
    ),
    ',',
  ]
}

/** Whether grain or pictures lie on a part that is mirrored. */
function isPatterned(around: Surroundings): boolean {
  return around.project.parts.some(({ look, shape }) => look.grain ?? look.picture ?? shape.kind === 'mesh')
}
const turns = ({ what }: Reflection): boolean => what !== 'place'

/** What a mirror and a reflection have in common: their planes, what stays, what becomes of turns, shapes and grain. */
export const reflectionWords = <T extends Reflection>(middle: string): Node<T>[] =>
  [
    ...[0, 1, 2].map((index) =>
      say.when(
        ({ planes }) => planes.length > index,
        [say.within(({ planes }) => planes[index], planeWords(index, middle))],
        ({ planes }) => {
          if (planes.length !== index) return false
          planes.push(plainPlane('up'))
          return undefined
        },
      ),
    ),
    ' ',
    say.choice('keep', {
      label: 'What stays',
      undo: 'what stays',
      options: [
        { value: 'both', words: 'keeping both', note: 'both sides are there' },
        { value: 'across', words: 'moving it across', note: 'nothing stays on this side' },
      ],
    }),
    '.',
    say.clause(
      ({ what, shapes, surfaces }) => what === 'both' && shapes === 'auto' && surfaces === 'book',
      [
        ' It mirrors ',
        say.choice('what', {
          label: 'What is mirrored',
          undo: 'what is mirrored',
          options: [
            { value: 'both', words: 'places and turns' },
            { value: 'place', words: 'places only', note: 'copies stay turned and shaped as they are' },
            { value: 'turn', words: 'turns only', note: 'copies stay where they are' },
          ],
        }),
        say.where(turns, [
          '; shapes are ',
          say.choice('shapes', {
            label: 'Shapes',
            undo: 'shapes',
            options: [
              { value: 'auto', words: 'mirrored where they have a hand', note: 'symmetric ones are kept' },
              { value: 'mirrored', words: 'mirrored', note: 'all as twins' },
              { value: 'kept', words: 'kept', note: 'none as a twin' },
            ],
          }),
        ]),
        say.where(
          (reflection, around) => turns(reflection) && isPatterned(around),
          [
            '; grain runs ',
            say.choice('surfaces', {
              label: 'Grain',
              undo: 'grain',
              options: [
                { value: 'book', words: 'like the pages of a book', note: 'mirrored with the copy' },
                { value: 'continued', words: 'on in its own direction', note: 'as though it went through' },
                { value: 'turned', words: 'turned with the copy', note: 'as it lies on the part' },
              ],
            }),
          ],
        ),
        '.',
      ],
    ),
    say.inText(
      ({ answers }) => Object.keys(answers).length > 0,
      [
        ' Shapes are answered for ',
        say.reference({
          label: 'Shapes answered',
          says: ({ answers }) => {
            const n = Object.keys(answers).length
            return [{ count: n }, ` ${plural(n, 'part', 'parts')}`]
          },
          take: (reflection, { answers }) => void (reflection.answers = answers),
        }),
        '.',
      ],
    ),
  ] as unknown as Node<T>[]
