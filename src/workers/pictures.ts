import ExifReader from 'exifreader'
import { chartSharpness } from '../core/imaging/chart'
import { type Grey, greyOf, type Rect } from '../core/imaging/grey'
import { focusOnRuler } from '../core/imaging/ruler'
import { sharpnessOf } from '../core/imaging/sharpness'
import { pieceAt } from './piece'

/** Pictures on this device: what stands in their Exif, and their pixels. Nothing of it leaves the browser. */

export interface PictureFacts {
  readonly fNumber: number | undefined
  readonly focalMm: number | undefined
  readonly camera: string | undefined
  readonly lens: string | undefined
  /** Seconds since 1970 by the camera's own clock, to its fraction. */
  readonly time: number | undefined
  /** Whether the fraction of the second was there. */
  readonly isFine: boolean
}

/** Exif stands near the beginning; so much is read for it. */
const HEAD = 512 * 1024

const numberOf = (tag: { readonly value?: unknown } | undefined): number | undefined => {
  const value: unknown = tag?.value
  if (typeof value === 'number') return value
  if (!Array.isArray(value)) return undefined
  const [a, b] = value as readonly unknown[]
  return typeof a === 'number' && typeof b === 'number' && b !== 0 ? a / b : undefined
}

const wordsOf = (tag: { readonly description?: string } | undefined): string | undefined =>
  tag?.description?.trim() || undefined

const NOTHING: PictureFacts = {
  fNumber: undefined,
  focalMm: undefined,
  camera: undefined,
  lens: undefined,
  time: undefined,
  isFine: false,
}

/** What a picture says of itself; nothing where it has no Exif, or none that can be read. */
export const factsOf = async (file: Blob): Promise<PictureFacts> => {
  try {
    const tags = ExifReader.load(await file.slice(0, HEAD).arrayBuffer())
    const taken = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/.exec(tags.DateTimeOriginal?.description ?? '')
    const fraction = /^\d+/.exec(tags.SubSecTimeOriginal?.description ?? '')?.[0]
    const [y, mo, d, h, mi, s] = (taken ?? []).slice(1).map(Number)
    const whole = taken && Date.UTC(y ?? 0, (mo ?? 1) - 1, d, h, mi, s) / 1000
    return {
      fNumber: numberOf(tags.FNumber),
      focalMm: numberOf(tags.FocalLength),
      camera: wordsOf(tags.Model),
      lens: wordsOf(tags.LensModel),
      time: whole ? whole + Number(`0.${fraction ?? 0}`) : undefined,
      isFine: fraction !== undefined,
    }
  } catch {
    return NOTHING
  }
}

const contextOf = (width: number, height: number): OffscreenCanvasRenderingContext2D => {
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('This browser does not let pictures be read. Try another one.')
  return context
}

/** @throws Error in words where the browser cannot read it */
export const bitmapOf = async (file: Blob, name: string): Promise<ImageBitmap> => {
  try {
    return await createImageBitmap(file)
  } catch {
    throw new Error(
      `${name}: the browser cannot read this picture. JPEG is read everywhere; raw files and HEIC have to be saved as JPEG first.`,
    )
  }
}

/** Pixels of a picture as light: the whole, or one part of it. */
export const lightIn = (
  image: ImageBitmap,
  part: Rect = { x: 0, y: 0, width: image.width, height: image.height },
): Grey => {
  const context = contextOf(part.width, part.height)
  context.drawImage(image, part.x, part.y, part.width, part.height, 0, 0, part.width, part.height)
  return greyOf(context.getImageData(0, 0, part.width, part.height).data, part.width, part.height)
}

export interface Read<Found> {
  readonly name: string
  readonly facts: PictureFacts
  readonly found: Found | undefined
  /** Why a picture could not be read, in words. */
  readonly trouble: string
}

/** Reads pictures one after the other; what one of them is lets the others go on. */
async function* eachPicture<Found>(files: readonly File[], look: (grey: Grey) => Found): AsyncGenerator<Read<Found>> {
  for (const file of files) {
    const facts = await factsOf(file)
    try {
      const image = await bitmapOf(file, file.name)
      const grey = lightIn(image)
      image.close()
      yield { name: file.name, facts, found: look(grey), trouble: '' }
    } catch (error) {
      yield {
        name: file.name,
        facts,
        found: undefined,
        trouble: error instanceof Error ? error.message : String(error),
      }
    }
  }
}

export const readRulers = (files: readonly File[]) => eachPicture(files, focusOnRuler)
export const readCharts = (files: readonly File[]) =>
  eachPicture(files, grey => {
    const found = chartSharpness(grey)
    // Curves stay here; what is kept are figures.
    return found.kind === 'chart'
      ? {
          ...found,
          width: grey.width,
          height: grey.height,
          fields: found.fields.map(({ edges: _, ...field }) => field),
        }
      : found
  })

/** How sharp pictures are around a place each; only those of one scene can be compared. */
export async function* sharpnessAt(
  files: readonly File[],
  places: readonly { readonly x: number; readonly y: number }[],
): AsyncGenerator<number | undefined> {
  for (const [i, file] of files.entries()) {
    const image = await createImageBitmap(file).catch(() => undefined)
    yield image && sharpnessOf(lightIn(image, pieceAt(image, places[i] ?? { x: 0.5, y: 0.5 })))
    image?.close()
  }
}
