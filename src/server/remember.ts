/** Survives being bundled several times: pages, routes and the start of the server share one memory. */
const shared = globalThis as { coherionMemory?: Map<string, Map<string, unknown>> }

/**
 * A bounded memory for what can be computed again: the entry least recently used goes first.
 *
 * @param name of the memory, the same wherever it is used
 * @param most entries kept
 */
export const remember = <T>(name: string, most: number) => {
  shared.coherionMemory ??= new Map()
  const entries = (shared.coherionMemory.get(name) ?? new Map<string, unknown>()) as Map<string, T>
  shared.coherionMemory.set(name, entries)
  const get = (key: string): T | undefined => {
    const found = entries.get(key)
    if (found !== undefined) {
      entries.delete(key)
      entries.set(key, found)
    }
    return found
  }
  return {
    get,
    forget: (key: string): void => void entries.delete(key),
    getOr: (key: string, make: () => T): T => {
      const found = get(key)
      if (found !== undefined) return found
      const made = make()
      entries.set(key, made)
      const oldest = entries.keys().next()
      if (entries.size > most && !oldest.done) entries.delete(oldest.value)
      return made
    },
  }
}
