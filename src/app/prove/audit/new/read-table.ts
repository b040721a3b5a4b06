import type { Picture } from '@/core/audit/picture'
import { picturesFromJson, picturesFromSheet } from '@/core/audit/table'
import { decodeText, readCsv } from '@/core/reading/csv'
import { parseJson, type Parsed } from '@/core/reading/problem'
import { zoneHere } from '@/workers/zone'

/** Whether a file is a table of metadata and no picture. */
export const isTable = (file: File): boolean => /\.(?:csv|json)$/i.test(file.name)

/** Metadata that another program wrote down. */
export const readTable = async (file: File): Promise<Parsed<readonly Picture[]>> => {
  const text = decodeText(new Uint8Array(await file.arrayBuffer()), file.name)
  if (!text.ok) return text
  if (/\.csv$/i.test(file.name)) {
    const sheet = readCsv(text.value, file.name)
    return sheet.problems.length > 0
      ? { ok: false, problems: sheet.problems }
      : picturesFromSheet(sheet, file.name, zoneHere)
  }
  const json = parseJson(text.value, file.name)
  return json.ok ? picturesFromJson(json.value, file.name, zoneHere) : json
}
