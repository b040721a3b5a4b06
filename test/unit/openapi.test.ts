import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { openApiDocument } from '../../src/server/openapi'

const routesBelow = (folder: string, path: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap(entry =>
    entry.isDirectory()
      ? routesBelow(join(folder, entry.name), `${path}/${entry.name.replace('[', '{').replace(']', '}')}`)
      : entry.name === 'route.ts'
        ? [path]
        : [],
  )

it('describes every route there is, and none that is not', () => {
  const described = Object.keys(openApiDocument().paths).sort()
  const there = routesBelow('src/app/api/v1', '/api/v1').filter(p => p !== '/api/v1/openapi.json')
  expect(described).toEqual([...there].sort())
})

it('refers only to schemas that it has', () => {
  const document = openApiDocument()
  const names = [...JSON.stringify(document).matchAll(/#\/components\/schemas\/(\w+)/g)].map(m => m[1])
  for (const name of names) expect(Object.keys(document.components.schemas)).toContain(name)
})
