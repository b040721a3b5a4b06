import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, extname, join } from 'node:path'

/** What a build leaves behind that a server does not read. */
const UNUSED = ['cache', 'diagnostics', 'trace', 'trace-build', 'types']
const TEXT = new Set(['.js', '.json', '.html', '.rsc', '.css', '.map', '.meta', ''])

const filesBelow = (folder: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap(entry =>
    entry.isDirectory() ? filesBelow(join(folder, entry.name)) : entry.isFile() ? [join(folder, entry.name)] : [],
  )

/**
 * The application as it is after it was built again: every script and style sheet has another name, and those of before
 * are gone from the server.
 *
 * @returns a folder that it can be served from
 */
export const newBuild = (): string => {
  const folder = mkdtempSync(join(tmpdir(), 'coherion-new-build-'))
  const built = join(folder, '.next')
  mkdirSync(built)
  for (const name of readdirSync('.next').filter(n => !UNUSED.includes(n)))
    cpSync(join('.next', name), join(built, name), { recursive: true, verbatimSymlinks: true })
  for (const name of ['node_modules', 'package.json', 'next.config.ts', 'tsconfig.json'])
    symlinkSync(join(process.cwd(), name), join(folder, name))
  cpSync('public', join(folder, 'public'), { recursive: true })
  const chunks = join(built, 'static', 'chunks')
  const names = readdirSync(chunks).filter(n => ['.js', '.css'].includes(extname(n)))
  const renamed = new Map(names.map(n => [n, `${basename(n, extname(n))}_2${extname(n)}`]))
  const anyName = new RegExp([...renamed.keys()].map(n => n.replace(/[.]/g, '\\.')).join('|'), 'g')
  for (const file of filesBelow(built).filter(f => TEXT.has(extname(f)))) {
    const text = readFileSync(file, 'utf8')
    const next = text.replace(anyName, n => renamed.get(n) ?? n)
    if (next !== text) writeFileSync(file, next)
  }
  for (const [from, to] of renamed) renameSync(join(chunks, from), join(chunks, to))
  // A browser takes a service worker for a new one when a single byte differs.
  const worker = join(folder, 'public', 'service-worker.js')
  writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// built again\n`)
  return folder
}
