import type { Body } from '../core/bodies'
import type { Standard } from '../core/standards'
import { type Completeness, lookOver } from './completeness'
import { serve } from './serve'

export interface CompletenessAsk {
  readonly body: Body
  readonly standard: Standard | undefined
}

serve<CompletenessAsk, Completeness>('completeness', ({ body, standard }) => [lookOver(body, standard)])
