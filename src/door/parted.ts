import { promisify } from 'node:util'
import { constants, crc32, deflateRaw } from 'node:zlib'
import { joined, shiftBy } from './crc'

/**
 * A text with gaps into which something else goes each time it is sent. It is compressed once, part by part, and each
 * filling is set between the parts as it is: so a page with a nonce of its own costs no more than a copy of its bytes.
 *
 * @source RFC 1951 section 3.2.4 (stored blocks), RFC 1952 section 2.3 (members of a gzip file)
 */

const deflated = promisify(deflateRaw)
/** Quick: the machine that serves is the one that works. Flushed, so that a part ends at a byte and needs no other part. */
const OPTIONS = { level: 2, finishFlush: constants.Z_FULL_FLUSH } as const

const HEAD = Buffer.from([0x1f, 0x8b, 8, 0, 0, 0, 0, 0, 0, 255])
/** An empty last block. */
const LAST = Buffer.from([1, 0, 0, 0xff, 0xff])
const MOST_STORED = 0xffff

/** A block that holds bytes as they are. */
const stored = (bytes: Buffer): Buffer => {
  const head = Buffer.alloc(5)
  head.writeUInt16LE(bytes.length, 1)
  head.writeUInt16LE(bytes.length ^ MOST_STORED, 3)
  return Buffer.concat([head, bytes])
}

/** A part as it is sent, with what its share in the sum of the whole is found by. */
interface Zipped {
  readonly bytes: Buffer
  readonly sum: number
  readonly shift: number
}

export class Parted {
  private readonly parts: readonly Buffer[]
  private zipped: Promise<readonly Zipped[]> | undefined
  /** Of memory that it takes, about. */
  readonly bytes: number

  constructor(parts: readonly string[]) {
    this.parts = parts.map(p => Buffer.from(p))
    this.bytes = this.parts.reduce((sum, p) => sum + p.length, 0)
  }

  /** The whole text. @param filling at most 65,535 bytes */
  with(filling: string): Buffer {
    return Buffer.concat(filled(this.parts, Buffer.from(filling)))
  }

  /** Each part compressed, which takes a while the first time. */
  zip(): Promise<readonly Zipped[]> {
    return (this.zipped ??= Promise.all(
      this.parts.map(async p => ({ bytes: await deflated(p, OPTIONS), sum: crc32(p), shift: shiftBy(p.length) })),
    ))
  }

  /** The same as a gzip file. */
  async zippedWith(filling: string): Promise<Buffer> {
    const bytes = Buffer.from(filling)
    const between: Zipped = { bytes: stored(bytes), sum: crc32(bytes), shift: shiftBy(bytes.length) }
    const all = filled(await this.zip(), between)
    const tail = Buffer.alloc(8)
    tail.writeUInt32LE(
      all.reduce((sum, part) => joined(sum, part.sum, part.shift), 0),
      0,
    )
    tail.writeUInt32LE((this.bytes + bytes.length * (this.parts.length - 1)) % 2 ** 32, 4)
    return Buffer.concat([HEAD, ...all.map(part => part.bytes), LAST, tail])
  }
}

const filled = <T>(parts: readonly T[], filling: T): T[] => parts.flatMap((p, i) => (i === 0 ? [p] : [filling, p]))
