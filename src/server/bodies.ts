import 'server-only'
import type { Body } from '@/core/bodies'
import { DIMENSIONS } from '@/core/vocabulary/dimensions'
import { listAllBodies, listArchivedBodies, readBody, units } from './catalogue'

export interface BodySummary {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly about: string | undefined
  readonly viewfinder: Body['viewfinder']
  readonly settings: number
  /** Settings that nobody has decided yet. */
  readonly undecided: number
  /** It contradicts itself and is not resolved. */
  readonly isDraft: boolean
  /** Dimensions of the vocabulary that some option or fixed behaviour speaks about, of all. */
  readonly covered: number
  readonly dimensions: number
  readonly units: readonly { readonly tag: string; readonly firmware: string }[]
}

const coveredBy = (body: Body): number =>
  new Set([
    ...body.settings.flatMap(s => s.options.flatMap(o => Object.keys(o.means))),
    ...body.fixed.flatMap(f => Object.keys(f.means)),
  ]).size

export const listBodySummaries = async (): Promise<readonly BodySummary[]> => {
  const [rows, all] = await Promise.all([listAllBodies(), units()])
  return Promise.all(
    rows.map(async row => {
      const { document: body } = await readBody(row.id, row.revision)
      return {
        id: body.id,
        maker: body.maker,
        model: body.model,
        about: body.about,
        viewfinder: body.viewfinder,
        settings: body.settings.length,
        undecided: body.settings.filter(x => x.undecided).length,
        isDraft: row.draft === 1,
        covered: coveredBy(body),
        dimensions: DIMENSIONS.length,
        units: all.filter(u => u.body_id === body.id).map(({ tag, firmware }) => ({ tag, firmware })),
      }
    }),
  )
}

/** Something that was put away, at the revision at which it can be brought back. */
export interface PutAwayThing {
  readonly id: string
  readonly name: string
  readonly revision: number
}

/** Bodies that were put away. */
export const listPutAway = async (): Promise<readonly PutAwayThing[]> =>
  (await listArchivedBodies()).map(({ id, maker, model, revision }) => ({ id, name: `${maker} ${model}`, revision }))
