import {
  BlobSource,
  Input,
  type InputVideoTrack,
  MATROSKA,
  MP4,
  QTFF,
  type VideoSample,
  VideoSampleSink,
  WEBM,
} from 'mediabunny'
import { type Grey, greyOf, greyOfLuma, meanOf, type Rect } from '../core/imaging/grey'
import { gistOf, sharpnessOf } from '../core/imaging/sharpness'
import type { Traces } from '../core/scales/clip'
import { bitmapOf, factsOf, lightIn } from './pictures'

/** Films and bursts on this device, frame by frame: each is looked at where it was marked, and let go at once. */

/** A part of the picture as it is shown: shares of its width and height. */
export type Share = Rect

export interface Look {
  readonly picture: ImageBitmap
  readonly seconds: number
}

export interface Progress {
  readonly done: number
  readonly of: number
}

/** More frames than this are not looked at: a quarter of an hour at 60 a second, for which 400 MB are enough. */
export const MOST_FRAMES = 54_000
/** Words about how far it is come after so many frames. */
const EVERY = 30

/** @throws Error in words, with what to do, where the browser cannot decode it */
const trackOf = async (file: File): Promise<{ readonly track: InputVideoTrack; readonly seconds: number }> => {
  if (file.size === 0) throw new Error(`${file.name} is empty. Copy it from the card once more.`)
  if (typeof VideoDecoder === 'undefined')
    throw new Error(
      'Films are decoded only where the browser trusts the address: on the machine that Coherion runs on, or by https. By thumb works everywhere.',
    )
  const input = new Input({ formats: [MP4, QTFF, WEBM, MATROSKA], source: new BlobSource(file) })
  const unreadable = new Error(`${file.name} is no film that can be read. MP4, MOV and WebM can be.`)
  const track = await input.getPrimaryVideoTrack().catch(() => {
    throw unreadable
  })
  if (!track) throw new Error(`${file.name} has no picture in it.`)
  const codec = await track.getCodec()
  if (!(await track.canDecode()))
    throw new Error(
      `This browser does not decode ${codec === 'hevc' ? 'H.265 (HEVC)' : (codec ?? 'this kind of film')}. Film in H.264, or convert it first: any program that writes MP4 with H.264 does.`,
    )
  const seconds = await input.computeDuration().catch(() => 0)
  return { track, seconds }
}

/** The first picture of a film, for marking the two places. */
export const lookAtFilm = async (file: File): Promise<Look> => {
  const { track, seconds } = await trackOf(file)
  for await (const sample of new VideoSampleSink(track).samples()) {
    const canvas = new OffscreenCanvas(sample.displayWidth, sample.displayHeight)
    const context = canvas.getContext('2d')
    if (context) sample.draw(context, 0, 0)
    sample.close()
    return { picture: canvas.transferToImageBitmap(), seconds }
  }
  throw new Error(`${file.name} has no frame that can be decoded.`)
}

/** Places are at least so many pixels wide and high. */
const LEAST_SIDE = 16
const even = (n: number): number => Math.floor(n / 2) * 2

/** Where a part of the shown picture lies in the stored one, which may be turned. */
export const storedPart = (share: Share, width: number, height: number, rotation: number): Rect => {
  const { x, y, width: w, height: h } = share
  const turned =
    rotation === 90
      ? { x: y, y: 1 - x - w, width: h, height: w }
      : rotation === 180
        ? { x: 1 - x - w, y: 1 - y - h, width: w, height: h }
        : rotation === 270
          ? { x: 1 - y - h, y: x, width: h, height: w }
          : share
  const side = (from: number, size: number, most: number) => {
    const length = Math.max(LEAST_SIDE, even(size * most))
    return { from: Math.max(0, Math.min(even(from * most), even(most - length))), length }
  }
  const [across, down] = [side(turned.x, turned.width, width), side(turned.y, turned.height, height)]
  return { x: across.from, y: down.from, width: across.length, height: down.length }
}

/** Memory that one place of every frame is copied into, made once for a film. */
class Scratch {
  private bytes = new Uint8Array(0)
  of(size: number): Uint8Array<ArrayBuffer> {
    if (this.bytes.length !== size) this.bytes = new Uint8Array(size)
    return this.bytes
  }
}

/** The brightness of one part of a frame, without touching the rest of it where the format allows that. */
const partOf = async (sample: VideoSample, share: Share, scratch: Scratch): Promise<Grey> => {
  const rect = storedPart(share, sample.codedWidth, sample.codedHeight, sample.rotation)
  if (sample.format === 'I420' || sample.format === 'NV12' || sample.format === 'I422' || sample.format === 'I444') {
    const bytes = scratch.of(sample.allocationSize({ rect }))
    const [luma] = await sample.copyTo(bytes, { rect })
    return greyOfLuma(
      bytes.subarray(luma?.offset ?? 0),
      rect.width,
      rect.height,
      luma?.stride ?? rect.width,
      sample.colorSpace.fullRange === true,
    )
  }
  const canvas = new OffscreenCanvas(sample.displayWidth, sample.displayHeight)
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('This browser does not let frames be read. Try another one.')
  sample.draw(context, 0, 0)
  const shown = {
    x: Math.floor(share.x * canvas.width),
    y: Math.floor(share.y * canvas.height),
    width: Math.max(16, Math.floor(share.width * canvas.width)),
    height: Math.max(16, Math.floor(share.height * canvas.height)),
  }
  const { data } = context.getImageData(shown.x, shown.y, shown.width, shown.height)
  return greyOf(data, shown.width, shown.height)
}

interface Following {
  readonly times: number[]
  readonly far: { readonly sharpness: number[]; readonly light: number[]; readonly gists: Float32Array[] }
  readonly near: Following['far']
}

const following = (): Following => {
  const place = () => ({ sharpness: [], light: [], gists: [] })
  return { times: [], far: place(), near: place() }
}

/** Gists lie many in one piece: each in memory of its own would take several times as much for a long film. */
const GISTS_IN_PIECE = 1024

const follow = (place: Following['far'], part: Grey): void => {
  const mean = meanOf(part.data)
  place.sharpness.push(sharpnessOf(part, mean))
  place.light.push(mean)
  const gist = gistOf(part, mean)
  const within = place.gists.length % GISTS_IN_PIECE
  const { buffer } = within > 0 ? (place.gists.at(-1) ?? gist) : new Float32Array(GISTS_IN_PIECE * gist.length)
  const kept = new Float32Array(buffer, within * gist.byteLength, gist.length)
  kept.set(gist)
  place.gists.push(kept)
}

/** Both places through a whole film; how far it is in between. */
export async function* followFilm(file: File, far: Share, near: Share): AsyncGenerator<Progress | Traces> {
  const { track, seconds } = await trackOf(file)
  let isCutShort = false
  const traces = following()
  const [ofFar, ofNear] = [new Scratch(), new Scratch()]
  for await (const sample of new VideoSampleSink(track).samples()) {
    try {
      // A film may hold a frame twice; time has to go on.
      if (sample.timestamp <= (traces.times.at(-1) ?? -Infinity)) continue
      const [a, b] = await Promise.all([partOf(sample, far, ofFar), partOf(sample, near, ofNear)])
      traces.times.push(sample.timestamp)
      follow(traces.far, a)
      follow(traces.near, b)
    } finally {
      sample.close()
    }
    const n = traces.times.length
    if (n % EVERY === 0) yield { done: traces.times.at(-1) ?? 0, of: seconds }
    if (n >= MOST_FRAMES) {
      isCutShort = true
      break
    }
  }
  yield { ...traces, ...(isCutShort ? { isCutShort } : {}) }
}

/** The first picture of a burst, by its time. */
export const lookAtBurst = async (files: readonly File[]): Promise<Look> => {
  const timed = await timedOf(files)
  const first = timed[0]
  if (!first) throw new Error('None of these pictures says when it was taken. Take them from the card as they are.')
  return { picture: await bitmapOf(first.file, first.file.name), seconds: (timed.at(-1)?.time ?? 0) - first.time }
}

const timedOf = async (files: readonly File[]) => {
  const all: { readonly file: File; readonly time: number; readonly isFine: boolean }[] = []
  for (const file of files) {
    const { time, isFine } = await factsOf(file)
    if (time !== undefined) all.push({ file, time, isFine })
  }
  if (all.length > 0 && !all.some(f => f.isFine))
    throw new Error(
      'These pictures say when they were taken only to the second. That is too coarse; film it, or tap it.',
    )
  return all.toSorted((a, b) => a.time - b.time)
}

/** Both places through a burst of pictures, by the times in their Exif. */
export async function* followBurst(files: readonly File[], far: Share, near: Share): AsyncGenerator<Progress | Traces> {
  const timed = await timedOf(files)
  const start = timed[0]?.time ?? 0
  const traces = following()
  for (const [i, { file, time }] of timed.entries()) {
    if (time - start <= (traces.times.at(-1) ?? -1)) continue
    const image = await bitmapOf(file, file.name)
    const part = (share: Share) =>
      lightIn(image, {
        x: Math.floor(share.x * image.width),
        y: Math.floor(share.y * image.height),
        width: Math.max(16, Math.floor(share.width * image.width)),
        height: Math.max(16, Math.floor(share.height * image.height)),
      })
    traces.times.push(time - start)
    follow(traces.far, part(far))
    follow(traces.near, part(near))
    image.close()
    yield { done: i + 1, of: timed.length }
  }
  yield traces
}
