import { MemoryFileSystem, ZeroPerl } from '@6over3/zeroperl-ts'

/**
 * Reads every field of a picture's metadata, also those that makers write in notes of their own, known or not. The
 * reader is a program in a sandbox without files, clock or network: it sees the bytes it is given, and prints lines.
 */

export type Field = readonly [field: string, value: string]

export interface NotesReader {
  /** @throws Error in words where a picture cannot be read */
  read(bytes: Uint8Array, extension: string): Promise<readonly Field[]>
}

const MOST_LINES = 4000

/** Fields as `Group:Field`, a tab, and what they say on one line; unknown ones by their number. */
const PROGRAM = `
use Image::ExifTool;
our $reader = Image::ExifTool->new;
$reader->Options(Unknown => 1, Duplicates => 1, FastScan => 1, Composite => 0, Binary => 0, Charset => 'UTF8');
sub fields {
  my $info = $reader->ImageInfo(shift);
  my $left = ${MOST_LINES};
  for my $key ($reader->GetFoundTags('File')) {
    my $value = $info->{$key};
    next if !defined $value or ref $value or !$left--;
    $value = substr($value, 0, 400);
    $value =~ s/[\\x00-\\x1f\\x7f]+/ /g;
    print $reader->GetGroup($key, 1), ':', Image::ExifTool::GetTagName($key), "\\t", $value, "\\n";
  }
}
1`

/** The extension tells some raw formats apart; anything else in a name is left out. */
const safeExtension = (extension: string): string =>
  extension
    .toLowerCase()
    .replaceAll(/[^a-z0-9]/g, '')
    .slice(0, 5)

/** @param fetchProgram fetches the reader, some 25 MB, compressed to a fifth on the way; from the package where not given */
export const openNotesReader = async (fetchProgram?: () => Promise<Response>): Promise<NotesReader> => {
  const files = new MemoryFileSystem({ '/': '' })
  let out: Uint8Array[] = []
  const hear = (data: string | Uint8Array) =>
    void out.push(typeof data === 'string' ? new TextEncoder().encode(data) : data.slice())
  const perl = await asInPage(fetchProgram !== undefined, () =>
    ZeroPerl.create({
      fileSystem: files,
      stdout: hear,
      // What it has to say of a broken file is of use to nobody.
      stderr: () => undefined,
      ...(fetchProgram ? { fetch: fetchProgram } : {}),
    }),
  )
  const began = await perl.eval(PROGRAM)
  if (!began.success) throw new Error('The reader of metadata did not start. Load the page again.')
  return {
    read: async (bytes, extension) => {
      const path = `/picture.${safeExtension(extension) || 'jpg'}`
      out = []
      files.addFile(path, bytes)
      try {
        const read = await perl.eval(`fields('${path}')`)
        perl.flush()
        if (!read.success) throw new Error('Its metadata cannot be read.')
        return fieldsIn(out)
      } finally {
        files.removeFile(path)
      }
    },
  }
}

/**
 * Runs something with the names that only a page has: the package takes whatever lacks them for Node.js, and would look
 * for its program among files.
 */
const asInPage = async <T>(isBrowser: boolean, run: () => Promise<T>): Promise<T> => {
  const names = ['window', 'document'].filter(name => isBrowser && !(name in globalThis))
  for (const name of names) Object.defineProperty(globalThis, name, { value: globalThis, configurable: true })
  try {
    return await run()
  } finally {
    for (const name of names) Reflect.deleteProperty(globalThis, name)
  }
}

const fieldsIn = (chunks: readonly Uint8Array[]): readonly Field[] => {
  const whole = new Uint8Array(chunks.reduce((n, c) => n + c.length, 0))
  let at = 0
  for (const chunk of chunks) {
    whole.set(chunk, at)
    at += chunk.length
  }
  return new TextDecoder()
    .decode(whole)
    .split('\n')
    .flatMap((line): Field[] => {
      const tab = line.indexOf('\t')
      return tab < 0 ? [] : [[line.slice(0, tab), line.slice(tab + 1)]]
    })
}
