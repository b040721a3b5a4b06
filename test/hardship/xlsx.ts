import { crc32, deflateRawSync } from 'node:zlib'

/** Spreadsheets that no program would write: small files that claim or hold enormous sheets. */

const HEADER = '<?xml version="1.0" encoding="UTF-8"?>'
const MAIN = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"'
const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'

interface Part {
  readonly name: string
  readonly content: Buffer
}

/** An archive of parts. @source APPNOTE.TXT, .ZIP file format specification, 4.3 */
const zipOf = (parts: readonly Part[]): Uint8Array => {
  const files: Buffer[] = []
  const directory: Buffer[] = []
  let offset = 0
  for (const { name, content } of parts) {
    const packed = deflateRawSync(content)
    const common = Buffer.alloc(26)
    common.writeUInt16LE(20, 0)
    common.writeUInt16LE(8, 4)
    common.writeUInt32LE(crc(content), 10)
    common.writeUInt32LE(packed.length, 14)
    common.writeUInt32LE(content.length, 18)
    common.writeUInt16LE(name.length, 22)
    const local = Buffer.concat([Buffer.from('PK\x03\x04', 'latin1'), common, Buffer.from(name), packed])
    const central = Buffer.alloc(14)
    central.writeUInt32LE(offset, 10)
    directory.push(Buffer.concat([Buffer.from('PK\x01\x02\x14\x00', 'latin1'), common, central, Buffer.from(name)]))
    files.push(local)
    offset += local.length
  }
  const listed = Buffer.concat(directory)
  const end = Buffer.alloc(22)
  end.write('PK\x05\x06', 'latin1')
  end.writeUInt16LE(parts.length, 8)
  end.writeUInt16LE(parts.length, 10)
  end.writeUInt32LE(listed.length, 12)
  end.writeUInt32LE(offset, 16)
  return new Uint8Array(Buffer.concat([...files, listed, end]))
}

/** Node.js 20 has it since 20.15; older ones reckon it. */
const crc = (content: Buffer): number => (typeof crc32 === 'function' ? crc32(content) : slowCrc(content))
const slowCrc = (content: Buffer): number => {
  let c = ~0
  for (const byte of content) {
    c ^= byte
    for (let k = 0; k < 8; k++) c = (c >>> 1) ^ (0xedb88320 & -(c & 1))
  }
  return ~c >>> 0
}

/** A workbook with one sheet of this XML. */
export const workbookOf = (sheet: string, more: readonly { name: string; text: string }[] = []): Uint8Array =>
  zipOf(
    [
      {
        name: 'xl/workbook.xml',
        text: `${HEADER}<workbook ${MAIN} xmlns:r="${RELATIONS}"><sheets><sheet name="S" sheetId="1" r:id="rId1"/></sheets></workbook>`,
      },
      {
        name: 'xl/_rels/workbook.xml.rels',
        text: `${HEADER}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${RELATIONS}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
      },
      { name: 'xl/worksheets/sheet1.xml', text: `${HEADER}<worksheet ${MAIN}>${sheet}</worksheet>` },
      ...more,
    ].map(({ name, text }) => ({ name, content: Buffer.from(text) })),
  )

const cell = (ref: string, text: string) => `<c r="${ref}" t="inlineStr"><is><t>${text}</t></is></c>`

export const HOSTILE_SHEETS: readonly {
  readonly name: string
  readonly bytes: () => Uint8Array
  readonly says: RegExp
}[] = [
  {
    name: 'one merged range over the whole sheet',
    bytes: () =>
      workbookOf(
        `<sheetData><row r="1">${cell('A1', 'Tag')}</row></sheetData><mergeCells><mergeCell ref="A1:XFD1048576"/></mergeCells>`,
      ),
    says: /row 1, column A: Tag stands there; merged cells stand here/,
  },
  {
    name: 'twenty thousand rows with one cell in the last column',
    bytes: () =>
      workbookOf(
        `<sheetData>${Array.from({ length: 20_000 }, (_, i) => `<row r="${i + 1}">${cell(`XFD${i + 1}`, 'x')}</row>`).join('')}</sheetData>`,
      ),
    says: /row 1, column XFD: x stands there; expected at most 256 columns/,
  },
  {
    name: 'a row that is the last one there can be',
    bytes: () => workbookOf(`<sheetData><row r="1048576">${cell('A1048576', 'far')}</row></sheetData>`),
    says: /row 1048576 stands there; expected at most 20000 rows/,
  },
  {
    name: 'two hundred megabytes of one text, packed into two hundred kilobytes',
    bytes: () =>
      workbookOf('<sheetData/>', [
        { name: 'xl/sharedStrings.xml', text: `${HEADER}<sst>${'<si/>'.repeat(10_000_000)}</sst>` },
      ]),
    says: /unpacked, xl\/sharedStrings.xml is larger than 40 MB/,
  },
  {
    name: 'entities that grow when they are read',
    bytes: () => workbookOf(`<sheetData><row r="1">${cell('A1', '&lol9;')}</row></sheetData>`),
    says: /cannot be read as XLSX/,
  },
]
