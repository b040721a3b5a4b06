import 'server-only'
import { refText } from '@/core/standards'
import * as db from '@/db/standards'
import type { Actor } from './actor'
import { readStandard } from './catalogue'
import { database } from './database'
import { notFound } from './problems'

/** What people say about a standard and its targets. */

export const readComments = async (id: string) => db.listComments(await database(), id)

export const writeComment = async (
  id: string,
  request: {
    readonly version: number
    readonly dimension?: string | undefined
    readonly text: string
  },
  actor: Actor,
): Promise<void> => {
  const { version, text } = request
  await readStandard(refText({ id, version }))
  await db.addComment(await database(), { standardId: id, version, dimension: request.dimension ?? null, text }, actor)
}

export const settle = async (id: string, comment: number, settled: boolean, actor: Actor): Promise<void> => {
  if (!(await readComments(id)).some(c => c.id === comment)) throw notFound('comment', String(comment))
  await db.settleComment(await database(), id, comment, settled, actor)
}

export type { CommentRow } from '@/db/standards'
