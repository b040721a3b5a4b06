import type { Context } from '@/core/standards/context'

/** What can be in hand, as every page knows it. */

export interface StandardChoice {
  readonly id: string
  readonly name: string
  readonly version: number
  /** It is in hand where nobody chose another. */
  readonly isUsual: boolean
  /** For whom and what it has layers of their own. */
  readonly scopes: Context
  /** A version that is being worked on, besides the one that counts. */
  readonly open: { readonly version: number; readonly state: string } | undefined
}

export interface BodyChoice {
  readonly id: string
  readonly maker: string
  readonly model: string
}
