import type { Problem } from '@/core/reading/problem'
import { problemWords } from '@/core/reading/problem'

/** What goes wrong because of what was asked; everything else is our own fault and a 500. */
export class RequestError extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 422 | 503,
    readonly title: string,
    readonly detail: string,
    readonly problems: readonly Problem[] = [],
    /** What else the answer carries, such as the document as it is now. */
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(`${title}: ${detail}`)
    this.name = 'RequestError'
  }
}

export const notFound = (what: string, id: string): RequestError =>
  new RequestError(404, 'Not found', `There is no ${what} “${id}”.`)

export const invalid = (problems: readonly Problem[]): RequestError =>
  new RequestError(422, 'The content cannot be used', problems.map(problemWords).join('\n'), problems)

/** Somebody changed what somebody else looked at; it is looked at again before anything is done to it. */
export const changedMeanwhile = (what: string): RequestError =>
  new RequestError(
    409,
    'Somebody was quicker',
    `This ${what} was changed since you looked at it. Nothing was changed; reload the page and look again.`,
  )
