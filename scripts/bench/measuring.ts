import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import sharp from 'sharp'
import { chartSharpness } from '../../src/core/imaging/chart'
import { type Grey, greyOf } from '../../src/core/imaging/grey'
import { focusOnRuler } from '../../src/core/imaging/ruler'
import { resultOf } from '../../src/core/scales/run'
import { demoBodies, demoRuns } from '../../src/demo/world'
import { TestServer } from '../../test/browser/support/server'
import template from '../../test/browser/support/template'
import settings from '../chromium.json' with { type: 'json' }
import { figure } from './record'

const enlarged = async (name: string, width: number, height: number): Promise<Grey> => {
  const image = sharp(`public/made/${name}.jpg`).resize(width, height, { fit: 'fill' }).ensureAlpha().raw()
  const { data, info } = await image.toBuffer({ resolveWithObject: true })
  return greyOf(data, info.width, info.height)
}

const timed = (work: () => unknown): number => {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** Frames of the made film. */
const FILM_FRAMES = 2669

/** How long a film of 1920 x 1080 takes on the page, with all that belongs to it; undefined where none can be made. */
const secondsOfFilm = async (): Promise<number | undefined> => {
  const folder = mkdtempSync(join(tmpdir(), 'coherion-film-'))
  const film = join(folder, 'large.mp4')
  const args = `-y -loglevel error -i public/made/pebble-cling.mp4 -vf scale=1920:1080 -c:v libx264 -preset veryfast -crf 23 ${film}`
  if (spawnSync('ffmpeg', args.split(' ')).status !== 0) {
    rmSync(folder, { recursive: true })
    return undefined
  }
  await template()
  const server = await TestServer.start('demo')
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: settings.args,
  })
  try {
    const page = await browser.newPage()
    await page.goto(`${server.address}/prove/bench/film?body=pebble&what=track.hold&setting=cling&repeats=3`)
    await page.getByLabel(/Choose films/).setInputFiles(film)
    await page.getByRole('button', { name: 'Follow both places' }).waitFor()
    const began = performance.now()
    await page.getByRole('button', { name: 'Follow both places' }).click()
    await page.getByRole('heading', { name: /takes$/ }).waitFor({ timeout: 600_000 })
    return (performance.now() - began) / 1000
  } finally {
    await browser.close()
    await server.stop()
    rmSync(folder, { recursive: true })
  }
}

/** What the Bench takes: edges and rulers of large pictures, drawing takes anew, films. */
export const benchMeasuring = async (): Promise<void> => {
  console.log('The Bench')
  const chart = await enlarged('chart-f8', 6000, 4000)
  console.log(
    `  five fields of a 24-megapixel chart: ${figure(
      'bench-chart',
      timed(() => chartSharpness(chart)),
      1000,
    )}`,
  )
  const ruler = await enlarged('ruler-at-0-01', 5657, 4243)
  console.log(
    `  the ruler in a 24-megapixel picture: ${figure(
      'bench-ruler',
      timed(() => focusOnRuler(ruler)),
      1500,
    )}`,
  )
  const run = demoRuns()[0]?.run
  const body = demoBodies().find(b => b.id === run?.body)
  if (run && body) {
    resultOf(body, run)
    console.log(
      `  2,000 draws of a run: ${figure(
        'bench-draws',
        timed(() => resultOf(body, run)),
        200,
      )}`,
    )
  }
  const seconds = await secondsOfFilm()
  if (seconds === undefined) console.log('  films need ffmpeg here (apt-get install ffmpeg)')
  else
    console.log(
      `  a film of ${FILM_FRAMES} frames of 1920 x 1080: ${figure('bench-film', seconds * 1000, (FILM_FRAMES / 60) * 1000)}, ${(FILM_FRAMES / seconds).toFixed(0)} frames a second`,
    )
}
