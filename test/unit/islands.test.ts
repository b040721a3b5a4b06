import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'

/** Pages are drawn by the server; only what moves, or is styled by the theme, is a script of the browser as well. */

const filesIn = (folder: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap(entry =>
    entry.isDirectory() ? filesIn(join(folder, entry.name)) : [join(folder, entry.name)],
  )

/** What nothing but a browser can do, or what only its scripts may call. */
const MOVES =
  /\buse[A-Z]\w*[(<]|\bon[A-Z]\w*=|\b(?:addEventListener|createContext|createTheme|styled|dynamic|later)[(<]|\b(?:window|document)\.|=\{\(?\w* ?=>/

/** Scripts of the browser for another reason. */
const ALL_THE_SAME = [
  // Told as figures its thousand cells weigh less than drawn ahead.
  'src/app/work/film/Film.tsx',
  // Reads the theme, which is one.
  'src/ui/elements.tsx',
]

it('sends to the browser what moves there, and nothing else', () => {
  const scripts = filesIn('src').filter(f => readFileSync(f, 'utf8').startsWith("'use client'"))
  expect(scripts.length).toBeGreaterThan(200)
  const idle = scripts.filter(f => !MOVES.test(readFileSync(f, 'utf8')))
  expect(idle).toEqual(ALL_THE_SAME)
})
