import { type ParseErrorCode, printParseErrorCode, visit } from 'jsonc-parser'
import * as v from 'valibot'
import { DIMENSIONS } from '../vocabulary/dimensions'

/** Something wrong in a file: where in the file, what stands there, what was expected. */
export interface Problem {
  readonly file: string
  /** Path inside the file, such as `settings.3.options.1.means`. Empty for the file as a whole. */
  readonly path: string
  readonly value: string
  readonly expected: string
}

/** One line a person can act on. */
export const problemWords = (p: Problem): string =>
  `${p.file}${p.path ? `, ${p.path}` : ''}: ${p.value ? `${p.value} stands there; ` : ''}${p.expected}`

const show = (value: unknown): string => {
  // What only every list or object has by itself was not written by anybody.
  const text = value === undefined || typeof value === 'function' ? 'nothing' : JSON.stringify(value)
  return text.length > 80 ? `${text.slice(0, 77)}...` : text
}

const nearest = (word: string): string => {
  const group = word.split('.')[0]
  const candidates = DIMENSIONS.filter(d => d.id.split('.')[0] === group).map(d => d.id)
  return candidates.length ? `; the vocabulary has ${candidates.join(', ')}` : '; see docs/formats for the vocabulary'
}

const expectation = (issue: v.BaseIssue<unknown>, path: string): string => {
  const key = path.split('.').pop() ?? ''
  if (issue.expected === 'never') {
    const dimension = /\.means\.(.+)$/.exec(path)?.[1]
    return dimension ? `unknown dimension ${dimension}${nearest(dimension)}` : `the format has no field "${key}"`
  }
  if (issue.expected === null || issue.kind !== 'schema' || issue.message.startsWith('expected')) return issue.message
  return `expected ${issue.expected}`
}

export type Parsed<T> =
  | {
      readonly ok: true
      readonly value: T
      /** What could not be looked at to the end; it refuses nothing. */
      readonly notes?: readonly Problem[]
    }
  | { readonly ok: false; readonly problems: readonly Problem[] }

/** No more than this many problems are told at once; the first ones usually explain the rest. */
const MOST_PROBLEMS = 50

/**
 * Parses a value against a schema; never throws.
 *
 * @returns the parsed value, or what is wrong and where
 */
export const parseWith = <T>(schema: v.GenericSchema<unknown, T>, value: unknown, file: string): Parsed<T> => {
  const result = v.safeParse(schema, value)
  if (result.success) return { ok: true, value: result.output }
  return {
    ok: false,
    problems: result.issues.slice(0, MOST_PROBLEMS).map(issue => {
      const path = v.getDotPath(issue) ?? ''
      return { file, path, value: show(issue.input), expected: expectation(issue, path) }
    }),
  }
}

const FORMAT = /^coherion\.([a-z]+)\/(\d+)$/

/** Whether a file says that it is something else, or from a later version; undefined where it does not. */
const otherFormat = (value: unknown, expected: string, file: string): Problem | undefined => {
  const said = (value as { format?: unknown } | null)?.format
  if (typeof said !== 'string' || said === expected) return undefined
  const [got, wanted] = [FORMAT.exec(said), FORMAT.exec(expected)]
  const say = (words: string): Problem => ({ file, path: 'format', value: JSON.stringify(said), expected: words })
  if (!got || !wanted) return say(`expected ${expected}`)
  if (got[1] !== wanted[1]) return say(`this file holds a ${got[1]}; expected ${expected}`)
  return say(
    `this file was written by a later version; expected ${expected}. Update Coherion, or ask for the file in that version`,
  )
}

/** Parses a document of one of the exchange formats; the format it claims is looked at first. */
export const parseDocument = <T>(
  schema: v.GenericSchema<unknown, T>,
  format: string,
  value: unknown,
  file: string,
): Parsed<T> => {
  const other = otherFormat(value, format, file)
  return other ? { ok: false, problems: [other] } : parseWith(schema, value, file)
}

/** Deeper than any document of the exchange formats; beyond, reading it would only fill the stack. */
const MOST_DEPTH = 64

/** Where a text nests too deeply; undefined where it does not. Linear in its length. */
const tooDeepAt = (text: string): number | undefined => {
  let depth = 0
  let inText = false
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    if (inText) {
      if (c === 0x5c) i++
      else if (c === 0x22) inText = false
    } else if (c === 0x22) inText = true
    else if (c === 0x5b || c === 0x7b) {
      if (++depth > MOST_DEPTH) return i
    } else if (c === 0x5d || c === 0x7d) depth--
  }
  return undefined
}

/** An escaped half of a letter beyond the first 65,536. */
const HALF = /\\u[dD][89a-fA-F]/
/** Written again, whole letters stand as they are and halves stay escaped. */
const HALF_AGAIN = /(?:^|[^\\])(?:\\\\)*\\ud[89a-f]/

/** Texts that no file or database can hold as they are. @source RFC 7493 (I-JSON), section 2.1 */
const hasHalfLetters = (text: string, value: unknown): boolean =>
  HALF.test(text) && HALF_AGAIN.test(JSON.stringify(value))

class FirstError extends Error {
  constructor(
    readonly code: ParseErrorCode,
    readonly offset: number,
  ) {
    super()
  }
}

/** The first place where a text is no JSON; what comes after is not read. */
const firstErrorIn = (text: string): { readonly code: ParseErrorCode; readonly offset: number } => {
  try {
    visit(
      text,
      {
        onError: (code, offset) => {
          throw new FirstError(code, offset)
        },
      },
      { disallowComments: true },
    )
  } catch (error) {
    if (error instanceof FirstError) return error
    throw error
  }
  // `EndOfFileExpected`; the enumeration of the library does not exist when it is compiled file by file.
  return { code: 9, offset: text.length }
}

/** Parses JSON text, telling the line and column where it breaks. */
export const parseJson = (text: string, file: string): Parsed<unknown> => {
  const wrong = (offset: number, expected: string): Parsed<unknown> => {
    const before = text.slice(0, offset)
    const lineStart = before.lastIndexOf('\n') + 1
    let line = 1
    for (let i = before.indexOf('\n'); i >= 0; i = before.indexOf('\n', i + 1)) line++
    const path = `line ${line}, column ${offset - lineStart + 1}`
    return { ok: false, problems: [{ file, path, value: '', expected }] }
  }
  const deep = tooDeepAt(text)
  if (deep !== undefined) return wrong(deep, `expected at most ${MOST_DEPTH} lists and objects within each other`)
  try {
    const value = JSON.parse(text) as unknown
    return hasHalfLetters(text, value)
      ? wrong(text.search(HALF), 'expected whole letters; half of one is escaped here')
      : { ok: true, value }
  } catch {
    const { code, offset } = firstErrorIn(text)
    const what = printParseErrorCode(code)
      .replaceAll(/(?<=[a-z])(?=[A-Z])/g, ' ')
      .toLowerCase()
    return wrong(offset, `this is not JSON: ${what}`)
  }
}
