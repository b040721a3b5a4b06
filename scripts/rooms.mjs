/** The table of rooms in CONTRIBUTING.md, which the arrows are held to. */
import { readFileSync } from 'node:fs'

/**
 * @param {string} text a Markdown document with the table
 * @returns {{ path: string, calls: string[] | undefined }[]} each room with the paths it may call, in the order of the
 *   table; undefined where it may call everything
 */
export const roomsIn = text => {
  const rows = [...text.matchAll(/^\| `([^`]+)` +\|[^|]+\| ([^|]+?) +\|$/gm)].map(([, path, calls]) => ({
    path,
    calls,
  }))
  const paths = rows.map(r => r.path)
  const pathOf = (name, of) => {
    if (name === 'core') return 'src/core'
    const found = [`src/core/${name}`, `src/${name}`].find(p => paths.includes(p))
    if (!found) throw new Error(`CONTRIBUTING.md: ${of} may call “${name}”, which is no room in the table`)
    return found
  }
  return rows.map(({ path, calls }) => ({
    path,
    calls:
      calls === 'everything' ? undefined : calls === 'nothing' ? [] : calls.split(', ').map(name => pathOf(name, path)),
  }))
}

export const rooms = () => roomsIn(readFileSync(new URL('../CONTRIBUTING.md', import.meta.url), 'utf8'))
