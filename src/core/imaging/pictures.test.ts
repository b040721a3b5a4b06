import sharp, { type Sharp } from 'sharp'
import { describe, expect, it } from 'vitest'
import { chartPicture, type Picture, rulerPicture } from '../../../test/fixtures/made/camera'
import { CHART_SERIES, RULER_SERIES } from '../../../test/fixtures/made/plans'
import { demoLensTests } from '../../demo/world'
import { chartSharpness } from './chart'
import { type Grey, greyOf } from './grey'
import { seen } from './homography'
import { focusOnRuler } from './ruler'
import { findSheet, RULER } from './target'

const light = async (image: Sharp): Promise<Grey> => {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return greyOf(data, info.width, info.height)
}
const shipped = (name: string): Sharp => sharp(`public/made/${name}.jpg`)
const raw = ({ rgb, width, height }: Picture): Sharp => sharp(Buffer.from(rgb), { raw: { width, height, channels: 3 } })

describe('the inclined ruler', () => {
  const offsets = Promise.all(
    RULER_SERIES.map(async ({ name, picture }) => {
      const found = focusOnRuler(await light(shipped(name)))
      return { truth: picture.offset, found: found.kind === 'focus' ? found.offset : NaN }
    }),
  )

  it('gives focus within half a millimetre of the truth on every made picture', async () => {
    for (const { truth, found } of await offsets)
      expect(Math.abs(found - truth), `${found} for ${truth}`).toBeLessThan(0.5)
  })

  it('is not off to one side over all of them', async () => {
    const all = await offsets
    const mean = all.reduce((sum, { truth, found }) => sum + found - truth, 0) / all.length
    process.stdout.write(`${all.length} pictures, on average off by ${mean.toFixed(2)} mm\n`)
    expect(Math.abs(mean)).toBeLessThan(0.25)
  })

  it('gives what the test that the demo keeps says of the same pictures', async () => {
    const kept = demoLensTests().flatMap(({ test }) => (test.kind === 'focus' ? test.pictures : []))
    const found = await offsets
    expect(kept.length).toBe(found.length)
    for (const { name, offset } of kept) {
      const i = RULER_SERIES.findIndex(shot => `${shot.name}.jpg` === name)
      expect(Math.abs((found[i]?.found ?? NaN) - offset), name).toBeLessThan(0.05)
    }
  })

  const one = () => shipped(RULER_SERIES[0]?.name ?? '')

  it('is seen where a pinhole in place of the lens would show it, though it leans', async () => {
    const [shot] = RULER_SERIES
    if (!shot) throw new Error('no picture')
    const { distance = 0, offset, roll = 0, width = 0, height = 0 } = shot.picture
    const sheet = findSheet(await light(one()), RULER)
    if (sheet.kind === 'missing') throw new Error('no sheet')
    const focus = distance + offset
    const [cos, sin] = [Math.cos((roll * Math.PI) / 180), Math.sin((roll * Math.PI) / 180)]
    for (const mark of RULER.marks) {
      // The camera of the made pictures shows 190 mm over the height at the field, and the ruler's middle 10 mm beside it.
      const z = distance + (RULER.zero - mark.y) * Math.SQRT1_2
      const pixels = height / 190 / (focus / distance)
      const right = ((mark.x - RULER.width / 2 + 10) * focus * pixels) / z
      const down = ((distance - z) * focus * pixels) / z
      const found = seen(sheet.view, mark)
      // The middle of the first pixel is its zero.
      expect(Math.abs(found.x + 0.5 - width / 2 - (right * cos + down * sin))).toBeLessThan(0.25)
      expect(Math.abs(found.y + 0.5 - height / 2 - (down * cos - right * sin))).toBeLessThan(0.25)
    }
  })

  it('gives focus where depth of field is deeper than the ruler as well', async () => {
    const picture = rulerPicture({ offset: 12, focalMm: 35, fNumber: 2, rays: 16, seed: 8, width: 900, height: 675 })
    const found = focusOnRuler(await light(raw(picture)))
    expect(found.kind === 'focus' && Math.abs(found.offset - 12)).toBeLessThan(0.5)
  })

  it.each([90, 180, 270])('is read just the same when the picture is turned by %d degrees', async degrees => {
    const [plain, turned] = [focusOnRuler(await light(one())), focusOnRuler(await light(one().rotate(degrees)))]
    expect(turned.kind).toBe('focus')
    if (plain.kind === 'focus' && turned.kind === 'focus') expect(turned.offset).toBeCloseTo(plain.offset, 0)
  })

  it('says what is wrong with a picture that is too small, over-exposed, or of another sheet', async () => {
    expect(focusOnRuler(await light(one().resize(300)))).toMatchObject({
      kind: 'trouble',
      why: { kind: expect.stringMatching(/small|marks/) as string },
    })
    const bright = await light(one())
    const over = focusOnRuler({ ...bright, data: bright.data.map(v => Math.min(1, v * 4)) })
    expect(over).toMatchObject({ kind: 'trouble' })
    expect(focusOnRuler(await light(shipped('chart-f8')))).toEqual({
      kind: 'trouble',
      why: { kind: 'marks', found: 5, isOther: true },
    })
    const even = { width: 400, height: 300, data: new Float32Array(120_000).fill(0.4) }
    expect(focusOnRuler(even)).toEqual({ kind: 'trouble', why: { kind: 'marks', found: 0, isOther: false } })
  })

  it('does not guess where a mark is covered', () => {
    const { rgb, width, height } = rulerPicture({ offset: 0, rays: 4, covered: 2, width: 800, height: 600 })
    const data = Float32Array.from({ length: width * height }, (_, i) => ((rgb[i * 3] ?? 0) / 255) ** 2.2)
    expect(focusOnRuler({ width, height, data })).toMatchObject({
      kind: 'trouble',
      why: { kind: 'marks', isOther: false },
    })
  })

  it('says on which side focus lies where it is beyond the ruler', async () => {
    const found = focusOnRuler(
      await light(
        raw(rulerPicture({ offset: -70, rays: 4, width: 800, height: 600, fNumber: 5, focalMm: 200, distance: 1500 })),
      ),
    )
    expect(found.kind).toBe('trouble')
  })
})

describe('the chart', () => {
  /** Half contrast of a Gaussian blur on square pixels: exp(-2 (pi s f)^2) sinc(f) = 1/2, by halving. */
  const halfOf = (sigma: number): number => {
    let [low, high] = [0.001, 1]
    for (let i = 0; i < 50; i++) {
      const f = (low + high) / 2
      const left = Math.exp(-2 * (Math.PI * sigma * f) ** 2) * (Math.sin(Math.PI * f) / (Math.PI * f))
      if (left > 0.5) low = f
      else high = f
    }
    return low
  }

  it.each(CHART_SERIES)('at f/$fNumber shows each field as sharp as it is, within 6 %', async ({ name, sigmas }) => {
    const found = chartSharpness(await light(shipped(name)))
    expect(found.kind).toBe('chart')
    if (found.kind !== 'chart') return
    found.fields.forEach(({ mtf50 }, i) =>
      expect(Math.abs((mtf50 ?? NaN) / halfOf(sigmas[i] ?? 1) - 1)).toBeLessThan(0.06),
    )
  })

  it('is found where the whole picture is soft and grainy, and measured as well', async () => {
    // Written after everything stood: until then not one of its marks was seen.
    const sigmas = [2.415, 1.755, 2.523, 1.097, 1.761]
    const found = chartSharpness(await light(sharp('test/fixtures/made/chart-soft.jpg')))
    if (found.kind !== 'chart') throw new Error('expected the chart')
    expect(found.fields).toHaveLength(sigmas.length)
    found.fields.forEach(({ mtf50 }, i) =>
      expect(Math.abs((mtf50 ?? NaN) / halfOf(sigmas[i] ?? 1) - 1)).toBeLessThan(0.06),
    )
  })

  it('is found upside down, and its fields keep their names', async () => {
    const upright = chartSharpness(await light(shipped('chart-f2-8')))
    const turned = chartSharpness(await light(shipped('chart-f2-8').rotate(180)))
    if (upright.kind !== 'chart' || turned.kind !== 'chart') throw new Error('expected the chart')
    turned.fields.forEach(({ mtf50 }, i) => expect(mtf50).toBeCloseTo(upright.fields[i]?.mtf50 ?? NaN, 2))
  })

  it('says of a field that is over-exposed or cut off why it is not measured', async () => {
    const picture = await light(shipped('chart-f8'))
    const found = chartSharpness({ ...picture, data: picture.data.map(v => Math.min(1, v * 1.6)) })
    expect(found).toMatchObject({ kind: 'chart' })
    if (found.kind === 'chart') expect(found.fields[0]).toMatchObject({ mtf50: undefined, why: 'over-exposed' })
    const cut = chartSharpness(
      await light(raw(chartPicture({ sigmas: [1, 1, 1, 1, 1], fill: 1.25, rays: 1, width: 900, height: 600 }))),
    )
    if (cut.kind !== 'chart') throw new Error('expected the chart')
    expect(cut.fields[0]?.mtf50).toBeDefined()
    expect(cut.fields[1]?.mtf50).toBeUndefined()
  })
})
