/** A bounded memory for what can be computed again: the entry least recently used goes first. */
export const remember = <T>(most: number) => {
  const entries = new Map<string, T>()
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
