import { CAMERA_RULES } from './camera'
import { FINDING_RULES } from './finding'
import type { Rule } from './rule'
import { SUBJECT_RULES } from './subject'

export type { Change, Rule } from './rule'

export const RULES: readonly Rule[] = [...SUBJECT_RULES, ...FINDING_RULES, ...CAMERA_RULES]
