import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { SIZES } from './theme'

const views = ['src/app', 'src/ui']
  .flatMap(room => readdirSync(room, { recursive: true, encoding: 'utf8' }).map(file => join(room, file)))
  .filter(file => /(?<!\.test)\.tsx$/.test(file))
  .map(file => ({ file, code: readFileSync(file, 'utf8') }))

it('has every weight, width and height that views ask for', () => {
  // What is drawn has its own sizes; it is styled, not told by sx.
  const own = views.flatMap(({ file, code }) =>
    [...code.matchAll(/sx=\{\{.*?\}\}/gs)]
      .filter(([sx]) =>
        /fontWeight: \d|(?<!-)[wW]idth: \d{3}|minHeight: \d{2}|(?:flex|gridTemplateColumns)[^\n]*\d{3}px/.test(sx),
      )
      .map(([sx]) => `${file}: ${sx}`),
  )
  expect(own).toEqual([])
})

it('is asked for no size it has not', () => {
  const asked = views.flatMap(({ file, code }) =>
    [...code.matchAll(/var\(--((?:field|row|side)[a-z-]*|touch|button|dense|ribbon|bar|head|narrow|line|wide)\)/g)].map(
      ([, name = '']) => ({ file, name }),
    ),
  )
  expect(asked.length).toBeGreaterThan(200)
  expect(asked.filter(a => !(a.name in SIZES))).toEqual([])
})
