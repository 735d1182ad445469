import { formatLength } from '@hilera/core/numbers/format'
import { rowInTurn } from '@hilera/core/spacing/row'
import { FIT, solveSpacing, type SpacingAnswer, type SpacingQuestion } from '@hilera/core/spacing/solve'
import { type Held, type Leftover } from '@hilera/core/values/spacing'
import { choice, count, length, read, Refused } from './arguments'

export const solveUsage = `  hilera solve [--count N] [--pitch L | --gap L] [--room L] [--width W | --widths A,B,C]
               [--ends both|start|between] [--leftover end|both|spread|extra] [--json]
    Works out the third of count, spacing and room from two of them; with all three, whether they fit.
    Widths are dealt in turn; without any, points are placed. Room and run are outside to outside.`

const leftovers: Record<'end' | 'both' | 'spread' | 'extra', Leftover> = {
  end: 'end',
  both: 'both',
  spread: 'widen',
  extra: 'extra',
}

/** What is printed with --json; lengths in metres. Pitch and gap are those of the first two copies, null for a single one. */
interface Solved {
  readonly count: number
  readonly pitch: number | null
  readonly gap: number | null
  readonly room: number
  readonly run: number
  readonly leftover: number
}

export function solve(args: string[]): string {
  const text = { type: 'string' } as const
  const { values } = read({
    args,
    options: {
      count: text,
      pitch: text,
      gap: text,
      room: text,
      width: text,
      widths: text,
      ends: text,
      leftover: text,
      json: { type: 'boolean' },
    },
  })
  if (values.pitch !== undefined && values.gap !== undefined)
    throw new Refused('Give --pitch or --gap, not both: one follows from the other.')
  if (values.width !== undefined && values.widths !== undefined)
    throw new Refused('Give --width or --widths, not both.')
  const given = {
    count: count('count', values.count),
    spacing: length('pitch', values.pitch) ?? length('gap', values.gap),
    room: length('room', values.room),
  }
  const known = (['count', 'spacing', 'room'] as const).filter((which) => given[which] !== undefined)
  if (known.length < 2) throw new Refused('Give two of --count, --pitch or --gap, and --room; the third is worked out.')

  const words = values.widths?.split(',') ?? (values.width === undefined ? ['0'] : [values.width])
  const widths = words.map((word) => length(values.widths === undefined ? 'width' : 'widths', word) ?? 0)
  if (widths.some((w) => !(w >= 0))) throw new Refused('A width is 0 or more.')
  // With all three, copies and spacing are as asked, and the room only has to hold them.
  const hold: readonly [Held, Held] = known.length === 3 ? ['count', 'spacing'] : [known[0], known[1]]
  const question: SpacingQuestion = {
    hold,
    count: given.count ?? 1,
    spacing: given.spacing ?? 0,
    measure: values.pitch === undefined ? 'gap' : 'pitch',
    room: given.room ?? 0,
    edges: 'outsides',
    ends: choice('ends', values.ends, ['both', 'start', 'between'], 'both'),
    leftover: leftovers[choice('leftover', values.leftover, ['end', 'both', 'spread', 'extra'], 'end')],
    row: rowInTurn(widths.map((w) => ({ low: -w / 2, high: w / 2 }))),
  }
  const solved = solveSpacing(question)
  if (!solved.ok) throw new Refused(solved.problem.says)
  const result = told(solved.value, known.length === 3 ? given.room : undefined)
  return values.json ? JSON.stringify(result) : inWords(result)
}

function told(answer: SpacingAnswer, room: number | undefined): Solved {
  const { ruler, spacing, count, run } = answer
  const [first] = [...ruler.row.pairs(2)]
  const [a, b] = first ?? [0, 0]
  const single = count === 1 || Number.isNaN(spacing)
  const leftover = room === undefined ? answer.leftover : room - answer.room
  if (room !== undefined && leftover < -FIT * Math.max(room, ruler.pitch(a, b, spacing))) {
    throw new Refused([
      { count },
      ' copies with this spacing take ',
      { length: answer.room },
      ', ',
      { length: -leftover },
      ' more than the room of ',
      { length: room },
      '. Leave one of the three out.',
    ])
  }
  return {
    count,
    pitch: single ? null : ruler.pitch(a, b, spacing),
    gap: single ? null : ruler.gap(a, b, spacing),
    room: room ?? answer.room,
    run,
    leftover: Math.max(leftover, 0),
  }
}

function inWords({ count, pitch, gap, room, run, leftover }: Solved): string {
  const show = (metres: number): string => formatLength(metres, 'mm').replaceAll('\u202f', ' ')
  const between = pitch === null || gap === null ? '' : `, pitch ${show(pitch)}, gap ${show(gap)}`
  return `${count} ${count === 1 ? 'copy takes' : 'copies take'} ${show(run)} of ${show(room)}, left over ${show(leftover)}${between}.`
}
