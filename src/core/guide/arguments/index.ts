import type { Argument } from '../argument'
import { FILMING } from './film'
import { SEEING } from './see'
import { STARTING } from './start'
import { STAYING } from './stay'
import { LOOKING } from './where'
import { DETECTING } from './whom'

export const ARGUMENTS: readonly Argument[] = [...STARTING, ...DETECTING, ...LOOKING, ...STAYING, ...SEEING, ...FILMING]
