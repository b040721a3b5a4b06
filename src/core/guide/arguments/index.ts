import type { Argument } from '../argument'
import { FILMING } from './film'
import { SEEING } from './see'
import { STARTING } from './start'
import { STAYING } from './stay'
import { LOOKING } from './where'

export const ARGUMENTS: readonly Argument[] = [...STARTING, ...LOOKING, ...STAYING, ...SEEING, ...FILMING]
