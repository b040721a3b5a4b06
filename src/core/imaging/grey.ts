/** A picture in linear light: 0 is black, 1 is white; row by row. */
export interface Grey {
  readonly width: number
  readonly height: number
  readonly data: Float32Array
}

export interface Rect {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** @source IEC 61966-2-1 (sRGB): the curve from a stored value to light */
export const lightOf = (stored: number): number =>
  stored <= 0.04045 ? stored / 12.92 : Math.pow((stored + 0.055) / 1.055, 2.4)

/** The same backwards: what is stored for an amount of light. */
export const storedOf = (light: number): number =>
  light <= 0.0031308 ? light * 12.92 : 1.055 * Math.pow(light, 1 / 2.4) - 0.055

const LIGHT = Float32Array.from({ length: 256 }, (_, i) => lightOf(i / 255))

const NARROW = Float32Array.from({ length: 256 }, (_, i) => lightOf(Math.min(1, Math.max(0, (i - 16) / 219))))

/**
 * Light from pixels as a canvas gives them, four bytes each.
 *
 * @source Rec. ITU-R BT.709: luminance from linear red, green and blue
 */
export const greyOf = (rgba: ArrayLike<number>, width: number, height: number): Grey => {
  const data = new Float32Array(width * height)
  for (let i = 0; i < data.length; i++) {
    const at = i * 4
    data[i] =
      0.2126 * (LIGHT[rgba[at] ?? 0] ?? 0) +
      0.7152 * (LIGHT[rgba[at + 1] ?? 0] ?? 0) +
      0.0722 * (LIGHT[rgba[at + 2] ?? 0] ?? 0)
  }
  return { width, height, data }
}

/**
 * Light from one plane of brightness, as films store it.
 *
 * @param stride bytes from one row to the next
 * @param isFull whether black is 0 and white 255; else 16 and 235, as most films have it (Rec. ITU-R BT.709)
 */
export const greyOfLuma = (luma: Uint8Array, width: number, height: number, stride = width, isFull = true): Grey => {
  const data = new Float32Array(width * height)
  const light = isFull ? LIGHT : NARROW
  for (let y = 0; y < height; y++) {
    const [from, to] = [y * stride, y * width]
    for (let x = 0; x < width; x++) data[to + x] = light[luma[from + x] as number] as number
  }
  return { width, height, data }
}

const clamp = (n: number, least: number, most: number): number => Math.min(most, Math.max(least, n))

/** A part of a picture; what lies outside is left out. */
export const crop = (grey: Grey, rect: Rect): Grey => {
  const left = clamp(Math.round(rect.x), 0, grey.width - 1)
  const top = clamp(Math.round(rect.y), 0, grey.height - 1)
  const width = clamp(Math.round(rect.width), 1, grey.width - left)
  const height = clamp(Math.round(rect.height), 1, grey.height - top)
  const data = new Float32Array(width * height)
  for (let y = 0; y < height; y++)
    data.set(grey.data.subarray((top + y) * grey.width + left, (top + y) * grey.width + left + width), y * width)
  return { width, height, data }
}

/** Rows become columns. */
export const transposed = ({ width, height, data }: Grey): Grey => {
  const turned = new Float32Array(data.length)
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) turned[x * height + y] = data[y * width + x] ?? 0
  return { width: height, height: width, data: turned }
}

/** Smaller by a whole factor: means of squares of pixels. */
export const shrunk = (grey: Grey, by: number): Grey => {
  if (by <= 1) return grey
  const [width, height] = [Math.floor(grey.width / by), Math.floor(grey.height / by)]
  const data = new Float32Array(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let sum = 0
      for (let v = 0; v < by; v++)
        for (let u = 0; u < by; u++) sum += grey.data[(y * by + v) * grey.width + x * by + u] ?? 0
      data[y * width + x] = sum / (by * by)
    }
  return { width, height, data }
}

/** Each pixel with its neighbours, 1 2 1 along rows and columns. At the ends of rows those of the next stand in. */
export const softened = ({ width, height, data }: Grey): Grey => {
  const along = (from: Float32Array, step: number): Float32Array => {
    const to = from.slice()
    for (let i = step; i < from.length - step; i++)
      to[i] = ((from[i - step] as number) + 2 * (from[i] as number) + (from[i + step] as number)) / 4
    return to
  }
  return { width, height, data: along(along(data, 1), width) }
}

export const meanOf = (data: Float32Array): number => {
  let sum = 0
  for (let i = 0; i < data.length; i++) sum += data[i] as number
  return data.length === 0 ? 0 : sum / data.length
}
