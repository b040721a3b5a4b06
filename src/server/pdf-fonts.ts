import 'server-only'
import { join } from 'node:path'
import { Font } from '@react-pdf/renderer'

/** The app's text face for printed sheets, with letters beyond western Europe: names are printed as they are written. */
export const SHEET_FACE = ['Sheet', 'Sheet Extended']

const FILES = join(process.cwd(), 'node_modules/@fontsource/atkinson-hyperlegible-next/files')

for (const [family, subset] of [
  ['Sheet', 'latin'],
  ['Sheet Extended', 'latin-ext'],
] as const)
  for (const fontWeight of [400, 700])
    Font.register({
      family,
      fontWeight,
      src: join(FILES, `atkinson-hyperlegible-next-${subset}-${fontWeight}-normal.woff`),
    })
// Words are not broken: a term has to be found again in a menu.
Font.registerHyphenationCallback(word => [word])
