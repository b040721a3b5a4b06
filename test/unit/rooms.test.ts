import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import { describe, expect, it } from 'vitest'

interface Room {
  readonly path: string
  /** What it may call; undefined where that is everything. */
  readonly calls: readonly string[] | undefined
}
interface Rule {
  readonly name: string
  readonly from: { readonly path?: string }
  readonly to: { readonly path?: string }
}
/** Plain scripts, without types of their own. */
const script = (path: string): Promise<unknown> => import(/* @vite-ignore */ path)
const { rooms, roomsIn } = (await script('../../scripts/rooms.mjs')) as {
  rooms: () => readonly Room[]
  roomsIn: (text: string) => readonly Room[]
}
const { default: cruiser } = (await script('../../.dependency-cruiser.mjs')) as {
  default: { forbidden: readonly Rule[] }
}

const TABLE = rooms()
const foldersIn = (folder: string) =>
  readdirSync(folder, { withFileTypes: true })
    .filter(e => e.isDirectory())
    .map(e => `${folder}/${e.name}`)
const FOLDERS = [...foldersIn('src/core'), ...foldersIn('src').filter(f => f !== 'src/core')]

/** Which rooms a room's files import, tests aside. */
const importsOf = (room: string): ReadonlySet<string> => {
  const found = new Set<string>()
  for (const entry of readdirSync(room, { recursive: true, withFileTypes: true })) {
    if (!/(?<!\.test)\.tsx?$/.test(entry.name)) continue
    const file = join(entry.parentPath, entry.name)
    for (const [, path = ''] of readFileSync(file, 'utf8').matchAll(/(?:from|import\()\s*'([^']+)'/g)) {
      const target = path.startsWith('@/') ? `src/${path.slice(2)}` : normalize(join(dirname(file), path))
      const into = FOLDERS.find(f => target === f || target.startsWith(`${f}/`))
      if (into && into !== room && (path.startsWith('@/') || path.startsWith('.'))) found.add(into)
    }
  }
  return found
}

describe('the table of rooms', () => {
  it('names every folder, and none that is not there', () => {
    expect(TABLE.map(r => r.path).sort()).toEqual([...FOLDERS, 'test'].sort())
  })

  it('lets no room call one that calls it, not even by way of others', () => {
    const open = TABLE.filter(r => r.path.startsWith('src/core/')).map(r => ({ ...r, calls: new Set(r.calls) }))
    // Taking away what calls nothing that is left, again and again, leaves the rooms that stand in a circle.
    for (let n = -1; n !== open.length;) {
      n = open.length
      const left = new Set(open.map(r => r.path))
      open.splice(0, n, ...open.filter(r => [...r.calls].some(c => left.has(c))))
    }
    expect(open.map(r => r.path)).toEqual([])
  })

  it.each(TABLE.filter(r => r.calls))('says of $path what it calls, no more and no less', ({ path, calls = [] }) => {
    const imports = [...importsOf(path)]
    const allowed = (room: string) => calls.some(c => room === c || room.startsWith(`${c}/`))
    expect(imports.filter(i => !allowed(i))).toEqual([])
    expect(calls.filter(c => !imports.some(i => i === c || i.startsWith(`${c}/`)))).toEqual([])
  })

  it('is what lint holds: whatever it does not let a room call is refused', () => {
    for (const from of TABLE.filter(r => r.calls))
      for (const to of FOLDERS.filter(f => f !== from.path)) {
        const allowed = (from.calls ?? []).some(c => to === c || to.startsWith(`${c}/`))
        const refusals = cruiser.forbidden.filter(
          r =>
            r.name.endsWith('-calls-what-the-table-says') &&
            new RegExp(r.from.path ?? '').test(`${from.path}/some.ts`) &&
            new RegExp(r.to.path ?? '').test(`${to}/some.ts`),
        )
        expect([from.path, to, refusals.length > 0]).toEqual([from.path, to, !allowed])
      }
  })

  it('is refused itself where it names a room that is not there', () => {
    expect(() => roomsIn('| `src/core/a` | one | attic |')).toThrow('“attic”, which is no room')
    expect(roomsIn('| `src/core/a` | one | nothing |\n| `src/b` | two | a |')).toEqual([
      { path: 'src/core/a', calls: [] },
      { path: 'src/b', calls: ['src/core/a'] },
    ])
  })
})

describe('what is written about the house', () => {
  const files = readdirSync('.', { recursive: true, encoding: 'utf8' }).filter(
    f => !/node_modules|^\.(next|git)/.test(f),
  )
  it.each(['CONTRIBUTING.md', 'SECURITY.md', 'README.md', 'docs/checks.md', 'docs/hardship.md'])(
    'names files that are there: %s',
    document => {
      const named = [...readFileSync(document, 'utf8').matchAll(/`([\w./[\]-]+\.(?:ts|tsx|mjs|cjs|json|md))`/g)].map(
        m => m[1] ?? '',
      )
      expect(named.filter(name => !files.some(f => f === name || f.endsWith(`/${name}`)))).toEqual([])
    },
  )
})

it('says of every package that is shipped what it is for, and of none that is not', () => {
  const text = readFileSync('CONTRIBUTING.md', 'utf8')
  const table = text.slice(text.indexOf('## What the house stands on'))
  const named = [...table.matchAll(/^\| ([^|-][^|]*?) +\| [^|]{10,} \|$/gm)].flatMap(m => (m[1] ?? '').split(', '))
  const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as { dependencies: object }
  expect(named.filter(n => n !== 'package').sort()).toEqual(Object.keys(dependencies).sort())
})
