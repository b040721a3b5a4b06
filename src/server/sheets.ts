import 'server-only'
import * as v from 'valibot'
import { printSheetSchema } from './queries'
import { notFound, RequestError } from './problems'
import { work } from './working'

const SHEETS = ['ruler', 'chart', 'rack'] as const

/**
 * The sheets that are photographed at the Bench, as PDF.
 *
 * @throws RequestError 404 for a sheet that there is not, 422 for paper or distances that there are not
 */
export const printedSheet = async (
  sheet: string,
  query: Readonly<Record<string, string>>,
): Promise<{ readonly bytes: Uint8Array; readonly name: string }> => {
  const known = SHEETS.find(s => s === sheet)
  if (!known) throw notFound('sheet', sheet)
  const read = v.safeParse(printSheetSchema, query)
  if (!read.success)
    throw new RequestError(422, 'Which paper?', 'Ask for paper=a4 or paper=letter, and a focal length in millimetres.')
  const { paper, focal } = read.output
  return { bytes: await work('targetSheet', { sheet: known, paper, focalMm: focal }), name: `${known}-${paper}.pdf` }
}
