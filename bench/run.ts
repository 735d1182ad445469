import { clear } from './clear'
import { fold } from './fold'
import { grid } from './grid'
import { line } from './line'
import { measure } from './measure'
import { path } from './path'
import { placing } from './placing'
import { settling } from './settle'
import { page } from './page'
import { vary } from './vary'

/** Figures as ratios against a peer or a bound in the same run. Run it on a quiet machine; it asserts nothing. */
await line()
await grid()
await path()
measure()
placing()
settling()
await fold()
vary()
await clear()
await page()
