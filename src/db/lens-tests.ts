import type { LensTest } from '@/core/lens-tests/schema'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'

export interface LensTestRow {
  readonly id: number
  readonly kind: LensTest['kind']
  readonly lens_id: string
  readonly body_id: string
  readonly unit: string | null
  readonly tested_on: string
  readonly person_id: string | null
  readonly created_at: string
  readonly kept_at: string | null
  readonly document: string
}

interface By {
  readonly at: string
  readonly personId: string | null
}

/** Tests, newest first, with the name of whoever tested; of one unit where it is named. */
export const listLensTests = (
  db: Db,
  unit?: string,
): Promise<readonly (LensTestRow & { readonly person: string | null })[]> =>
  withRetry(() => {
    const all = db('lens_tests')
      .leftJoin('people', 'people.id', 'lens_tests.person_id')
      .orderBy('lens_tests.id', 'desc')
      .select('lens_tests.*', 'people.name as person')
    return unit === undefined ? all : all.where('lens_tests.unit', unit)
  })

export const findLensTest = (db: Db, id: number): Promise<LensTestRow | undefined> =>
  withRetry(async () => db<LensTestRow>('lens_tests').where({ id }).first())

export const addLensTest = async (db: Db, test: LensTest, { at, personId }: By): Promise<number> => {
  let id = 0
  await recordChange(db, at, async trx => {
    const added: readonly Pick<LensTestRow, 'id'>[] = await trx('lens_tests')
      .insert({
        kind: test.kind,
        lens_id: test.lens,
        body_id: test.body,
        unit: test.unit ?? null,
        tested_on: test.on,
        person_id: personId,
        created_at: at,
        document: JSON.stringify(test),
      })
      .returning('id')
    id = added[0]?.id ?? 0
    return {
      personId,
      kind: 'lens test',
      subject: String(id),
      what: `tested ${test.lens} on ${test.body}`,
      after: test,
    }
  })
  return id
}

export const markLensTestKept = (db: Db, id: number, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    await trx('lens_tests').where({ id }).update({ kept_at: at })
    return { personId, kind: 'lens test', subject: String(id), what: 'taken up into the lens' }
  })

/** Takes away one that nothing stands on; what it was stays in the history. */
export const removeLensTest = (db: Db, id: number, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const row = await trx<{ readonly id: number; readonly kept_at: string | null; readonly document: string }>(
      'lens_tests',
    )
      .where({ id, kept_at: null })
      .first('document')
    if (!row) return undefined
    await trx('lens_tests').where({ id }).delete()
    return {
      personId,
      kind: 'lens test',
      subject: String(id),
      what: 'thrown away',
      before: JSON.parse(row.document) as unknown,
    }
  })
