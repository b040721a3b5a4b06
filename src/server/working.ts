import 'server-only'
import { problemWords } from '@/core/reading/problem'
import { work as inPool, type WorkOptions } from '@/pool/pool'
import { Refusal, type Why } from '@/pool/refusal'
import type { TaskName, Tasks } from '@/pool/tasks'
import { RequestError } from './problems'

/** What a worker refuses, as an answer. */
const ANSWERS: Readonly<Record<Why, readonly [status: RequestError['status'], title: string]>> = {
  invalid: [422, 'The content cannot be used'],
  'no-json': [400, 'This is not JSON'],
  'too-large': [413, 'Too large'],
  unresolvable: [422, 'The body cannot be resolved'],
  'too-long': [422, 'Too much to work out'],
  'too-much-memory': [422, 'Too much to work out'],
  busy: [503, 'Too much at once'],
  gone: [503, 'Nobody waits for it'],
}

export const asRequestError = ({ why, message, problems }: Refusal): RequestError => {
  const [status, title] = ANSWERS[why]
  return new RequestError(status, title, problems.length ? problems.map(problemWords).join('\n') : message, problems)
}

/** What was sent as it came is handed over whole; nobody else reads it. */
export const handedOver = (sent: unknown): Pick<WorkOptions, 'transfer'> =>
  sent instanceof Uint8Array && sent.buffer instanceof ArrayBuffer && sent.byteLength === sent.buffer.byteLength
    ? { transfer: [sent.buffer] }
    : {}

/** Has a task done by a worker. @throws RequestError for what it refuses */
export const work = async <N extends TaskName>(
  name: N,
  input: Parameters<Tasks[N]>[0],
  options?: WorkOptions,
): Promise<Awaited<ReturnType<Tasks[N]>>> => {
  try {
    return await inPool(name, input, options)
  } catch (error) {
    throw error instanceof Refusal ? asRequestError(error) : error
  }
}
