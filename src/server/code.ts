import QRCode from 'qrcode'
import { remember } from './remember'

/** The same address, the same squares. */
const codes = remember<Promise<string>>('codes', 500)

/** Squares that a phone reads an address from, as the address of a picture. */
export const codeOf = (address: string): Promise<string> =>
  codes.getOr(address, async () => {
    const picture = await QRCode.toString(address, { type: 'svg', margin: 2 })
    return `data:image/svg+xml,${encodeURIComponent(picture)}`
  })
