import { gunzipSync } from 'node:zlib'
import { expect, it } from 'vitest'
import { random } from '../core/numeric/random'
import { Parted } from './parted'

/** Texts with letters of one to four bytes, some empty and some larger than a window of the compression. */
const textOf = (seed: number): string => {
  const r = random(seed)
  const length = r.pick([0, 1, 40, 5000, 70_000])
  return Array.from({ length }, () => r.pick(['a', 'b', ' ', '<', 'é', '…', '🎯'])).join('')
}

it('unpacks to the same text with any filling, each time it is sent', async () => {
  for (let seed = 1; seed <= 40; seed++) {
    const parts = Array.from({ length: (seed % 6) + 1 }, (_, i) => textOf(100 * seed + i))
    const parted = new Parted(parts)
    for (const filling of ['nonce-1', 'another one', '']) {
      const whole = parts.join(filling)
      expect(parted.with(filling).toString()).toBe(whole)
      // Another reader than the one that wrote it; it holds the sum and the length against what it unpacks.
      expect(gunzipSync(await parted.zippedWith(filling)).toString()).toBe(whole)
    }
  }
})

it('is a good deal smaller than the text', async () => {
  const part = '<li class="row">A row that says nearly the same as the one before</li>'.repeat(200)
  const zipped = await new Parted([part, part, part]).zippedWith('x'.repeat(22))
  expect(zipped.length).toBeLessThan(0.05 * 3 * part.length)
})
