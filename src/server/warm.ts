import 'server-only'
import { firmwareOf, listBodies, listStandards, readBody, readStandard, units } from './catalogue'
import { resolveStored } from './concordance'
import { fitStandard, readJobFacts } from './job-facts'
import { listJobs, readJob } from './jobs'
import { whyNot } from './worked-out'

/**
 * What is likely to be asked next is worked out before anybody asks: after a start, and once something that answers are
 * made from has changed. What was worked out before is only read; what cannot be is told where it is asked for.
 */

/** A day's job is planned weeks ahead at most; of those to come the nearest are looked at first. */
const JOBS_AHEAD = 3

const resolveAll = async (): Promise<void> => {
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
    await fitStandard(standard)
  }
}

/** The nearest jobs from today on: who covers what with which layers is known for them alone. */
const prepareJobs = async (): Promise<void> => {
  const today = new Date().toISOString().slice(0, 10)
  const toCome = (await listJobs()).filter(j => j.day >= today).toReversed()
  for (const { id } of toCome.slice(0, JOBS_AHEAD)) await readJobFacts((await readJob(id)).document)
}

export const warmUp = async (): Promise<void> => {
  await resolveAll()
  await prepareJobs()
}
