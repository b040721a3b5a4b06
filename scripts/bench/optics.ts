import { chromium } from '@playwright/test'
import { allAnswers } from '../../src/core/optics/answers'
import { framings } from '../../src/core/optics/answers/framing'
import { cameraFigures, lensFigures } from '../../src/core/optics/figures'
import { reckon } from '../../src/core/optics/reckon'
import { BEGINNING } from '../../src/core/optics/scene'
import { demoBodies, demoLenses } from '../../src/demo/world'
import template from '../../test/browser/support/template'
import { TestServer } from '../../test/browser/support/server'
import settings from '../chromium.json' with { type: 'json' }
import { figure } from './record'

const RUNS = 200
const BODIES = 60
const DRAGS = 200

const median = (times: readonly number[]): number =>
  times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN
const slowest = (times: readonly number[]): number => Math.max(...times)

const timed = (work: () => void): number => {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** The ten answers and the framing table in core, and what a drag takes on the page. */
export const benchOptics = async (): Promise<void> => {
  const cameras = demoBodies().map(cameraFigures)
  const lenses = demoLenses().map(lensFigures)
  const [camera, lens] = [cameras.find(c => c.id === 'sorrel'), lenses.find(l => l.id === 'sorrel-70-200')]
  if (!camera || !lens) throw new Error('the demo has no such body and lens')
  const scene = {
    ...BEGINNING,
    body: 'sorrel',
    lens: 'sorrel-70-200',
    focalMm: 135,
    distance: 6,
    at: Date.UTC(2026, 5, 21, 17),
  }
  console.log('The Optics desk')
  const answers = Array.from({ length: RUNS }, (_, i) =>
    timed(() => allAnswers(reckon({ ...scene, distance: 6 + i / 100 }, camera, lens, 'metric'))),
  ).slice(RUNS / 4)
  console.log(
    `  ten answers: median ${figure('optics-answers', median(answers), 2)}, slowest ${slowest(answers).toFixed(2)} ms`,
  )

  // Every lens on every body, as if one maker had made them all.
  const many = Array.from({ length: BODIES }, (_, i) => ({
    ...(cameras[i % cameras.length] ?? camera),
    id: `b${i}`,
    name: `Maker ${i}`,
  }))
  const any = lenses.map(l => ({ ...l, maker: 'Maker' }))
  const r = reckon(scene, camera, lens, 'metric')
  const table = Array.from({ length: 9 }, () => timed(() => framings(r, many, any)))
  console.log(
    `  framing table, ${BODIES} bodies x ${any.length} lenses: median ${figure('optics-framing', median(table), 50)}`,
  )

  await template()
  const server = await TestServer.start('demo')
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: settings.args,
  })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 900 } })
    // What compiles this file names the functions inside the page with a helper that the page does not have.
    await page.addInitScript({ content: 'globalThis.__name = f => f' })
    await page.goto(`${server.address}/decide/optics?scene=body~sorrel*lens~sorrel-70-200*focalMm~135`)
    const subject = page.getByRole('slider', { name: /^Subject, moved/ })
    await subject.focus()
    // One move for every frame: the time from frame to frame says whether the page keeps up.
    const times = await subject.evaluate(async (handle, drags) => {
      const frame = () => new Promise<number>(resume => requestAnimationFrame(resume))
      const box = handle.getBoundingClientRect()
      const send = (type: string, x: number) =>
        handle.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, clientX: x, clientY: box.y + 4 }))
      handle.setPointerCapture = () => {}
      send('pointerdown', box.x)
      const took: number[] = []
      let last = await frame()
      for (let i = 0; i < drags; i += 1) {
        send('pointermove', box.x - 60 + ((i * 7) % 120))
        const now = await frame()
        took.push(now - last)
        last = now
      }
      send('pointerup', box.x)
      return took
    }, DRAGS)
    console.log(
      `  dragging, from frame to frame: median ${figure('optics-drag', median(times))} (60 frames a second are 16.7), slowest of ${DRAGS} ${slowest(times).toFixed(1)} ms`,
    )
  } finally {
    await browser.close()
    await server.stop()
  }
}
