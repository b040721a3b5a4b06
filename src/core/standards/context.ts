/** What a layer can be for. */
export const SCOPES = ['people', 'units', 'lenses', 'scenes'] as const
export type Scope = (typeof SCOPES)[number]

/** For whom and what a standard is read. */
export type Context = Readonly<Partial<Record<Scope, readonly string[]>>>

/** For whom and what, as one text in an address: `people:imelda-frost,scenes:Club passing`. */

const SEPARATOR = ','

export const contextText = (context: Context): string =>
  SCOPES.flatMap(scope => (context[scope] ?? []).map(name => `${scope}:${encodeURIComponent(name)}`)).join(SEPARATOR)

/** What it does not understand it leaves out: an address is no reason to fail. */
export const contextFrom = (text: string | undefined): Context => {
  const context: Partial<Record<Scope, string[]>> = {}
  for (const part of text?.split(SEPARATOR) ?? []) {
    const [kind, name] = part.split(':')
    const scope = SCOPES.find(s => s === kind)
    if (scope && name) context[scope] = [...(context[scope] ?? []), decoded(name)]
  }
  return context
}

const decoded = (text: string): string => {
  try {
    return decodeURIComponent(text)
  } catch {
    return text
  }
}

/** A standard, or one version of it, as an address names it: `ring-action` or `ring-action@3`. */
export interface StandardRef {
  readonly id: string
  /** The version in force where not given. */
  readonly version?: number | undefined
}

export const refFrom = (text: string): StandardRef => {
  const [id = '', version] = text.split('@')
  const number = Number(version)
  return version !== undefined && Number.isInteger(number) && number > 0 ? { id, version: number } : { id }
}

export const refText = ({ id, version }: StandardRef): string => (version === undefined ? id : `${id}@${version}`)
