import { type ActDefinition } from './definition'
import { type LineUp, lineUp, lineUpDefaults } from './lineUp'
import { lineUpSentence } from './lineUpSentence'
import { type Motion, motionDefaults, moved } from './motion'
import { motionSentence } from './motionSentence'
import { type Seat, seat, seatDefaults } from './seat'
import { seatSentence } from './seatSentence'
import { type Several, makeSeveral, severalDefaults, stepsOf } from './several'
import { severalSentence } from './severalSentence'
import { type Space, space, spaceDefaults, spaceFacts } from './space'
import { spaceOnCourse } from './spaceOnCourse'
import { spaceSentence } from './spaceSentence'
import { movedFacts } from './wanted'
import { done, fact } from '../words'

const liningUp: ActDefinition<LineUp> = {
  words: 'Line up',
  undo: 'line up',
  needs: 1,
  begin: lineUpDefaults,
  sentence: (_, isOne) => lineUpSentence(isOne),
  propose(bodies, lead, how) {
    const made = lineUp(bodies, lead, how)
    return made.ok ? done({ wanted: made.value, facts: movedFacts(made.value) }) : made
  },
}

const spacing: ActDefinition<Space> = {
  words: 'Space',
  undo: 'space',
  needs: 2,
  begin: spaceDefaults,
  sentence: spaceSentence,
  propose(bodies, lead, how, around) {
    const { along } = how
    const made =
      along === 'path' || along === 'round'
        ? spaceOnCourse(bodies, lead, how, around)
        : space(bodies, lead, { ...how, along })
    if (!made.ok) return made
    const { wanted, direction, straightened, gaps, pitches, overall } = made.value
    return done({
      wanted,
      facts: spaceFacts(made.value, how),
      worked: { overall, distance: (how.by === 'gap' ? gaps : pitches)[0] },
      ...(direction && { row: { as: 'straight', direction } }),
      ...(straightened && {
        row: { as: 'straightened', of: wanted.map(({ body }) => body.of), ...straightened, gaps, pitches },
      }),
    })
  },
}

const moving: ActDefinition<Motion> = {
  words: 'Move',
  undo: 'move',
  needs: 1,
  begin: motionDefaults,
  neutral: ({ by, turn, size }) => ({ ...motionDefaults, by, turn, size }),
  // How far it went last is not how far it goes next.
  again: ({ about, at, axes, from }) => ({ ...motionDefaults, about, at, axes, from }),
  sentence: (_, isOne) => motionSentence(isOne),
  propose(bodies, lead, how) {
    const made = moved(bodies, lead, how)
    return made.ok ? done({ wanted: made.value, facts: movedFacts(made.value) }) : made
  },
}

const making: ActDefinition<Several> = {
  words: 'Several',
  undo: 'make several',
  needs: 1,
  begin: severalDefaults,
  again: (last) => ({ ...last, count: 1 }),
  sentence: () => severalSentence,
  make: makeSeveral,
  propose: (bodies, _, how) =>
    done({
      wanted: [],
      facts: [
        fact('new', { count: bodies.length * stepsOf(how).length }, ' new'),
        fact('stays', 'what is picked stays'),
      ],
    }),
}

const seating: ActDefinition<Seat> = {
  words: 'Put on a face',
  undo: 'put on a face',
  needs: 1,
  begin: seatDefaults,
  neutral: ({ at, normal }) => ({ ...seatDefaults, at, normal }),
  // Which face is asked anew each time.
  again: (last) => ({ ...last, normal: [0, 0, 0] }),
  sentence: (_, isOne) => seatSentence(isOne),
  propose(bodies, lead, how) {
    const made = seat(bodies, lead, how)
    return made.ok ? done({ wanted: made.value, facts: movedFacts(made.value) }) : made
  },
}

/** Acts on picked things: where they will stand, said by a sentence, seen before it is accepted. */
export const acts = { move: moving, lineUp: liningUp, space: spacing, seat: seating, several: making } as const
export type ActKind = keyof typeof acts

/** An act with its values. */
export type Act = { [K in ActKind]: { readonly kind: K; readonly how: (typeof acts)[K]['begin'] } }[ActKind]
