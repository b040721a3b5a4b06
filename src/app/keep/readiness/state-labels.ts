import type { ReadinessState } from '@/core/kit/readiness'

/** What units are that are so far, as several are counted: “three differ”. */
export const STATE_LABELS: Readonly<Record<ReadinessState, string>> = {
  ready: 'ready',
  unproven: 'not signed for',
  'out-of-date': 'to look at again',
  differs: 'differ',
  unknown: 'not known',
}
