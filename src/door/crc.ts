/**
 * The sum of a text from the sums of its parts, without going through the text again: what comes first is moved along by
 * the length of what follows, which is a product of polynomials over two elements.
 *
 * @source RFC 1952 section 8 (the polynomial, its bits in reverse); the product as zlib's `crc32_combine` forms it
 */

const POLYNOMIAL = 0xedb88320
/** One, and x to the eighth: a byte. The highest bit stands for the lowest power. */
const ONE = 0x80000000
const BYTE = 0x00800000

/** The product of two polynomials, modulo the one above. */
const times = (a: number, b: number): number => {
  let product = 0
  let power = b
  for (let bit = 31; bit >= 0; bit--) {
    if ((a >>> bit) & 1) product ^= power
    power = power & 1 ? (power >>> 1) ^ POLYNOMIAL : power >>> 1
  }
  return product >>> 0
}

/** What moves a sum along by so many bytes. */
export const shiftBy = (bytes: number): number => {
  let shift = ONE
  let square = BYTE
  for (let rest = bytes; rest > 0; rest = Math.floor(rest / 2)) {
    if (rest % 2 === 1) shift = times(square, shift)
    square = times(square, square)
  }
  return shift
}

/** The sum of two parts together. @param shift of the length of the second */
export const joined = (first: number, second: number, shift: number): number => (times(shift, first) ^ second) >>> 0
