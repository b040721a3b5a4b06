import { join } from 'node:path'

const FILES = join(process.cwd(), 'node_modules/@fontsource/atkinson-hyperlegible-next/files')

/** The file of the text face for a set of letters and a weight; names are printed as they are written. */
export const faceFile = (letters: 'latin' | 'latin-ext', weight: 400 | 700): string =>
  join(FILES, `atkinson-hyperlegible-next-${letters}-${weight}-normal.woff`)
