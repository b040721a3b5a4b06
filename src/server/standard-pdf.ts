import 'server-only'
import { choiceWordsById } from '@/core/bodies'
import type { Standard } from '@/core/standards'
import { listBodies, readBody, readStandard } from './catalogue'
import { work } from './working'

/** A standard for the wall. */

/** More would not fit beside the rest on two pages. */
const MOST_PINS = 8

/** What is set on single bodies anyway, in their own words, with the reason. */
const pinsInWords = async ({ layers }: Standard): Promise<readonly string[]> => {
  const all = layers.flatMap(l => l.pins ?? [])
  const pins = all.slice(0, MOST_PINS)
  const there = new Map((await listBodies()).map(b => [b.id, b.revision]))
  const told = await Promise.all(
    pins.map(async ({ body: id, setting, option, reason }) => {
      if (!there.has(id)) return `${id}: ${setting}, ${option}. ${reason}`
      const { document } = await readBody(id)
      return `${document.model}: ${choiceWordsById(document, setting, option)}. ${reason}`
    }),
  )
  return all.length > pins.length
    ? [...told, `${all.length - pins.length} more bodies and rows; see the standard.`]
    : told
}

/** @returns the PDF and what to call it */
export const standardPdf = async (ref: string): Promise<{ readonly bytes: Uint8Array; readonly name: string }> => {
  const { document, state } = await readStandard(ref)
  const at = new Date().toISOString()
  const bytes = await work('standardSheet', { standard: document, state, at, pins: await pinsInWords(document) })
  return { bytes, name: `${document.id}-${document.version}.pdf` }
}
