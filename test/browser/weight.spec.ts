import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import { test } from './support/drivers'

/** Kilobytes as a phone loads them: what is recorded here, `npm run weights` writes anew. */
const FILE = 'docs/weights.json'
const GROWTH = 1.15
/** Scripts that every page loads, and all scripts of one page. */
const MOST_COMMON = 170
const MOST_ON_A_PAGE = 300

/** Every page there is, at an address of the demo. */
const PAGES: Readonly<Record<string, string>> = {
  '/': '/',
  '/away': '/away',
  '/decide/compare': '/decide/compare',
  '/decide/concordance': '/decide/concordance',
  '/decide/guide': '/decide/guide',
  '/decide/optics': '/decide/optics',
  '/decide/standards': '/decide/standards',
  '/decide/standards/[id]': '/decide/standards/ring-action',
  '/keep/kit': '/keep/kit',
  '/keep/kit/[unit]': '/keep/kit/tsp-l1',
  '/keep/readiness': '/keep/readiness',
  '/name/bodies': '/name/bodies',
  '/name/bodies/[id]': '/name/bodies/linnet',
  '/name/bodies/[id]/edit': '/name/bodies/linnet/edit',
  '/name/bodies/[id]/evidence': '/name/bodies/linnet/evidence',
  '/name/bodies/new': '/name/bodies/new',
  '/name/lenses': '/name/lenses',
  '/name/lenses/[id]': '/name/lenses/sorrel-100-macro',
  '/name/lenses/[id]/edit': '/name/lenses/sorrel-100-macro/edit',
  '/name/lenses/new': '/name/lenses/new',
  '/name/phrasebook': '/name/phrasebook',
  '/name/phrasebook/[concept]': '/name/phrasebook/track.hold',
  '/name/phrasebook/dictionary': '/name/phrasebook/dictionary',
  '/practise/class': '/practise/class',
  '/practise/class/[class]': '/practise/class/1',
  '/practise/class/[class]/[student]': '/practise/class/1/osric-fenn',
  '/practise/class/course/[course]': '/practise/class/course/evening-class',
  '/practise/drills': '/practise/drills',
  '/practise/drills/[drill]': '/practise/drills/hold?body=sorrel',
  '/practise/rehearsal': '/practise/rehearsal?body=sorrel&passage=club-passing',
  '/prove/audit': '/prove/audit',
  '/prove/audit/clock': '/prove/audit/clock',
  '/prove/audit/new': '/prove/audit/new',
  '/prove/audit/[audit]': '/prove/audit/1',
  '/prove/trials': '/prove/trials',
  '/prove/trials/new': '/prove/trials/new',
  '/prove/trials/[trial]': '/prove/trials/1',
  '/prove/trials/[trial]/count': '/prove/trials/1/count',
  '/prove/trials/[trial]/pictures': '/prove/trials/1/pictures',
  '/prove/bench': '/prove/bench',
  '/prove/bench/[run]': '/prove/bench/1',
  '/prove/bench/lens/[test]': '/prove/bench/lens/1',
  '/prove/bench/film': '/prove/bench/film?body=pebble&what=track.hold&setting=cling',
  '/prove/bench/focus': '/prove/bench/focus',
  '/prove/bench/sharpness': '/prove/bench/sharpness',
  '/prove/bench/run': '/prove/bench/run?body=tollgate&what=track.hold&setting=stick',
  '/set/cards': '/set/cards',
  '/set/cards/[body]': '/set/cards/linnet?unit=tsp-l1',
  '/set/controls': '/set/controls',
  '/set/controls/[body]': '/set/controls/linnet',
  '/work/film': '/work/film?standard=talk-on-camera',
  '/work/jobs': '/work/jobs',
  '/work/jobs/[job]': '/work/jobs/saltmarsh-ring',
  '/work/jobs/[job]/debrief': '/work/jobs/saltmarsh-ring/debrief',
  '/work/jobs/[job]/sheet': '/work/jobs/saltmarsh-ring/sheet?person=ottoline-marsh',
  '/work/now': '/work/now?job=saltmarsh-ring&person=ottoline-marsh',
  '/work/rescues': '/work/rescues?body=linnet',
}

interface Weight {
  /** All scripts of the page, as they travel. */
  readonly scripts: number
  /** What the page itself says, before it is compressed. */
  readonly page: number
}
interface Weights {
  readonly common: number
  readonly pages: Readonly<Record<string, Weight>>
}

const kilobytes = (bytes: number): number => Math.round(bytes / 102.4) / 10

/** The scripts a page asks for at once; old browsers alone load those marked `noModule`. */
const scriptsOf = (html: string): ReadonlySet<string> =>
  new Set(
    [...html.matchAll(/<(?:script(?![^>]*noModule)[^>]+src|link(?=[^>]*as="script")[^>]+href)="([^"]+\.js)"/g)].map(
      m => m[1] ?? '',
    ),
  )

test('pages weigh no more than they did, and little enough for a slow phone', async ({ server }) => {
  const folders = readdirSync('src/app', { recursive: true, encoding: 'utf8' })
  const routes = folders.filter(f => /(^|\/)page\.tsx$/.test(f)).map(f => `/${f.replace(/\/?page\.tsx$/, '')}`)
  expect(Object.keys(PAGES).sort()).toEqual(routes.sort())

  const sizes = new Map<string, number>()
  const sizeOf = async (script: string): Promise<number> => {
    const known = sizes.get(script)
    if (known !== undefined) return known
    const sent = await fetch(`${server.address}${script}`, { headers: { 'accept-encoding': 'br' } })
    expect([script, sent.headers.get('cache-control')]).toEqual([script, expect.stringContaining('immutable')])
    // Compressed when it was built, with its length; a script too short for that travels as it is.
    const size = Number(sent.headers.get('content-length'))
    expect([script, size > 0, size < 1024 || sent.headers.get('content-encoding') === 'br']).toEqual([
      script,
      true,
      true,
    ])
    sizes.set(script, size)
    return size
  }
  const sum = async (scripts: Iterable<string>): Promise<number> => {
    let total = 0
    for (const script of scripts) total += await sizeOf(script)
    return kilobytes(total)
  }

  const scripts = new Map<string, ReadonlySet<string>>()
  const pages: Record<string, Weight> = {}
  for (const [route, address] of Object.entries(PAGES)) {
    const answer = await fetch(`${server.address}${address}`)
    expect([address, answer.status]).toEqual([address, 200])
    const html = await answer.text()
    scripts.set(route, scriptsOf(html))
    pages[route] = { scripts: await sum(scriptsOf(html)), page: kilobytes(html.length) }
  }
  const common = [...(scripts.get('/away') ?? [])].filter(s => [...scripts.values()].every(all => all.has(s)))
  const now: Weights = { common: await sum(common), pages }

  console.log(`every page: ${now.common} KB of scripts`)
  for (const [route, w] of Object.entries(pages)) console.log(`${route}: scripts ${w.scripts} KB, page ${w.page} KB`)
  if (process.env['WRITE_WEIGHTS']) {
    writeFileSync(FILE, `${JSON.stringify(now, null, 2)}\n`)
    return
  }
  const before = JSON.parse(readFileSync(FILE, 'utf8')) as Weights
  expect(now.common).toBeLessThan(MOST_COMMON)
  for (const [route, { scripts, page }] of Object.entries(pages)) {
    const was = before.pages[route]
    expect(scripts, `scripts of ${route}`).toBeLessThan(Math.min(MOST_ON_A_PAGE, GROWTH * (was?.scripts ?? 0)))
    expect(page, `page ${route}`).toBeLessThan(GROWTH * (was?.page ?? 0))
  }
})
