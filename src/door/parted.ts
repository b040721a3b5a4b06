import { promisify } from 'node:util'
import { constants, crc32, deflateRaw } from 'node:zlib'

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

export class Parted {
  private readonly parts: readonly Buffer[]
  private zipped: Promise<readonly Buffer[]> | undefined
  /** Of memory that it takes, about. */
  readonly bytes: number

  constructor(parts: readonly string[]) {
    this.parts = parts.map(p => Buffer.from(p))
    this.bytes = this.parts.reduce((sum, p) => sum + p.length, 0)
  }

  private filled(parts: readonly Buffer[], filling: Buffer): Buffer[] {
    return parts.flatMap((p, i) => (i === 0 ? [p] : [filling, p]))
  }

  /** The whole text. @param filling at most 65,535 bytes */
  with(filling: string): Buffer {
    return Buffer.concat(this.filled(this.parts, Buffer.from(filling)))
  }

  /** The same as a gzip file. */
  async zippedWith(filling: string): Promise<Buffer> {
    this.zipped ??= Promise.all(this.parts.map(p => deflated(p, OPTIONS)))
    const plain = this.with(filling)
    const tail = Buffer.alloc(8)
    tail.writeUInt32LE(crc32(plain), 0)
    tail.writeUInt32LE(plain.length % 2 ** 32, 4)
    return Buffer.concat([HEAD, ...this.filled(await this.zipped, stored(Buffer.from(filling))), LAST, tail])
  }
}
