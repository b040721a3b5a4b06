import 'server-only'
import type { Body } from '@/core/bodies'
import { DIMENSIONS } from '@/core/vocabulary/dimensions'
import { listBodies, readBody, units } from './catalogue'

export interface BodySummary {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly about: string | undefined
  readonly viewfinder: Body['viewfinder']
  readonly settings: number
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
  const [rows, all] = await Promise.all([listBodies(), units()])
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
        covered: coveredBy(body),
        dimensions: DIMENSIONS.length,
        units: all.filter(u => u.body_id === body.id).map(({ tag, firmware }) => ({ tag, firmware })),
      }
    }),
  )
}
