import type { Body } from '../core/bodies'
import type { Standard } from '../core/standards'
import { lookOver } from './completeness'

export interface CompletenessQuestion {
  readonly id: number
  readonly body: Body
  readonly standard: Standard | undefined
}

self.onmessage = (event: MessageEvent<CompletenessQuestion>) => {
  const { id, body, standard } = event.data
  self.postMessage({ id, found: lookOver(body, standard) })
}
