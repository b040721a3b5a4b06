// Compresses what every page loads once, as small as it goes, so that the server that serves it has nothing to do.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'

const folder = '.next/static'
const WORTH_IT = 1024
const LARGE = 4 * 1024 * 1024
const files = readdirSync(folder, { recursive: true, withFileTypes: true })
  .filter(entry => entry.isFile() && /\.(?:js|css|wasm)$/.test(entry.name))
  .map(entry => join(entry.parentPath, entry.name))

await Promise.all(
  files.map(async file => {
    const bytes = readFileSync(file)
    if (bytes.length < WORTH_IT) return
    // The last percent of what is large takes a minute.
    const isLarge = bytes.length > LARGE
    const quality = isLarge ? 7 : constants.BROTLI_MAX_QUALITY
    const params = { [constants.BROTLI_PARAM_QUALITY]: quality }
    writeFileSync(`${file}.br`, await promisify(brotliCompress)(bytes, { params }))
    writeFileSync(`${file}.gz`, await promisify(gzip)(bytes, { level: isLarge ? 6 : 9 }))
  }),
)
