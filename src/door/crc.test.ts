import { crc32 } from 'node:zlib'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { joined, shiftBy } from './crc'

it('is the sum of the whole, wherever it is parted', () => {
  const text = fc.uint8Array({ maxLength: 3000 })
  fc.assert(
    fc.property(text, text, (a, b) => {
      // Another program than the one under test goes through the whole.
      expect(joined(crc32(a), crc32(b), shiftBy(b.length))).toBe(crc32(Buffer.concat([a, b])))
    }),
  )
})

it('knows the sum that the standard’s check value gives', () => {
  // @source the check value of CRC-32: the digits from 1 to 9 give cbf43926
  const [a, b] = ['1234', '56789'].map(text => Buffer.from(text))
  expect(joined(crc32(a ?? ''), crc32(b ?? ''), shiftBy(5))).toBe(0xcbf43926)
})
