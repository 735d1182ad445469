import { dish } from './dish'
import { flight } from './flight'
import { heights } from './heights'
import { level } from './level'
import { partGround } from './partGround'
import { slope } from './slope'
import { waves } from './waves'

/** Every kind of ground, in the order in which they are offered; a new one is entered here. */
export const grounds = { level, slope, waves, flight, dish, part: partGround, heights }
