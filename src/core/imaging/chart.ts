import { crop, type Grey } from './grey'
import { type Homography, seen } from './homography'
import { type EdgeResponse, type NoEdge, slantedEdge } from './slanted-edge'
import { CHART, type FieldId, findSheet } from './target'

/** How sharp one field of the chart is. */
export interface FieldSharpness {
  readonly field: FieldId
  /** Cycles a pixel at half contrast, the mean of an upright and a level edge; undefined where none can be told. */
  readonly mtf50: number | undefined
  readonly why: NoEdge['why'] | undefined
  /** Both edges, for who wants to see the curves. */
  readonly edges: readonly EdgeResponse[]
}

export type ChartFound =
  | { readonly kind: 'chart'; readonly fields: readonly FieldSharpness[] }
  | { readonly kind: 'trouble'; readonly found: number; readonly isOther: boolean }

/** Half of the region around an edge: along it, and across, as shares of the square's side. */
const ALONG = 0.28
const ACROSS = 0.3

/** Left and right edge, upper and lower edge, of a square. */
const SIDES = [
  { dx: -0.5, dy: 0 },
  { dx: 0.5, dy: 0 },
  { dx: 0, dy: -0.5 },
  { dx: 0, dy: 0.5 },
] as const

const fieldOf = (grey: Grey, view: Homography, { id, middle }: (typeof CHART.fields)[number]): FieldSharpness => {
  const angle = (CHART.turn * Math.PI) / 180
  const tried = SIDES.map(({ dx, dy }) => {
    const [x, y] = [dx * CHART.side, dy * CHART.side]
    const edge = {
      x: middle.x + x * Math.cos(angle) - y * Math.sin(angle),
      y: middle.y + x * Math.sin(angle) + y * Math.cos(angle),
    }
    const at = seen(view, edge)
    const [right, down] = [seen(view, { x: edge.x + 1, y: edge.y }), seen(view, { x: edge.x, y: edge.y + 1 })]
    const scale = Math.min(Math.hypot(right.x - at.x, right.y - at.y), Math.hypot(down.x - at.x, down.y - at.y))
    // A sheet that lies on its side has its upright edges level.
    const isUpright = (dx !== 0) === Math.abs(right.x - at.x) > Math.abs(right.y - at.y)
    const [across, along] = [ACROSS * CHART.side * scale, ALONG * CHART.side * scale]
    const [w, h] = isUpright ? [across, along] : [along, across]
    if (at.x - w < 0 || at.y - h < 0 || at.x + w > grey.width || at.y + h > grey.height)
      return { kind: 'none', why: 'no edge' } as const
    return slantedEdge(crop(grey, { x: at.x - w, y: at.y - h, width: 2 * w, height: 2 * h }))
  })
  const edges = tried.filter(e => e.kind === 'edge')
  const mtf50 = edges.length < 2 ? undefined : edges.reduce((sum, e) => sum + e.mtf50, 0) / edges.length
  return { field: id, mtf50, why: mtf50 === undefined ? tried.find(e => e.kind === 'none')?.why : undefined, edges }
}

/** Half-contrast frequencies of the five fields of one picture of the chart. */
export const chartSharpness = (grey: Grey): ChartFound => {
  const sheet = findSheet(grey, CHART)
  if (sheet.kind === 'missing') return { kind: 'trouble', found: sheet.marks, isOther: sheet.isOther }
  return { kind: 'chart', fields: CHART.fields.map(f => fieldOf(grey, sheet.view, f)) }
}
