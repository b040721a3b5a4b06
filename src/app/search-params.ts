import type { InHand } from '@/server/concordance'

/** The query of a page as Next hands it over. */
export type SearchParams = Promise<Readonly<Record<string, string | string[] | undefined>>>

const single = (value: string | string[] | undefined): string | undefined => (Array.isArray(value) ? value[0] : value)

/** What the address says is in hand. */
export const inHandOf = async (searchParams: SearchParams): Promise<InHand> => {
  const params = await searchParams
  return {
    standard: single(params['standard']),
    bodies: single(params['bodies'])?.split(','),
    for: single(params['for']),
  }
}

/** One parameter of the address. */
export const param = async (searchParams: SearchParams, name: string): Promise<string | undefined> =>
  single((await searchParams)[name])
