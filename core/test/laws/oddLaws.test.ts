import { hold } from './holding'
import { laws } from './laws'

hold(laws.filter((_, i) => i % 2 === 1))
