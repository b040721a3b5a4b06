import 'server-only'
import { firmwareOf, listBodies, listStandards, readBody, readStandard, units } from './catalogue'
import { resolveStored } from './concordance'

/**
 * Resolves every standard on every body in the background, so that the first visitor after a start finds it done.
 * Requests are answered between two bodies; what cannot be resolved is told where it is asked for.
 */
export const warmUp = async (): Promise<void> => {
  const [bodies, standards, all] = await Promise.all([listBodies(), listStandards(), units()])
  for (const { id } of standards) {
    const standard = await readStandard(id)
    for (const row of bodies) {
      const body = await readBody(row.id, row.revision)
      try {
        resolveStored(body, standard, firmwareOf(body.document, all))
      } catch {
        continue
      }
      await new Promise(setImmediate)
    }
  }
}
