import 'server-only'
import { firmwareOf, listBodies, listStandards, readBody, readStandard, units } from './catalogue'
import { resolveStored } from './concordance'
import { whyNot } from './worked-out'

/**
 * Has every standard resolved on every body, so that the first visitor after a start finds it done; what was worked out
 * before a restart is only read. What cannot be resolved is told where it is asked for.
 */
export const warmUp = async (): Promise<void> => {
  const [bodies, standards, all] = await Promise.all([listBodies(), listStandards(), units()])
  for (const { id } of standards) {
    const standard = await readStandard(id)
    for (const row of bodies) {
      const body = await readBody(row.id, row.revision)
      try {
        await resolveStored({ body, standard, firmware: firmwareOf(body.document, all) })
      } catch (error) {
        if (whyNot(error) === undefined) throw error
      }
    }
  }
}
