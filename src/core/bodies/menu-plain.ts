/** A copied text without what carried it: tags of a web page, marks of a quoted letter, lines that draw a tree. */

/** Marks of direction, of nothing, and what terminals leave behind. */
// oxlint-disable-next-line no-control-regex -- they are what is taken out
const INVISIBLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/g
const DRAWN = /[\u2500-\u257f]/g

const NAMED_SIGNS: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', nbsp: ' ', apos: "'" }
/** Tags that end a cell, and those that end a line. */
const CELL = /<\/t[dh]>(?=\s*<t[dh])/gi
const LINE = /<\/(?:tr|li|p|div|h\d|dt|dd|table|ul)>|<br\s?\/?>/gi

const withoutTags = (text: string): string =>
  /<\/(?:td|li|p|dd)>/i.test(text)
    ? text
        .replaceAll(/\r?\n/g, ' ')
        .replaceAll(CELL, '\t')
        .replaceAll(LINE, '\n')
        // What stands out is the default.
        .replaceAll(/<\/?(?:b|strong)>/gi, '**')
        .replaceAll(/<[^<>]*>/g, '')
        .replaceAll(/&(amp|lt|gt|quot|nbsp|apos);/g, (_, name: string) => NAMED_SIGNS[name] ?? '')
        .split('\n')
        .map(l => l.trim())
        .join('\n')
    : text

const QUOTED = /^\s?>\s?/
const withoutQuotes = (lines: readonly string[]): readonly string[] => {
  const quoted = lines.filter(l => QUOTED.test(l)).length
  return 2 * quoted >= lines.length ? lines.map(l => l.replace(QUOTED, '')) : lines
}

/** “[12/11/2026, 09:14] Ada: ”: who wrote a line and when. */
const SPEAKER = /^\[?\d{1,4}[./-]\d{1,2}[./-]\d{1,4},?\s\d{1,2}:\d\d(?::\d\d)?\]?(?:\s-)?\s[^:]{1,30}:\s/
const withoutSpeakers = (lines: readonly string[]): readonly string[] =>
  lines.filter(l => SPEAKER.test(l)).length > 1 ? lines.map(l => l.replace(SPEAKER, '')) : lines

/** A list that goes on in the next line, as one line; the lines keep their numbers. */
const unwrapped = (lines: readonly string[]): readonly string[] => {
  const made = [...lines]
  for (let i = made.length - 2; i >= 0; i--) {
    const [line = '', next = ''] = [made[i], made[i + 1]]
    if (!/[,|;/]\s*$/.test(line.slice(-3)) || !next.trim() || line.trimStart().startsWith('|')) continue
    made[i] = `${line.trimEnd()} ${next.trimStart()}`
    made[i + 1] = ''
  }
  return made
}

/** The lines of a text as they would stand in a notebook. */
export const plainLines = (text: string): readonly string[] =>
  unwrapped(
    withoutSpeakers(
      withoutQuotes(
        withoutTags(text.replaceAll(INVISIBLE, '').replaceAll('\u00a0', ' ').replaceAll(DRAWN, ' ')).split(
          /\r\n|\r|\n/,
        ),
      ),
    ),
  )
