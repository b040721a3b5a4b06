import { join } from 'node:path'
import { Font } from '@react-pdf/renderer'

/** The app's text face for printed sheets, with letters beyond western Europe: names are printed as they are written. */
export const SHEET_FACE = ['Sheet', 'Sheet Extended']

const FILES = join(process.cwd(), 'node_modules/@fontsource/atkinson-hyperlegible-next/files')

/** The file of the text face for a set of letters and a weight. */
export const faceFile = (letters: 'latin' | 'latin-ext', weight: 400 | 700): string =>
  join(FILES, `atkinson-hyperlegible-next-${letters}-${weight}-normal.woff`)

for (const [family, subset] of [
  ['Sheet', 'latin'],
  ['Sheet Extended', 'latin-ext'],
] as const)
  for (const fontWeight of [400, 700] as const) Font.register({ family, fontWeight, src: faceFile(subset, fontWeight) })
// Words are not broken: a term has to be found again in a menu.
Font.registerHyphenationCallback(word => [word])
