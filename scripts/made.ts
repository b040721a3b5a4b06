import { spawn } from 'node:child_process'
import { mkdirSync, statSync, writeFileSync } from 'node:fs'
import { once } from 'node:events'
import sharp from 'sharp'
import { balancedOrder } from '@/core/scales/order'
import { random } from '@/core/numeric/random'
import { chartPicture, type Picture, rulerPicture } from '../test/fixtures/made/camera'
import { film } from '../test/fixtures/made/film'
import { withExif } from '../test/fixtures/made/exif'
import { AUDIT_SERIES, CHART_SERIES, FILM, RULER_SERIES } from '../test/fixtures/made/plans'

/**
 * Draws the made films and pictures anew (`npm run made`): only for who changes them; they are in the repository.
 * Films need ffmpeg, which Debian has (`apt-get install ffmpeg`).
 */

const FOLDER = 'public/made'
mkdirSync(FOLDER, { recursive: true })

const say = (file: string) => console.log(`${file}: ${(statSync(file).size / 1024).toFixed(0)} kB`)

const writeFilm = async (): Promise<void> => {
  const { width, height, rate } = FILM
  const takes = balancedOrder(Object.keys(FILM.truth), FILM.repeats, FILM.orderSeed).map((step, i) => {
    const [hold, travel] = FILM.truth[step] as readonly [number, number]
    const chance = random(i + 1)
    return { step, hold: hold * (0.92 + 0.16 * chance.next()), travel: travel * (0.95 + 0.1 * chance.next()) }
  })
  const made = film({ width, height, rate, seed: 17, takes, noise: 1.3, shake: 0.5, flicker: 0.05 })
  const file = `${FOLDER}/pebble-cling.mp4`
  const encoder = spawn(
    'ffmpeg',
    `-y -loglevel error -f rawvideo -pix_fmt gray -s ${width}x${height} -r ${rate} -i - -c:v libx264 -preset slow -crf 20 -pix_fmt yuv420p -movflags +faststart ${file}`.split(
      ' ',
    ),
    { stdio: ['pipe', 'inherit', 'inherit'] },
  )
  for (let i = 0; i < made.frames; i++) if (!encoder.stdin.write(made.frame(i))) await once(encoder.stdin, 'drain')
  encoder.stdin.end()
  await once(encoder, 'close')
  writeFileSync(`${FOLDER}/pebble-cling.json`, `${JSON.stringify(made.truth, null, 2)}\n`)
  say(file)
}

const writePicture = async (name: string, { width, height, rgb }: Picture, exif: Record<string, string>) => {
  const file = `${FOLDER}/${name}.jpg`
  await sharp(Buffer.from(rgb), { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 88 })
    .withExif({ IFD0: { Model: exif['Model'] ?? '' }, IFD2: { ...exif } })
    .toFile(file)
  say(file)
}

/** Small pictures with the note fields of the invented makers, to try an audit with. */
const writeAudit = async (): Promise<void> => {
  const grey = await sharp({ create: { width: 96, height: 64, channels: 3, background: '#8a8478' } })
    .jpeg({ quality: 60 })
    .toBuffer()
  for (const { name, written } of AUDIT_SERIES) {
    const file = `${FOLDER}/${name}.jpg`
    writeFileSync(file, withExif(grey, written))
    say(file)
  }
}

if (process.argv[2] === 'audit') {
  await writeAudit()
  process.exit(0)
}
if (process.argv[2] !== 'pictures') await writeFilm()
if (process.argv[2] === 'film') process.exit(0)
for (const [i, p] of RULER_SERIES.entries())
  await writePicture(p.name, rulerPicture({ ...p.picture, seed: i + 1 }), {
    Model: 'Tollgate',
    LensModel: 'Span 70-300 mm f/4.5-5.6',
    FNumber: '50/10',
    FocalLength: '200/1',
    DateTimeOriginal: `2026:11:20 10:${String(10 + i)}:00`,
  })
for (const [i, p] of CHART_SERIES.entries())
  await writePicture(p.name, chartPicture({ sigmas: p.sigmas, seed: i + 40 }), {
    Model: 'Sorrel',
    LensModel: 'Hearth 24-70 mm f/2.8',
    FNumber: `${Math.round(p.fNumber * 10)}/10`,
    FocalLength: '50/1',
    DateTimeOriginal: `2026:11:21 15:${String(10 + i)}:00`,
  })
await writeAudit()
